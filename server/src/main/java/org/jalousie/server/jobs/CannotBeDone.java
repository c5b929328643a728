package org.jalousie.server.jobs;

/** A job that comes out the same however often it is tried: a person has to change something first. */
public final class CannotBeDone extends RuntimeException {
    /** @param message what is wrong and what to do, for the coordinator */
    public CannotBeDone(String message, Throwable cause) {
        super(message, cause);
    }
}
