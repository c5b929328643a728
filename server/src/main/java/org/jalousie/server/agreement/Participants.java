package org.jalousie.server.agreement;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Absence;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Value;
import org.jalousie.core.parties.Assignment;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.template.Participation;
import org.jalousie.server.Settings;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** Who takes part in an agreement, by its template and its answers. */
@Component
class Participants {
    private final Settings settings;

    Participants(Settings settings) {
        this.settings = settings;
    }

    /**
     * The participants as the answers say.
     *
     * @param made when the agreement was made, and by whom: its sender, until another one sends it
     */
    List<Participant> of(
            UsableTemplate template, Agreements.Answers answers, AgreementNumber number, Instant made, Actor by) {
        return Assignment.assign(
                template.content().parties(),
                new Assignment.Known(
                        answers.data(),
                        answers.people(),
                        person(by),
                        Participation.leftOut(template.content(), values(template, answers, number, made))));
    }

    private Map<String, Value> values(
            UsableTemplate template, Agreements.Answers answers, AgreementNumber number, Instant made) {
        return template.values(
                        answers.data(),
                        LocalDate.ofInstant(made, settings.office().zone()),
                        number.value())
                .values();
    }

    /** Those parts that whoever sends fills, and that are still filled by who made the agreement. */
    static List<Participant> ofWhoSends(UsableTemplate template, List<Participant> current, Actor maker, Actor sender) {
        Person before = person(maker);
        Person now = person(sender);
        if (now.equals(Person.NOBODY) || now.equals(before)) return List.of();
        Set<PartyKey> own = template.content().parties().stream()
                .filter(party -> party.who() instanceof PersonSource.WhoSends)
                .map(Party::key)
                .collect(Collectors.toSet());
        return current.stream()
                .filter(one -> own.contains(one.party())
                        && one.name().equals(before.name())
                        && one.mail().equals(before.mail()))
                .map(one -> one.with(
                        new Person(now.name(), now.mail(), "", one.person().language())))
                .toList();
    }

    /** The template with whom it is for: the first person of the other side. */
    static String title(UsableTemplate template, List<Participant> participants) {
        Set<PartyKey> house = template.content().parties().stream()
                .filter(party -> party.who().ofTheHouse())
                .map(Party::key)
                .collect(Collectors.toSet());
        Set<PartyKey> absent = Absence.before(participants).keySet();
        return participants.stream()
                .filter(one -> one.duty().acts()
                        && !one.name().isBlank()
                        && !house.contains(one.party())
                        && !absent.contains(one.party()))
                .findFirst()
                .map(one -> template.name() + ": " + one.name())
                .orElse(template.name());
    }

    private static Person person(Actor actor) {
        return actor instanceof Actor.Coordinator coordinator
                ? new Person(coordinator.name(), coordinator.account())
                : Person.NOBODY;
    }
}
