package org.jalousie.server.intake;

import java.time.Instant;
import java.util.UUID;

/** A room that does something when a request was taken in. Whole ones only: its parts come with it. */
public interface AfterRequests {
    /** @param by who filled the form */
    record Received(String number, UUID template, String by, Instant at) {}

    /** Called in the transaction in which it is taken in. */
    default void received(Received request) {}

    /** Somebody else takes care of it. @param mail by which they sign in; empty for nobody */
    default void owned(String number, String mail, String name) {}
}
