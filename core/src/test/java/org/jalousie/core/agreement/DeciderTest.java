package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.agreement.Sample.created;
import static org.jalousie.core.agreement.Sample.party;
import static org.jalousie.core.agreement.Sample.placed;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.FieldKind;
import org.jalousie.core.placement.Pages;
import org.junit.jupiter.api.Test;

class DeciderTest {
    private static final Instant START = Instant.parse("2027-03-15T09:00:00Z");
    private static final Pages PAGES = new Pages(
            List.of(new Pages.Size(595, 842)),
            List.of(
                    placed("lender_signature", "lender", FieldKind.SIGNATURE, 500),
                    placed("lender_vat", "lender", FieldKind.TEXT, 400),
                    placed("witness_signature", "witness", FieldKind.SIGNATURE, 300),
                    placed("museum_signature", "museum", FieldKind.SIGNATURE, 200),
                    placed("clerk_note", "clerk", FieldKind.TEXT, 100)));

    private final List<Entry> history = new ArrayList<>();
    private Instant now = START;

    DeciderTest() {
        history.add(created(
                START,
                party("clerk", Duty.COMPLETES, 1),
                party("head", Duty.APPROVES, 2),
                party("lender", Duty.SIGNS, 3),
                party("witness", Duty.SIGNS, 3),
                party("museum", Duty.SIGNS, 4),
                party("archive", Duty.RECEIVES_COPY, 4)));
    }

