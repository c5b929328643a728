package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.agreement.Sample.chasing;
import static org.jalousie.core.agreement.Sample.created;
import static org.jalousie.core.agreement.Sample.document;
import static org.jalousie.core.agreement.Sample.file;
import static org.jalousie.core.agreement.Sample.party;
import static org.jalousie.core.agreement.Sample.placed;
import static org.jalousie.core.agreement.Sample.revision;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Named;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.ChoicePlace;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.TextPlace;
import org.junit.jupiter.api.Test;

class DeciderTest {
    private static final Instant START = Instant.parse("2027-03-15T09:00:00Z");
    private static final Pages PAGES = new Pages(
            List.of(new Pages.Size(595, 842)),
            List.of(
                    placed("lender_signature", "lender", new SignaturePlace(), 500),
                    placed("lender_vat", "lender", TextPlace.USUAL, 400),
                    placed("witness_signature", "witness", new SignaturePlace(), 300),
                    placed("museum_signature", "museum", new SignaturePlace(), 200),
                    placed("clerk_note", "clerk", TextPlace.USUAL, 100)));

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
        return ((Decision.Refused) decision).reason().toString();
    }

    private void overtaken(Command command) {
        assertThat(Decider.decide(history, command, now)).isEqualTo(new Decision.Overtaken());
    }

    private static Command generate(int basedOn, String word, String pdf) {
        return new Command.Generate(basedOn, document(word, pdf, PAGES));
    }

    private Command seal(String party, String pdf) {
        return new Command.Seal(agreement().revision(), new PartyKey(party), revision(pdf), CertificateId.NONE);
    }

    private DeciderTest sent() {
        does(generate(agreement().revision(), "w", "p0"));
        does(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        does(new Command.SealOffice(agreement().revision(), revision("p1"), CertificateId.NONE));
        return this;
    }

    private DeciderTest untilSigners() {
        sent();
        does(new Command.Complete(new PartyKey("clerk"), Map.of("clerk_note", "sound")));
        does(seal("clerk", "p2"));
        does(new Command.Approve(new PartyKey("head")));
        return this;
    }

    private void signs(String party, Map<String, String> values) {
        does(new Command.Consent(new PartyKey(party), "en-1", file("consent")));
        does(new Command.Sign(new PartyKey(party), values, "drawn", file("m")));
    }

    private Agreement agreement() {
        return Agreement.of(history);
    }

    @Test
    void theContributorComesFirstThenApproversThenSigners() {
        sent();
        assertThat(agreement().onTurn()).extracting(Participant::party).containsExactly(new PartyKey("clerk"));
        does(new Command.Complete(new PartyKey("clerk"), Map.of("clerk_note", "sound")));
        assertThat(agreement().onTurn()).isEmpty();
        does(seal("clerk", "p2"));
        assertThat(agreement().onTurn()).extracting(Participant::party).containsExactly(new PartyKey("head"));
        assertThat(does(new Command.Approve(new PartyKey("head"))))
                .contains(new Event.Invited(new PartyKey("lender")), new Event.Invited(new PartyKey("witness")));
    }

    @Test
    void theHouseCountersignsOnlyAfterAllOfTheStageBeforeHaveSigned() {
        untilSigners();
        assertThat(refused(new Command.Sign(new PartyKey("museum"), Map.of(), "drawn", file("m"))))
                .contains("not your turn");
        signs("lender", Map.of("lender_vat", "XX"));
        does(seal("lender", "p3"));
        assertThat(agreement().onTurn()).extracting(Participant::party).containsExactly(new PartyKey("witness"));
        signs("witness", Map.of());
        assertThat(does(seal("witness", "p4"))).contains(new Event.Invited(new PartyKey("museum")));
    }

    @Test
    void twoWhoSignAtTheSameMomentAreSealedOneAfterTheOther() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        signs("witness", Map.of());
        Command late = seal("witness", "p3b");
        does(seal("lender", "p3"));
        overtaken(late);
        does(seal("witness", "p4"));
        assertThat(agreement().revisions()).isEqualTo(revision("p4"));
    }

    @Test
    void sealingTwiceIsTheSameAsOnce() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        does(seal("lender", "p3"));
        overtaken(seal("lender", "p5"));
    }

    @Test
    void nobodySignsTwiceOrWithoutConsentOrWithABlank() {
        untilSigners();
        assertThat(refused(new Command.Sign(new PartyKey("lender"), Map.of("lender_vat", "XX"), "drawn", file("m"))))
                .contains("Agree first");
        does(new Command.Consent(new PartyKey("lender"), "en-1", file("consent")));
        assertThat(refused(new Command.Sign(new PartyKey("lender"), Map.of(), "drawn", file("m"))))
                .contains("Lender_vat is required");
        assertThat(refused(new Command.Sign(
                        new PartyKey("lender"), Map.of("lender_vat", "X", "clerk_note", "y"), "drawn", file("m"))))
                .contains("not yours");
        does(new Command.Sign(new PartyKey("lender"), Map.of("lender_vat", "XX"), "drawn", file("m")));
        assertThat(refused(new Command.Sign(new PartyKey("lender"), Map.of("lender_vat", "XX"), "drawn", file("m"))))
                .contains("already");
    }

    @Test
    void dutiesAreKeptApart() {
        sent();
        assertThat(refused(new Command.Approve(new PartyKey("clerk")))).contains("not asked to approve");
        assertThat(refused(new Command.Consent(new PartyKey("stranger"), "en-1", file("consent"))))
                .contains("no part");
    }

    @Test
    void decliningEndsItForEverybody() {
        untilSigners();
        assertThat(refused(new Command.Decline(new PartyKey("lender"), " "))).contains("why");
        does(new Command.Decline(new PartyKey("lender"), "too dear"));
        assertThat(agreement().state()).isEqualTo(State.DECLINED);
        assertThat(refused(new Command.Consent(new PartyKey("witness"), "en-1", file("consent"))))
                .contains("declined");
        assertThat(refused(new Command.Withdraw("x"))).contains("ended");
    }

    @Test
    void itExpiresThirtyDaysAfterSendingEvenBeforeTheProgramNotices() {
        sent();
        now = START.plus(Duration.ofDays(30));
        assertThat(refused(new Command.Complete(new PartyKey("clerk"), Map.of("clerk_note", "x"))))
                .contains("run out");
        assertThat(does(new Command.Tick(chasing(5, 3)))).containsExactly(new Event.Expired());
        assertThat(does(new Command.Tick(chasing(5, 3)))).isEmpty();
    }

    // common practice, no source: first reminder 5 days after the invitation, then every 3
    @Test
    void remindersComeAfterFiveDaysThenEveryThreeAndOnlyToWhomItWaitsFor() {
        sent();
        now = START.plus(Duration.ofDays(5)).minusSeconds(1);
        assertThat(does(new Command.Tick(chasing(5, 3)))).isEmpty();
        now = START.plus(Duration.ofDays(5));
        assertThat(does(new Command.Tick(chasing(5, 3))))
                .containsExactly(new Event.ReminderSent(new PartyKey("clerk")));
        assertThat(does(new Command.Tick(chasing(5, 3)))).isEmpty();
        now = START.plus(Duration.ofDays(8));
        assertThat(does(new Command.Tick(chasing(5, 3)))).hasSize(1);
        does(new Command.Complete(new PartyKey("clerk"), Map.of("clerk_note", "x")));
        now = START.plus(Duration.ofDays(12));
        assertThat(does(new Command.Tick(chasing(5, 3)))).isEmpty();
    }

    @Test
    void noDaysBetweenRemindersMeanNoRemindersAndNotOneAtEveryLook() {
        sent();
        now = START.plus(Duration.ofDays(6));
        assertThat(does(new Command.Tick(chasing(0, 3)))).isEmpty();
        assertThat(does(new Command.Tick(chasing(5, 0)))).hasSize(1);
        now = START.plus(Duration.ofDays(20));
        assertThat(does(new Command.Tick(chasing(5, 0)))).isEmpty();
        assertThat(chasing(5, 0).next(agreement(), now).map(Chasing.Due::at)).contains(START.plus(Duration.ofDays(30)));
    }

    @Test
    void itIsKnownWhenTimeAloneNextMakesSomethingHappen() {
        Chasing chasing = chasing(5, 3);
        assertThat(chasing.next(agreement(), now).map(Chasing.Due::at)).isEmpty();
        sent();
        assertThat(chasing.next(agreement(), now).map(Chasing.Due::at)).contains(START.plus(Duration.ofDays(5)));
        now = START.plus(Duration.ofDays(6));
        does(new Command.Tick(chasing));
        assertThat(chasing.next(agreement(), now).map(Chasing.Due::at)).contains(START.plus(Duration.ofDays(9)));
        assertThat(chasing(40, 40).next(agreement(), now).map(Chasing.Due::at))
                .contains(START.plus(Duration.ofDays(30)));
        now = START.plus(Duration.ofDays(31));
        does(new Command.Tick(chasing));
        assertThat(chasing.next(agreement(), now).map(Chasing.Due::at)).isEmpty();
    }

    @Test
    void nothingIsFiledBeforeEverybodyIsSealed() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        overtaken(new Command.Finish(agreement().revision(), revision("p9"), file("r")));
        does(seal("lender", "p3"));
        signs("witness", Map.of());
        does(seal("witness", "p4"));
        signs("museum", Map.of());
        does(seal("museum", "p5"));
        assertThat(does(new Command.Finish(agreement().revision(), revision("p9"), file("r"))))
                .containsExactly(new Event.Completed(revision("p9"), file("r")));
        assertThat(agreement().state()).isEqualTo(State.COMPLETED);
    }

    @Test
    void itIsNotSentWithABlankAWrongAddressOrANameMissing() {
        does(generate(agreement().revision(), "w", "p0"));
        assertThat(refused(new Command.Send(
                        now.plus(Duration.ofDays(30)),
                        List.of(new Blank(new FieldName("fee"), "Fee")),
                        history.size())))
                .contains("Fee is blank");
        does(new Command.ChangeParticipant(
                party("lender", Duty.SIGNS, 3).with(new Person("", "nowhere")), "Loan", false));
        assertThat(Readiness.obstacles(agreement(), List.of()))
                .extracting(Message::toString)
                .anySatisfy(o -> assertThat(o).contains("no name"))
                .anySatisfy(o -> assertThat(o).contains("can\u2019t be right: nowhere"));
    }

    @Test
    void nothingThatTheRecordWouldPrintWithGapsIsSent() {
        for (String name : List.of("\ue000\ue001", "Loan \ud83c\udfbb")) {
            history.clear();
            history.add(new Entry(
                    1,
                    START,
                    Actor.PROGRAM,
                    new Event.Created(
                            new AgreementNumber("A-1"),
                            "Loan",
                            name,
                            1,
                            "R-1",
                            Map.of(),
                            List.of(new Participant(
                                    new Person(name, "a@example.org"), new PartyKey("lender"), name, Duty.SIGNS, 1)))));
            assertThat(Readiness.obstacles(agreement(), List.of()))
                    .extracting(Message::toString)
                    .filteredOn(o -> o.contains("no font of this machine"))
                    .anySatisfy(o -> assertThat(o).startsWith(name + "\u2019s name " + name))
                    .anySatisfy(o -> assertThat(o).startsWith("The label of the party " + name))
                    .anySatisfy(o -> assertThat(o).startsWith("The template\u2019s name " + name))
                    .hasSize(3);
        }
    }

    @Test
    void namesOfEveryScriptThatTheMachineHasAreSent() {
        for (String name : List.of(
                "\u501f\u7528",
                "\u05d7\u05d5\u05d6\u05d4",
                "\u0645\u062d\u0645\u062f",
                "\u0936\u0930\u094d\u092e\u093e")) {
            history.clear();
            history.add(new Entry(
                    1,
                    START,
                    Actor.PROGRAM,
                    new Event.Created(
                            new AgreementNumber("A-1"),
                            "Loan",
                            name,
                            1,
                            "R-1",
                            Map.of(),
                            List.of(new Participant(
                                    new Person(name, "a@example.org"), new PartyKey("lender"), name, Duty.SIGNS, 1)))));
            assertThat(Readiness.obstacles(agreement(), List.of()))
                    .extracting(Message::toString)
                    .noneMatch(o -> o.contains("no font of this machine"));
        }
    }

    @Test
    void fieldsThatOverlapOrHangOffThePageStandInTheWay() {
        Pages bad = new Pages(
                PAGES.sizes(),
                List.of(
                        placed("lender_signature", "lender", new SignaturePlace(), 500),
                        placed("museum_signature", "museum", new SignaturePlace(), 520),
                        placed("witness_signature", "witness", new SignaturePlace(), -5)));
        assertThat(bad.faults())
                .extracting(Message::toString)
                .anySatisfy(fault -> assertThat(fault).contains("overlap on page 1"))
                .anySatisfy(fault -> assertThat(fault).contains("hangs off page 1"));
    }

    @Test
    void correctedDataMakeTheDocumentAgainAndSentOnesStay() {
        does(generate(agreement().revision(), "w", "p0"));
        does(new Command.CorrectData(Named.by(Map.of("a", "2")), agreement().participants(), "Loan: B"));
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        assertThat(agreement().data()).containsEntry(new FieldName("a"), "2");
        does(generate(agreement().revision(), "w2", "p02"));
        does(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        assertThat(refused(new Command.CorrectData(Map.of(), List.of(), ""))).contains("has been sent");
    }

    @Test
    void aDocumentMadeFromOldDataIsLetGo() {
        int old = agreement().revision();
        does(new Command.CorrectData(Named.by(Map.of("a", "2")), agreement().participants(), "Loan: B"));
        overtaken(generate(old, "w", "p0"));
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        does(generate(agreement().revision(), "w2", "p02"));
        assertThat(agreement().documents().get(0).word()).contains(file("w2"));
    }

    @Test
    void aSealThatComesAfterTheEndInvitesNobody() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        does(new Command.Withdraw("a mistake"));
        overtaken(seal("lender", "p3"));
    }

    @Test
    void aSealThatComesWhenTheTimeHasRunOutEndsItInsteadOfInviting() {
        sent();
        does(new Command.Complete(new PartyKey("clerk"), Map.of("clerk_note", "x")));
        now = START.plus(Duration.ofDays(31));
        assertThat(does(seal("clerk", "p2"))).containsExactly(new Event.Expired());
    }

    @Test
    void theTitleFollowsThePersonAndTheDocumentIsMadeAgainWhenItSaysSo() {
        does(generate(1, "w", "p0"));
        Participant other = party("lender", Duty.SIGNS, 3).with(new Person("Ann Arrow", "ann@example.org"));
        does(new Command.ChangeParticipant(other, "Loan: Ann Arrow", false));
        assertThat(agreement().title()).isEqualTo("Loan: Ann Arrow");
        assertThat(agreement().state()).isEqualTo(State.CHECK);
        does(new Command.ChangeParticipant(other, "Loan: Ann Arrow", true));
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        overtaken(generate(1, "w", "p0"));
    }

    @Test
    void theProgramHasOneThingToDoAtATimeAndActsAreSealedInTheirOrder() {
        assertThat(next()).contains(new DocumentWork.Generate());
        does(generate(agreement().revision(), "w", "p0"));
        assertThat(next()).isEmpty();
        does(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        assertThat(next()).contains(new DocumentWork.SealOffice());
        does(new Command.SealOffice(agreement().revision(), revision("p1"), CertificateId.NONE));
        assertThat(next()).isEmpty();
        does(new Command.Complete(new PartyKey("clerk"), Map.of("clerk_note", "sound")));
        does(seal("clerk", "p2"));
        does(new Command.Approve(new PartyKey("head")));
        signs("witness", Map.of());
        signs("lender", Map.of("lender_vat", "XX"));
        assertThat(workOn()).isEqualTo("witness");
        does(seal("witness", "p3"));
        assertThat(workOn()).isEqualTo("lender");
        does(seal("lender", "p4"));
        assertThat(next()).isEmpty();
        signs("museum", Map.of());
        assertThat(workOn()).isEqualTo("museum");
        does(seal("museum", "p5"));
        assertThat(next()).contains(new DocumentWork.Finish());
        does(new Command.Finish(agreement().revision(), revision("p6"), file("r")));
        assertThat(next()).isEmpty();
    }

    @Test
    void nothingIsDoneToTheDocumentsOfWhatHasEndedOrRunOut() {
        untilSigners();
        signs("lender", Map.of("lender_vat", "XX"));
        now = START.plus(Duration.ofDays(31));
        assertThat(next()).isEmpty();
        now = START;
        does(new Command.Withdraw("a mistake"));
        assertThat(next()).isEmpty();
    }

    private java.util.Optional<DocumentWork> next() {
        return DocumentWork.next(history, now);
    }

    private String workOn() {
        return ((DocumentWork.SealAct) next().orElseThrow()).party().value();
    }

    @Test
    void anAnswerThatItsFieldCantTakeIsNamed() {
        untilSigners();
        does(new Command.Consent(new PartyKey("lender"), "en-1", file("consent")));
        Decision decision = Decider.decide(
                history,
                new Command.Sign(new PartyKey("lender"), Map.of("lender_vat", "x".repeat(201)), "drawn", file("m")),
                now);
        assertThat(((Decision.Refused) decision).faults()).containsOnlyKeys("lender_vat");
    }

    @Test
    void whatIsAskedOnlyAtACertainAnswerIsRequiredThenAndCanNotBeGivenOtherwise() {
        SigningField vat = new SigningField(
                "clerk_vat", new PartyKey("clerk"), "vat", TextPlace.USUAL, "", new ShownWhen("clerk_kind", "company"));
        ChoicePlace kind = new ChoicePlace(true, "", null, List.of("person", "company"), "");
        List<PlacedField> all = new ArrayList<>(PAGES.fields());
        all.set(4, placed("clerk_kind", "clerk", kind, 100));
        all.add(new PlacedField(vat, 1, 300, 400, 170, 40));
        Pages pages = new Pages(PAGES.sizes(), all);
        does(new Command.Generate(agreement().revision(), document("w", "p0", pages)));
        does(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        does(new Command.SealOffice(agreement().revision(), revision("p1"), CertificateId.NONE));
        assertThat(refused(completes(Map.of("clerk_kind", "company")))).contains("Vat is required");
        assertThat(refused(completes(Map.of("clerk_kind", "firm")))).contains("mended");
        Decision stray = Decider.decide(history, completes(Map.of("clerk_kind", "person", "clerk_vat", "XX")), now);
        assertThat(((Decision.Refused) stray).faults())
                .containsExactly(Map.entry("clerk_vat", Message.of("field.not-asked")));
        assertThat(does(completes(Map.of("clerk_kind", "person", "clerk_vat", ""))))
                .isNotEmpty();
    }

    private static Command completes(Map<String, String> values) {
        return new Command.Complete(new PartyKey("clerk"), values);
    }

    @Test
    void oneActStandsInEachOfSeveralDocuments() {
        Document first = document("w", "a0", PAGES).get(0);
        Document second = new Document(
                new DocumentId("policy"),
                "Policy",
                Document.Kind.FIXED,
                java.util.Optional.empty(),
                file("b0"),
                new Pages(PAGES.sizes(), List.of(placed("lender_signature", "lender", new SignaturePlace(), 500))));
        does(new Command.Generate(agreement().revision(), List.of(first, second)));
        assertThat(agreement().fieldsOf(new PartyKey("lender")))
                .extracting(field -> field.name())
                .containsExactly("lender_signature", "lender_vat");
        does(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        List<Revision> sealed = List.of(
                new Revision(DocumentId.WORDING, file("a1")), new Revision(new DocumentId("policy"), file("b1")));
        does(new Command.SealOffice(agreement().revision(), sealed, CertificateId.NONE));
        assertThat(agreement().revisions()).isEqualTo(sealed);
        assertThat(agreement().document(new DocumentId("policy")).orElseThrow().title())
                .isEqualTo("Policy");
    }
}
