package org.jalousie.core.parties;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.PlainName;

/** Assigns a person to each party of an agreement. */
public final class Assignment {
    private Assignment() {}

    /**
     * The participants in the order in which they act.
     *
     * @param values stored intake values by field name
     * @param chosen people chosen at use, by party key
     */
    public static List<Participant> assign(
            List<Party> parties, Map<FieldName, String> values, Map<PartyKey, Person> chosen) {
        return parties.stream()
                .map(party -> participant(party, values, chosen))
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
                .map(one -> before.contains(one)
                        ? current.stream()
                                .filter(now -> now.party().equals(one.party()))
                                .findFirst()
                                .orElse(one)
                        : one)
                .toList();
    }

    private static Participant participant(Party party, Map<FieldName, String> values, Map<PartyKey, Person> chosen) {
        Person person;
        if (party.who() instanceof PersonSource.FromFields from) {
            person = new Person(
                    PlainName.of(values.getOrDefault(from.nameField(), "")), values.getOrDefault(from.mailField(), ""));
        } else if (party.who() instanceof PersonSource.Fixed fixed) {
            person = new Person(fixed.name(), fixed.mail());
        } else {
            person = chosen.getOrDefault(party.key(), Person.NOBODY);
        }
        return new Participant(person, party.key(), party.label(), party.duty(), party.stage());
    }
}
