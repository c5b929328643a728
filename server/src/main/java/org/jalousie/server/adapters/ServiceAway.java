package org.jalousie.server.adapters;

/** An outside service that does not answer just now. Nothing is wrong with what was asked of it; it is asked again later. */
public final class ServiceAway extends RuntimeException {
    /** What the program needs from outside. */
    public enum Service {
        MAIL("The mail server"),
        TRUST("The trust service that certificates and time stamps come from"),
        CONVERTER("The word processor that makes the pages");

        private final String title;

        Service(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    private final Service service;

    public ServiceAway(Service service, String message, Throwable cause) {
        super(message, cause);
        this.service = service;
    }

    public Service service() {
        return service;
    }
}
