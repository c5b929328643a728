package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/**
 * Parts of one person that are done in one act: asked for by one mail, on one page, with one press. They are those that can be
 * asked for at the same time, since nobody else has to act between them. A person who would sign for both sides does not do
 * so in one act.
 *
 * @param parts in the order of the route; one at least
 */
public record Together(List<Participant> parts) {

    /** The parts of the route that are done in one act each, in order. */
    public static List<Together> all(List<Participant> acting) {
        List<Participant> left = new ArrayList<>(acting);
        left.sort(Comparator.comparingInt(Participant::stage));
        List<Together> all = new ArrayList<>();
        while (!left.isEmpty()) {
            Together act = from(left.get(0), left, acting);
            left.removeAll(act.parts);
            all.add(act);
        }
        return all;
    }

    /** What the person of a part does in one act with it. */
    public static Together of(List<Participant> acting, PartyKey party) {
        return all(acting).stream()
                .filter(act -> act.has(party))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("doesn't act: " + party));
    }

    private static Together from(Participant first, List<Participant> left, List<Participant> acting) {
        List<Participant> parts = new ArrayList<>(List.of(first));
        for (int stage :
                acting.stream().map(Participant::stage).distinct().sorted().toList()) {
            if (stage < first.stage()) continue;
            // whoever else acts at a stage before has to do so first
            boolean waits = acting.stream()
                    .anyMatch(one -> one.stage() >= first.stage() && one.stage() < stage && !parts.contains(one));
            if (waits) break;
            left.stream()
                    .filter(one -> one.stage() == stage && !parts.contains(one) && joins(one, parts))
                    .forEach(parts::add);
        }
        return new Together(List.copyOf(parts));
    }

    private static boolean joins(Participant one, List<Participant> parts) {
        return one.person().isSameAs(parts.get(0).person())
                && parts.stream().noneMatch(other -> bothSides(one, other) || provenOtherwise(one, other));
    }

    /** Who shows in two ways who they are does so for one part after the other. */
    private static boolean provenOtherwise(Participant one, Participant other) {
        return one.identity() != IdentityCheck.NONE
                && other.identity() != IdentityCheck.NONE
                && one.identity() != other.identity();
    }

    /** How the person shows who they are; what one part asks for holds for all that are done with it. */
    public IdentityCheck identityCheck() {
        return asker().map(Participant::identity).orElse(IdentityCheck.NONE);
    }

    /** The part that asks for it, with the word and the telephone that belong to it; empty when none does. */
    public Optional<Participant> asker() {
        return parts.stream()
                .filter(one -> one.identity() != IdentityCheck.NONE)
                .findFirst();
    }

    /** Whether two parts are signed for the two sides of an agreement. */
    static boolean bothSides(Participant one, Participant other) {
        return one.duty() == Duty.SIGNS && other.duty() == Duty.SIGNS && one.house() != other.house();
    }

    /** The part in whose name the person is asked: the one whose act asks most. */
    public Participant lead() {
        return Stream.of(Duty.SIGNS, Duty.COMPLETES, Duty.APPROVES)
                .flatMap(duty -> parts.stream().filter(one -> one.duty() == duty))
                .findFirst()
                .orElse(parts.get(0));
    }

    public boolean has(PartyKey party) {
        return parts.stream().anyMatch(one -> one.party().equals(party));
    }
}