    private List<Event> does(Command command) {
        Decision decision = Decider.decide(history, command, now);
        assertThat(decision).isInstanceOf(Decision.Accepted.class);
        List<Event> events = ((Decision.Accepted) decision).events();
        events.forEach(event -> history.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event)));
        return events;
    }

    private String refused(Command command) {
        Decision decision = Decider.decide(history, command, now);
        assertThat(decision).isInstanceOf(Decision.Refused.class);
        return ((Decision.Refused) decision).reason();
    }

    private DeciderTest sent() {
        does(new Command.Generate(agreement().madeFrom(), "w", "p0", PAGES));
        does(new Command.Send(30, List.of(), history.size()));
        does(new Command.SealHouse("p0", "p1", CertificateId.NONE));
        return this;
    }

    private DeciderTest untilSigners() {
        sent();
        does(new Command.Complete("clerk", Map.of("clerk_note", "sound")));
        does(new Command.Seal("clerk", "p1", "p2", CertificateId.NONE));
        does(new Command.Approve("head"));
        return this;
    }

    private void signs(String party, Map<String, String> values) {
        does(new Command.Consent(party, "en-1", "00"));
        does(new Command.Sign(party, values, "drawn", "m"));
    }

    private Agreement agreement() {
        return Agreement.of(history);
    }

    @Test
    void theContributorComesFirstThenApproversThenSigners() {
        sent();
        assertThat(agreement().onTurn()).extracting(Participant::party).containsExactly("clerk");
        does(new Command.Complete("clerk", Map.of("clerk_note", "sound")));
        assertThat(agreement().onTurn()).isEmpty();
        does(new Command.Seal("clerk", "p1", "p2", CertificateId.NONE));
        assertThat(agreement().onTurn()).extracting(Participant::party).containsExactly("head");
        assertThat(does(new Command.Approve("head")))
                .contains(new Event.Invited("lender"), new Event.Invited("witness"));
    }

    @Test
    void theHouseCountersignsOnlyAfterAllOfTheStageBeforeHaveSigned() {
        untilSigners();
        assertThat(refused(new Command.Sign("museum", Map.of(), "drawn", "m"))).contains("not your turn");
        signs("lender", Map.of("lender_vat", "XX"));
        does(new Command.Seal("lender", "p2", "p3", CertificateId.NONE));
        assertThat(agreement().onTurn()).extracting(Participant::party).containsExactly("witness");
        signs("witness", Map.of());
        assertThat(does(new Command.Seal("witness", "p3", "p4", CertificateId.NONE)))
                .contains(new Event.Invited("museum"));
    }

    @Test
    void twoWhoSignAtTheSameMomentAreSealedOneAfterTheOther() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        signs("witness", Map.of());
        does(new Command.Seal("lender", "p2", "p3", CertificateId.NONE));
        assertThat(does(new Command.Seal("witness", "p2", "p3b", CertificateId.NONE)))
                .isEmpty();
        does(new Command.Seal("witness", "p3", "p4", CertificateId.NONE));
        assertThat(agreement().pdf()).isEqualTo("p4");
    }

    @Test
    void sealingTwiceIsTheSameAsOnce() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        does(new Command.Seal("lender", "p2", "p3", CertificateId.NONE));
        assertThat(does(new Command.Seal("lender", "p3", "p5", CertificateId.NONE)))
                .isEmpty();
    }

    @Test
    void nobodySignsTwiceOrWithoutConsentOrWithABlank() {
        untilSigners();
        assertThat(refused(new Command.Sign("lender", Map.of("lender_vat", "XX"), "drawn", "m")))
                .contains("Agree first");
        does(new Command.Consent("lender", "en-1", "00"));
        assertThat(refused(new Command.Sign("lender", Map.of(), "drawn", "m"))).contains("lender_vat is required");
        assertThat(refused(new Command.Sign("lender", Map.of("lender_vat", "X", "clerk_note", "y"), "drawn", "m")))
                .contains("not yours");
        does(new Command.Sign("lender", Map.of("lender_vat", "XX"), "drawn", "m"));
        assertThat(refused(new Command.Sign("lender", Map.of("lender_vat", "XX"), "drawn", "m")))
                .contains("already");
    }

    @Test
    void dutiesAreKeptApart() {
        sent();
        assertThat(refused(new Command.Approve("clerk"))).contains("not asked to approve");
        assertThat(refused(new Command.Consent("stranger", "en-1", "00"))).contains("no part");
    }

    @Test
    void decliningEndsItForEverybody() {
        untilSigners();
        assertThat(refused(new Command.Decline("lender", " "))).contains("why");
        does(new Command.Decline("lender", "too dear"));
        assertThat(agreement().state()).isEqualTo(State.DECLINED);
        assertThat(refused(new Command.Consent("witness", "en-1", "00"))).contains("declined");
        assertThat(refused(new Command.Withdraw("x"))).contains("ended");
    }

    @Test
    void itExpiresThirtyDaysAfterSendingEvenBeforeTheProgramNotices() {
        sent();
        now = START.plus(Duration.ofDays(30));
        assertThat(refused(new Command.Complete("clerk", Map.of("clerk_note", "x"))))
                .contains("run out");
        assertThat(does(new Command.Tick(new Reminders(5, 3)))).containsExactly(new Event.Expired());
        assertThat(does(new Command.Tick(new Reminders(5, 3)))).isEmpty();
    }

    // common practice, no source: first reminder 5 days after the invitation, then every 3
    @Test
    void remindersComeAfterFiveDaysThenEveryThreeAndOnlyToWhomItWaitsFor() {
        sent();
        now = START.plus(Duration.ofDays(5)).minusSeconds(1);
        assertThat(does(new Command.Tick(new Reminders(5, 3)))).isEmpty();
        now = START.plus(Duration.ofDays(5));
        assertThat(does(new Command.Tick(new Reminders(5, 3)))).containsExactly(new Event.ReminderSent("clerk"));
        assertThat(does(new Command.Tick(new Reminders(5, 3)))).isEmpty();
        now = START.plus(Duration.ofDays(8));
        assertThat(does(new Command.Tick(new Reminders(5, 3)))).hasSize(1);
        does(new Command.Complete("clerk", Map.of("clerk_note", "x")));
        now = START.plus(Duration.ofDays(12));
        assertThat(does(new Command.Tick(new Reminders(5, 3)))).isEmpty();
    }

    @Test
    void noDaysBetweenRemindersMeanNoRemindersAndNotOneAtEveryLook() {
        sent();
        now = START.plus(Duration.ofDays(6));
        assertThat(does(new Command.Tick(new Reminders(0, 3)))).isEmpty();
        assertThat(does(new Command.Tick(new Reminders(5, 0)))).hasSize(1);
        now = START.plus(Duration.ofDays(20));
        assertThat(does(new Command.Tick(new Reminders(5, 0)))).isEmpty();
        assertThat(new Reminders(5, 0).next(agreement())).contains(START.plus(Duration.ofDays(30)));
    }

    @Test
    void itIsKnownWhenTimeAloneNextMakesSomethingHappen() {
        Reminders reminders = new Reminders(5, 3);
        assertThat(reminders.next(agreement())).isEmpty();
        sent();
        assertThat(reminders.next(agreement())).contains(START.plus(Duration.ofDays(5)));
        now = START.plus(Duration.ofDays(6));
        does(new Command.Tick(reminders));
        assertThat(reminders.next(agreement())).contains(START.plus(Duration.ofDays(9)));
        assertThat(new Reminders(40, 40).next(agreement())).contains(START.plus(Duration.ofDays(30)));
        now = START.plus(Duration.ofDays(31));
        does(new Command.Tick(reminders));
        assertThat(reminders.next(agreement())).isEmpty();
    }

    @Test
    void nothingIsFiledBeforeEverybodyIsSealed() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        assertThat(does(new Command.Finish(history.size(), "p9", "r"))).isEmpty();
        does(new Command.Seal("lender", "p2", "p3", CertificateId.NONE));
        signs("witness", Map.of());
        does(new Command.Seal("witness", "p3", "p4", CertificateId.NONE));
        signs("museum", Map.of());
        does(new Command.Seal("museum", "p4", "p5", CertificateId.NONE));
        assertThat(does(new Command.Finish(history.size(), "p9", "r"))).containsExactly(new Event.Completed("p9", "r"));
        assertThat(agreement().state()).isEqualTo(State.COMPLETED);
    }

    @Test
    void itIsNotSentWithABlankAWrongAddressOrANameMissing() {
        does(new Command.Generate(agreement().madeFrom(), "w", "p0", PAGES));
        assertThat(refused(new Command.Send(30, List.of("Fee"), history.size())))
                .contains("Fee is blank");
        does(new Command.ChangeParticipant(party("lender", Duty.SIGNS, 3).withPerson("", "nowhere"), "Loan", false));
        assertThat(Readiness.obstacles(agreement(), List.of()))
                .anySatisfy(o -> assertThat(o).contains("no name"))
                .anySatisfy(o -> assertThat(o).contains("can't be right: nowhere"));
    }

    @Test
    void nothingThatTheRecordWouldPrintWithGapsIsSent() {
        for (String name : List.of("\u501f\u7528", "\u05d7\u05d5\u05d6\u05d4", "Loan \ud83c\udfbb")) {
            history.clear();
            history.add(new Entry(
                    1,
                    START,
                    Actor.PROGRAM,
                    new Event.Created(
                            "A-1",
                            "Loan",
                            name,
                            1,
                            "R-1",
                            Map.of(),
                            List.of(new Participant("lender", name, Duty.SIGNS, 1, name, "a@example.org")))));
            assertThat(Readiness.obstacles(agreement(), List.of()))
                    .filteredOn(o -> o.contains("can't be printed"))
                    .anySatisfy(o -> assertThat(o).startsWith(name + "\u2019s name " + name))
                    .anySatisfy(o -> assertThat(o).startsWith("The label of the party " + name))
                    .anySatisfy(o -> assertThat(o).startsWith("The template\u2019s name " + name))
                    .hasSize(3);
        }
    }

    @Test
    void fieldsThatOverlapOrHangOffThePageStandInTheWay() {
        Pages bad = new Pages(
                PAGES.sizes(),
                List.of(
                        placed("lender_signature", "lender", FieldKind.SIGNATURE, 500),
                        placed("museum_signature", "museum", FieldKind.SIGNATURE, 520),
                        placed("witness_signature", "witness", FieldKind.SIGNATURE, -5)));
        assertThat(bad.faults())
                .anySatisfy(fault -> assertThat(fault).contains("overlap on page 1"))
                .anySatisfy(fault -> assertThat(fault).contains("hangs off page 1"));
    }

    @Test
    void correctedDataMakeTheDocumentAgainAndSentOnesStay() {
        does(new Command.Generate(agreement().madeFrom(), "w", "p0", PAGES));
        does(new Command.CorrectData(Map.of("a", "2"), agreement().participants(), "Loan: B"));
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        assertThat(agreement().data()).containsEntry("a", "2");
        does(new Command.Generate(agreement().madeFrom(), "w2", "p02", PAGES));
        does(new Command.Send(30, List.of(), history.size()));
        assertThat(refused(new Command.CorrectData(Map.of(), List.of(), ""))).contains("has been sent");
    }

    @Test
    void aDocumentMadeFromOldDataIsLetGo() {
        int old = agreement().madeFrom();
        does(new Command.CorrectData(Map.of("a", "2"), agreement().participants(), "Loan: B"));
        assertThat(does(new Command.Generate(old, "w", "p0", PAGES))).isEmpty();
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        does(new Command.Generate(agreement().madeFrom(), "w2", "p02", PAGES));
        assertThat(agreement().word()).isEqualTo("w2");
    }

    @Test
    void aSealThatComesAfterTheEndInvitesNobody() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        does(new Command.Withdraw("a mistake"));
        assertThat(does(new Command.Seal("lender", "p2", "p3", CertificateId.NONE)))
                .isEmpty();
    }

    @Test
    void aSealThatComesWhenTheTimeHasRunOutEndsItInsteadOfInviting() {
        sent();
        does(new Command.Complete("clerk", Map.of("clerk_note", "x")));
        now = START.plus(Duration.ofDays(31));
        assertThat(does(new Command.Seal("clerk", "p1", "p2", CertificateId.NONE)))
                .containsExactly(new Event.Expired());
    }

    @Test
    void theTitleFollowsThePersonAndTheDocumentIsMadeAgainWhenItSaysSo() {
        does(new Command.Generate(1, "w", "p0", PAGES));
        Participant other = party("lender", Duty.SIGNS, 3).withPerson("Ann Arrow", "ann@example.org");
        does(new Command.ChangeParticipant(other, "Loan: Ann Arrow", false));
        assertThat(agreement().title()).isEqualTo("Loan: Ann Arrow");
        assertThat(agreement().state()).isEqualTo(State.CHECK);
        does(new Command.ChangeParticipant(other, "Loan: Ann Arrow", true));
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        assertThat(does(new Command.Generate(1, "w", "p0", PAGES))).isEmpty();
    }
}
