package org.jalousie.server.agreement;

import java.time.Instant;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.columns.ColumnCondition;
import org.jalousie.core.filing.columns.ColumnKey;

/**
 * Which agreements are looked for.
 *
 * @param states one at least
 * @param find beginnings of words, all of which each has; empty for all
 * @param template that they were made from; empty for any
 * @param from when they came to their state at the earliest
 * @param before when they came to it they had not reached this yet
 * @param where what their columns say; for those of one template that have ended
 */
public record AgreementsAsked(
        Set<State> states,
        String find,
        Optional<UUID> template,
        Optional<Instant> from,
        Optional<Instant> before,
        List<Where> where) {
    /** What a column says. */
    public record Where(ColumnKey column, ColumnCondition.Bounds bounds) {}

    public AgreementsAsked {
        states = EnumSet.copyOf(states);
    }

    /** Those in some states with some words. */
    public static AgreementsAsked of(Collection<State> states, String find) {
        return new AgreementsAsked(
                EnumSet.copyOf(states), find, Optional.empty(), Optional.empty(), Optional.empty(), List.of());
    }
}
