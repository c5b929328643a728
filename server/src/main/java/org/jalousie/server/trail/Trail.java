package org.jalousie.server.trail;

import org.jalousie.core.messages.Message;
import org.jalousie.server.account.SignedIn;

/** What is done to the office itself: who may come in, what it is connected with, how it writes. */
public interface Trail {
    /**
     * Notes an act of who is signed in, in the transaction of the act: there is none without its note.
     *
     * @param act what was done, one of the catalogue's {@code act.…}
     */
    void note(Message act);

    /** The same, of somebody at the door. */
    void note(SignedIn by, Message act);
}
