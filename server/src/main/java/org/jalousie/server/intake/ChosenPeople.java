package org.jalousie.server.intake;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.PhoneNumber;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.PersonSource;

/** People who are named with a form. */
final class ChosenPeople {
    private ChosenPeople() {}

    static IntakeViews.ChosenParty view(Party party) {
        List<IntakeViews.PersonInput> people = party.who() instanceof PersonSource.OneOf one
                ? one.people().stream()
                        .map(person -> new IntakeViews.PersonInput(person.name(), person.mail(), person.phone()))
                        .toList()
                : List.of();
        return new IntakeViews.ChosenParty(
                party.key(), party.label(), people, party.optional(), people.isEmpty() && isTexted(party));
    }

    /** People as a form would be filled with them, by the keys of their parties. */
    static Map<String, IntakeViews.PersonInput> inputs(Map<PartyKey, Person> people) {
        Map<String, IntakeViews.PersonInput> inputs = new LinkedHashMap<>();
        people.forEach((party, person) ->
                inputs.put(party.value(), new IntakeViews.PersonInput(person.name(), person.mail(), person.phone())));
        return inputs;
    }

    /**
     * Who was named for a party; empty for nobody, where nobody has to be.
     *
     * @param given null when the form was sent without
     * @param faults by the party's key and what of the person is wrong
     */
    static Optional<Person> read(Party party, IntakeViews.PersonInput given, Map<String, Message> faults) {
        String name = given == null || given.name() == null ? "" : given.name().strip();
        String mail = given == null || given.mail() == null ? "" : given.mail().strip();
        boolean nobody = name.isEmpty() && mail.isEmpty();
        if (party.who() instanceof PersonSource.OneOf one)
            return nobody ? Optional.empty() : among(one, party, name, mail, faults);
        if (nobody && party.optional()) return Optional.empty();
        if (name.isEmpty()) faults.put(party.key() + ".name", Message.of("form.name-person", "party", party.label()));
        try {
            ValueReader.mail(mail);
        } catch (ValueReader.Unreadable e) {
            faults.put(party.key() + ".mail", e.said());
        }
        String phone =
                given == null || given.phone() == null ? "" : given.phone().strip();
        if (isTexted(party) && PhoneNumber.international(phone).isEmpty())
            faults.put(party.key() + ".phone", Message.of("form.phone-person"));
        return Optional.of(new Person(name, mail, phone, ""));
    }

    /** Who gets a code by text message has to be reached from anywhere. */
    private static boolean isTexted(Party party) {
        return party.identity() == IdentityCheck.TEXTED_CODE && party.duty().acts();
    }

    private static Optional<Person> among(
            PersonSource.OneOf one, Party party, String name, String mail, Map<String, Message> faults) {
        Optional<Person> known = one.people().stream()
                .filter(person -> person.name().strip().equals(name)
                        && person.mail().strip().equals(mail))
                .findFirst();
        if (known.isEmpty())
            faults.put(party.key() + ".name", Message.of("form.not-of-the-list", "party", party.label()));
        return known;
    }
}
