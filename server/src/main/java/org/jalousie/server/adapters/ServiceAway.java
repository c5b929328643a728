package org.jalousie.server.adapters;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** An outside service that does not answer just now. Nothing is wrong with what was asked of it; it is asked again later. */
public final class ServiceAway extends Told {
    /** What the program needs from outside. */
    public enum Service {
        MAIL,
        /** The mailbox for mail that comes back. */
        RETURNS,
        TEXT,
        TRUST,
        /** The storage that the office's files lie in. */
        FILES,
        CONVERTER;

        public Message title() {
            return Message.of("service.title", "service", name());
        }
    }

    private final Service service;

    /** @param said why, for the coordinator */
    public ServiceAway(Service service, Message said, Throwable cause) {
        super(said, cause);
        this.service = service;
    }

    public Service service() {
        return service;
    }
}
