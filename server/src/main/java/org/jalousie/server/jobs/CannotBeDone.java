package org.jalousie.server.jobs;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** A job that comes out the same however often it is tried: a person has to change something first. */
public final class CannotBeDone extends Told {
    /** @param said what is wrong and what to do, for the coordinator */
    public CannotBeDone(Message said) {
        super(said);
    }
}
