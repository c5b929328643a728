package org.jalousie.core.access;

import java.util.Arrays;
import java.util.List;

/** What a person of the office may do; somebody can have several. */
public enum Role {
    /** Says who may come in and what they may. */
    ADMINISTRATOR,
    /** Prepares templates, takes requests in, sends, files. */
    COORDINATOR,
    /** Acts where an agreement waits for them, and sees nothing else. */
    APPROVER,
    /** Asks for agreements, and sees what became of it. */
    REQUESTER,
    /** Looks things up in the archive. */
    READER;

    /** As the roles stand in a list: the widest first, each once. */
    public static List<Role> inOrder(Iterable<Role> roles) {
        return Arrays.stream(values())
                .filter(one -> {
                    for (Role role : roles) if (role == one) return true;
                    return false;
                })
                .toList();
    }
}
