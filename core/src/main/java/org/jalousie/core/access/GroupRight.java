package org.jalousie.core.access;

import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** What somebody may do with the templates of a group and with what is made from them, as far as their roles let them. */
public enum GroupRight {
    /** Ask by their forms, make agreements from them, and work on these. Who does that sees them. */
    USE,
    /** Change the templates and publish them. */
    PREPARE,
    /** See the templates, and the requests and agreements that are made from them. */
    SEE;

    /** All that somebody may to whom something was given, such as by several teams. */
    public static Set<GroupRight> with(Collection<GroupRight> given) {
        EnumSet<GroupRight> all = EnumSet.noneOf(GroupRight.class);
        all.addAll(given);
        if (all.contains(USE)) all.add(SEE);
        return Collections.unmodifiableSet(all);
    }

    /** Of what stands in no group. */
    public static Set<GroupRight> all() {
        return with(EnumSet.allOf(GroupRight.class));
    }
}
