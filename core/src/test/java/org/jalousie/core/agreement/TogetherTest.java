package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.junit.jupiter.api.Test;

class TogetherTest {
    private static Participant part(String key, String name, Duty duty, int stage, boolean house) {
        return new Participant(
                new Person(name, name + "@example.org"),
                new PartyKey(key),
                key,
                duty,
                stage,
                false,
                "",
                house,
                false,
                IdentityCheck.NONE);
    }

    private static List<String> acts(Participant... parts) {
        return Together.all(List.of(parts)).stream()
                .map(act -> String.join(
                        "+",
                        act.parts().stream().map(one -> one.party().value()).toList()))
                .toList();
    }

    @Test
    void partsOfOnePersonWithNobodyBetweenAreOneAct() {
        assertThat(acts(
                        part("clerk", "ida", Duty.COMPLETES, 1, true),
                        part("head", "Ida", Duty.APPROVES, 2, true),
                        part("director", "ida", Duty.SIGNS, 3, true)))
                .containsExactly("clerk+head+director");
        assertThat(acts(
                        part("lender", "ida", Duty.SIGNS, 1, false),
                        part("owner", "ida", Duty.SIGNS, 1, false),
                        part("museum", "tom", Duty.SIGNS, 2, true)))
                .containsExactly("lender+owner", "museum");
    }

    @Test
    void whoeverElseActsBetweenComesFirst() {
        assertThat(acts(
                        part("clerk", "ida", Duty.COMPLETES, 1, true),
                        part("other", "tom", Duty.COMPLETES, 1, true),
                        part("director", "ida", Duty.SIGNS, 2, true)))
                .containsExactly("clerk", "other", "director");
        assertThat(acts(
                        part("other", "tom", Duty.COMPLETES, 1, true),
                        part("clerk", "ida", Duty.COMPLETES, 1, true),
                        part("director", "tom", Duty.SIGNS, 2, true)))
                .containsExactly("other", "clerk", "director");
        assertThat(acts(
                        part("clerk", "ida", Duty.COMPLETES, 1, true),
                        part("lender", "tom", Duty.SIGNS, 2, false),
                        part("director", "ida", Duty.SIGNS, 3, true)))
                .containsExactly("clerk", "lender", "director");
    }

    @Test
    void whoeverActsBesideAtTheLaterStageDoesNotHoldItUp() {
        assertThat(acts(
                        part("clerk", "ida", Duty.COMPLETES, 1, true),
                        part("lender", "tom", Duty.SIGNS, 2, false),
                        part("director", "ida", Duty.SIGNS, 2, true),
                        part("witness", "ida", Duty.SIGNS, 3, true)))
                .containsExactly("clerk+director", "lender", "witness");
    }

    @Test
    void nobodySignsForBothSidesInOneAct() {
        assertThat(acts(part("lender", "ida", Duty.SIGNS, 1, false), part("museum", "ida", Duty.SIGNS, 1, true)))
                .containsExactly("lender", "museum");
        assertThat(acts(part("lender", "ida", Duty.SIGNS, 2, false), part("head", "ida", Duty.APPROVES, 1, true)))
                .containsExactly("head+lender");
    }

    @Test
    void oneMailboxOfSeveralPeopleIsNotOnePerson() {
        Participant one =
                new Participant(new Person("Ida Marsh", "office@example.org"), new PartyKey("a"), "a", Duty.SIGNS, 1);
        Participant other =
                new Participant(new Person("Tom Vale", "office@example.org"), new PartyKey("b"), "b", Duty.SIGNS, 1);
        Participant nobody = new Participant(Person.NOBODY, new PartyKey("c"), "c", Duty.SIGNS, 1);
        Participant neither = new Participant(Person.NOBODY, new PartyKey("d"), "d", Duty.SIGNS, 1);
        assertThat(acts(one, other, nobody, neither)).containsExactly("a", "b", "c", "d");
    }

    @Test
    void thePersonIsAskedInTheNameOfThePartThatAsksMost() {
        Together act = Together.all(List.of(
                        part("clerk", "ida", Duty.COMPLETES, 1, true),
                        part("head", "ida", Duty.APPROVES, 1, true),
                        part("director", "ida", Duty.SIGNS, 2, true)))
                .get(0);
        assertThat(act.lead().party()).isEqualTo(new PartyKey("director"));
    }

    /** Until parts were put together each was asked by itself; an agreement that is out then goes on. */
    @Test
    void partsThatAreAtDifferentPointsAreAskedOneByOne() {
        Instant now = Instant.parse("2026-11-26T09:00:00Z");
        Participant first = part("lender", "ida", Duty.SIGNS, 1, false);
        Participant second = part("owner", "ida", Duty.SIGNS, 2, false);
        List<Event> events = List.of(
                new Event.Generated(List.of()),
                new Event.Sent(now.plusSeconds(9_000_000)),
                new Event.OfficeSealed(List.of(), CertificateId.NONE),
                new Event.Invited(first.party()),
                new Event.Signed(first.party(), Map.of(), "drawn", Sample.file("m")));
        List<Entry> history = new ArrayList<>(List.of(Sample.created(now, first, second)));
        events.forEach(event -> history.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event)));
        Agreement waits = Agreement.of(history);
        assertThat(waits.asked()).isEmpty();
        Decision sealed = Decider.decide(
                history, new Command.Seal(waits.revision(), first.party(), List.of(), CertificateId.NONE), now);
        for (Event event : ((Decision.Accepted) sealed).events())
            history.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event));
        Agreement then = Agreement.of(history);
        assertThat(then.asked()).containsExactly(second);
        assertThat(then.together(second.party()).lead()).isEqualTo(second);
        assertThat(then.together(second.party()).parts()).containsExactly(second);
        assertThat(then.everAsked()).containsExactly(first);
    }
}
