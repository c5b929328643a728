package org.jalousie.server.store;

import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.dao.DuplicateKeyException;

/** Names of which each is one thing's alone, by an index of the database. */
public final class OwnName {
    private static final int LONGEST = 100;

    private OwnName() {}

    /** As it is kept. @param missing what is told of none @throws Refusal for none, and one that is too long */
    public static String checked(String name, Message missing) {
        String called = name.strip();
        if (called.isEmpty()) throw refused(missing);
        if (called.length() > LONGEST || called.chars().anyMatch(Character::isISOControl))
            throw refused(Message.of("people.long-name", "most", LONGEST));
        return called;
    }

    /** Keeps it. @param twice what is told of one that something else has @throws Refusal for such a one */
    public static void kept(Runnable change, Message twice) {
        try {
            change.run();
        } catch (DuplicateKeyException e) {
            throw refused(twice);
        }
    }

    private static Refusal refused(Message fault) {
        return Refusal.invalid(fault, Map.of("name", fault));
    }
}
