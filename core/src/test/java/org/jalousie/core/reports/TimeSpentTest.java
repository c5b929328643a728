package org.jalousie.core.reports;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.junit.jupiter.api.Test;

class TimeSpentTest {
    private static final Instant MADE = Instant.parse("2027-03-15T09:00:00Z");
    private static final Sha256 FILE = Sha256.of(new byte[] {1});
    private static final PartyKey CLERK = new PartyKey("clerk");
    private static final PartyKey HEAD = new PartyKey("head");
    private static final PartyKey LENDER = new PartyKey("lender");

    private final List<Entry> history = new ArrayList<>();

    private static Participant part(PartyKey key, Duty duty, int stage) {
        return new Participant(new Person("Ida Marsh", key + "@example.org"), key, "The " + key.value(), duty, stage);
    }

    private void created(String replaces) {
        happened(
                0,
                new Event.Created(
                        new AgreementNumber("A-1"),
                        "Loan",
                        "Loan",
                        1,
                        "R-1",
                        Map.of(),
                        List.of(
                                part(CLERK, Duty.COMPLETES, 1),
                                part(HEAD, Duty.APPROVES, 1),
                                part(LENDER, Duty.SIGNS, 2)),
                        replaces));
    }

    private void happened(int hours, Event event) {
        happened(hours, event, Actor.PROGRAM);
    }

    private void happened(int hours, Event event, Actor by) {
        history.add(new Entry(history.size() + 1, MADE.plus(Duration.ofHours(hours)), by, event));
    }

    private static Event signed(PartyKey party) {
        return new Event.Signed(party, Map.of(), "drawn", FILE);
    }

    private void sentWithTwoAtOnce() {
        happened(1, new Event.Generated(List.of()));
        happened(24, new Event.Sent(MADE.plus(Duration.ofDays(40))));
        happened(25, new Event.Invited(CLERK));
        happened(26, new Event.Invited(HEAD));
    }

    private void completed() {
        created("");
        sentWithTwoAtOnce();
        happened(30, new Event.Approved(HEAD));
        happened(49, new Event.FieldsCompleted(CLERK, Map.of()));
        happened(49, new Event.Sealed(CLERK, List.of(), null));
        happened(50, new Event.Invited(LENDER));
        happened(
                60,
                new Event.PersonChanged(
                        LENDER, new Person("Ola", "o@example.org"), Event.PersonChanged.Change.REPLACED, ""));
        happened(146, signed(LENDER));
        happened(147, new Event.Sealed(LENDER, List.of(), null));
        happened(148, new Event.Completed(List.of(), FILE));
    }

    private static Map<String, Long> hours(List<TimeSpent> all) {
        Map<String, Long> hours = new java.util.LinkedHashMap<>();
        for (TimeSpent one : all)
            hours.put(
                    one.phase() + one.part().map(part -> " " + part.label()).orElse(""),
                    one.length().toHours());
        return hours;
    }

    @Test
    void eachPartOfTheWayIsMeasured() {
        completed();
        assertThat(hours(TimeSpent.of(history, Optional.of(MADE.minus(Duration.ofHours(10))))))
                .containsExactly(
                        Map.entry("ASKED", 10L),
                        Map.entry("PREPARED", 24L),
                        Map.entry("OUT", 122L),
                        Map.entry("ACTED The clerk", 24L),
                        Map.entry("ACTED The head", 4L),
                        // whoever had the part, it was waited for all the time
                        Map.entry("ACTED The lender", 96L),
                        Map.entry("FILED", 2L),
                        Map.entry("WHOLE", 158L));
    }

    @Test
    void withoutARequestItBeginsWhenItIsMade() {
        completed();
        assertThat(hours(TimeSpent.of(history, Optional.empty())))
                .doesNotContainKey("ASKED")
                .containsEntry("WHOLE", 148L);
    }

    @Test
    void aLaterAttemptDoesNotCountWhatTheOneBeforeTook() {
        completed();
        history.remove(0);
        List<Entry> rest = List.copyOf(history);
        history.clear();
        created("A-0");
        history.addAll(rest);
        assertThat(hours(TimeSpent.of(history, Optional.of(MADE.minus(Duration.ofDays(60))))))
                .doesNotContainKey("ASKED")
                .containsEntry("WHOLE", 148L);
    }

    @Test
    void aClockThatWasPutBackMakesNothingLessThanNone() {
        completed();
        assertThat(TimeSpent.of(history, Optional.of(MADE.plus(Duration.ofHours(3)))))
                .allMatch(one -> !one.length().isNegative());
    }

    @Test
    void aPartThatWasSkippedHasNoTurnOfItsOwn() {
        created("");
        sentWithTwoAtOnce();
        happened(30, new Event.FieldsCompleted(CLERK, Map.of()));
        happened(31, new Event.Sealed(CLERK, List.of(), null));
        happened(40, new Event.PartSkipped(HEAD, ""));
        happened(40, new Event.Invited(LENDER));
        happened(41, signed(LENDER));
        happened(42, new Event.Sealed(LENDER, List.of(), null));
        happened(42, new Event.Completed(List.of(), FILE));
        assertThat(hours(TimeSpent.of(history, Optional.empty())))
                .doesNotContainKey("ACTED The head")
                .containsEntry("OUT", 17L);
    }

    @Test
    void whatIsNotCompletedHasNoTimes() {
        created("");
        assertThat(TimeSpent.of(history, Optional.empty())).isEmpty();
        sentWithTwoAtOnce();
        assertThat(TimeSpent.of(history, Optional.empty())).isEmpty();
        assertThat(InVain.of(history)).isEmpty();
        happened(960, new Event.Expired());
        assertThat(TimeSpent.of(history, Optional.empty())).isEmpty();
    }

    @Test
    void whyItCameToNothingIsToldWithWhoWasWaitedFor() {
        created("");
        sentWithTwoAtOnce();
        List<Entry> out = List.copyOf(history);
        happened(960, new Event.Expired());
        assertThat(InVain.of(history)).contains(new InVain("The clerk, The head", "", ""));
        history.clear();
        history.addAll(out);
        happened(27, new Event.Approved(HEAD));
        happened(28, new Event.Withdrawn("Not needed"), new Actor.Coordinator("nora@museum.example.org", "Nora"));
        assertThat(InVain.of(history)).contains(new InVain("The clerk", "Nora", "Not needed"));
        history.clear();
        history.addAll(out);
        happened(
                30,
                new Event.PersonChanged(
                        HEAD, new Person("Ola", "o@example.org"), Event.PersonChanged.Change.REPLACED, ""));
        happened(31, new Event.Declined(HEAD, "Too dear"));
        assertThat(InVain.of(history)).contains(new InVain("The head", "Ola", "Too dear"));
    }

    @Test
    void whatWasWithdrawnBeforeItWasSentWaitedForNobody() {
        created("");
        happened(2, new Event.Withdrawn(""), new Actor.OtherProgram("key", "Collections", ""));
        assertThat(InVain.of(history)).contains(new InVain("", "Collections", ""));
    }

    @Test
    void completedOnesCameToSomething() {
        completed();
        assertThat(InVain.of(history)).isEmpty();
    }
}
