package org.jalousie.core.parties;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.PlainName;

/** Assigns a person to each party of an agreement. */
public final class Assignment {
    private Assignment() {}

    /**
     * What is known when people are assigned.
     *
     * @param values stored intake values by field name
     * @param chosen people chosen at use, by party key
     * @param sender who is to send it, as far as that is known
     * @param leftOutBy the rule, as it is called, that leaves a party out; empty when none does
     */
    public record Known(
            Map<FieldName, String> values,
            Map<PartyKey, Person> chosen,
            Person sender,
            Function<Party, Optional<String>> leftOutBy) {
        /** An agreement whose parties all take part, sent by nobody in particular. */
        public Known(Map<FieldName, String> values, Map<PartyKey, Person> chosen) {
            this(values, chosen, Person.NOBODY, party -> Optional.empty());
        }
    }

    /** The participants in the order in which they act. */
    public static List<Participant> assign(List<Party> parties, Known known) {
        return parties.stream()
                .map(party -> participant(party, known))
                .sorted(Comparator.comparingInt(Participant::stage))
                .toList();
    }

    /**
     * The participants after the answers were corrected: whoever the correction concerns is who the answers say, and
     * everybody else stays who it is now.
     *
     * @param before as assigned from the answers before the correction
     * @param after as assigned from the corrected answers
     * @param current as they are, maybe named by hand since
     */
    public static List<Participant> reassign(
            List<Participant> before, List<Participant> after, List<Participant> current) {
        return after.stream()
                .map(one -> concerned(one, before)
                        ? one
                        : current.stream()
                                .filter(now -> now.party().equals(one.party()))
                                .findFirst()
                                .map(now -> one.with(now.person()))
                                .orElse(one))
                .toList();
    }

    /** A rule that leaves a part out, or no longer does, says nothing about whose part it is. */
    private static boolean concerned(Participant one, List<Participant> before) {
        return before.stream()
                .noneMatch(
                        was -> was.party().equals(one.party()) && was.person().equals(one.person()));
    }

    private static Participant participant(Party party, Known known) {
        return new Participant(
                person(party, known).speaking(party.language()),
                party.key(),
                party.label(),
                party.duty(),
                party.stage(),
                party.optional(),
                known.leftOutBy().apply(party).orElse(""),
                party.who().ofTheHouse(),
                party.copied(),
                party.duty().acts() ? party.identity() : IdentityCheck.NONE);
    }

    private static Person person(Party party, Known known) {
        if (party.who() instanceof PersonSource.FromFields from)
            return new Person(
                    PlainName.of(known.values().getOrDefault(from.nameField(), "")),
                    known.values().getOrDefault(from.mailField(), ""),
                    known.values().getOrDefault(from.phoneField(), ""),
                    "");
        if (party.who() instanceof PersonSource.Fixed fixed) return fixed.person();
        if (party.who() instanceof PersonSource.WhoSends) return known.sender();
        Person usual =
                party.who() instanceof PersonSource.OneOf one && !one.people().isEmpty() && !party.optional()
                        ? one.people().get(0)
                        : Person.NOBODY;
        return known.chosen().getOrDefault(party.key(), usual);
    }
}
