package org.jalousie.server.adapters;

import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** A bucket that doesn't answer, or doesn't let us do what was asked. The message is for a person. */
public final class BucketProblem extends Told {
    BucketProblem(Message said, Throwable cause) {
        super(said, cause);
    }
}
