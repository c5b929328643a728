package org.jalousie.core.parties;

import java.util.List;
import java.util.OptionalInt;

/**
 * After how many days of waiting those whose turn it is are reminded.
 *
 * @param gaps days from the invitation to the first reminder, from that to the second, and so on; empty for no reminder at all
 * @param thenEvery days between all further ones; 0 for no further one
 */
public record Reminders(List<Integer> gaps, int thenEvery) {
    public static final Reminders NONE = new Reminders(List.of(), 0);

    public Reminders {
        gaps = List.copyOf(gaps);
    }

    /** A first one, and then always after as many days. @param first 0 for none at all; {@code every} 0 for no further one */
    public static Reminders first(int first, int every) {
        return first == 0 ? NONE : new Reminders(List.of(first), every);
    }

    /** Days to wait for the next one, when so many have gone; empty when there is none. */
    public OptionalInt gapAfter(int sent) {
        if (sent < gaps.size()) return days(gaps.get(sent));
        return gaps.isEmpty() ? OptionalInt.empty() : days(thenEvery);
    }

    // without a pause they would be reminded at every look
    private static OptionalInt days(int gap) {
        return gap > 0 ? OptionalInt.of(gap) : OptionalInt.empty();
    }
}
