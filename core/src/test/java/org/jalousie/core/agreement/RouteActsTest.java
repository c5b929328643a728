package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.Reminders;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SignaturePlace;
import org.junit.jupiter.api.Test;

class RouteActsTest {
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final PartyKey WITNESS = new PartyKey("witness");
    private static final PartyKey MUSEUM = new PartyKey("museum");
    private static final Person IDA = new Person("Ida Marsh", "ida@example.org");
    private static final Person JON = new Person("Jon Reed", "jon@example.org");
    private static final Person TOM = new Person("Tomas Vale", "tomas@example.org");

    private final List<Entry> history = new ArrayList<>();
    private Instant now = Instant.parse("2026-11-23T10:00:00Z");

    private void out(Participant... parts) {
        history.add(Sample.created(now, parts));
        List<PlacedField> places = new ArrayList<>();
        for (Participant one : parts)
            places.add(Sample.placed(
                    one.party() + "_signature", one.party().value(), new SignaturePlace(), 700 - places.size() * 60));
        does(new Command.Generate(
                agreement().revision(),
                Sample.document("w", "p", new Pages(List.of(new Pages.Size(595, 842)), places))));
        for (Participant one : parts)
            if (one.identity() == IdentityCheck.AGREED_WORD) does(new Command.AgreeWord(one.party()));
        does(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        does(new Command.SealOffice(agreement().revision(), Sample.revision("s"), CertificateId.NONE));
    }

    private static Participant part(PartyKey party, Person who, int stage, boolean optional) {
        return new Participant(
                who, party, party.value(), Duty.SIGNS, stage, optional, "", false, false, IdentityCheck.NONE);
    }

    private Agreement agreement() {
        return Agreement.of(history);
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
        assertThat(decision).as(command.toString()).isInstanceOf(Decision.Refused.class);
        return ((Decision.Refused) decision).reason().code();
    }

    private void signs(PartyKey party) {
        does(new Command.Consent(party, "en-2", Sample.file("c")));
        does(new Command.Sign(party, Map.of(), "drawn", Sample.file("m")));
        does(new Command.Seal(
                agreement().revision(), party, Sample.revision("s" + history.size()), CertificateId.NONE));
    }

    @Test
    void aCorrectionIsOfAllThatTheSamePersonStillHasToDo() {
        out(part(LENDER, IDA, 1, false), part(MUSEUM, TOM, 2, false), part(WITNESS, IDA, 3, false));
        Person right = new Person("Ida Marsh", "ida.marsh@example.org");
        assertThat(does(new Command.CorrectPerson(LENDER, right))).hasSize(2);
        assertThat(agreement().participant(WITNESS).orElseThrow().person()).isEqualTo(right);
        // what is done stays who did it
        signs(LENDER);
        assertThat(refused(new Command.CorrectPerson(LENDER, IDA))).isEqualTo("route.acted");
        does(new Command.CorrectPerson(WITNESS, IDA));
        assertThat(agreement().participant(LENDER).orElseThrow().person()).isEqualTo(right);
    }

    @Test
    void anotherPersonHasOnlyWhatIsDoneInOneAct() {
        out(part(LENDER, IDA, 1, false), part(MUSEUM, TOM, 2, false), part(WITNESS, IDA, 3, false));
        assertThat(does(new Command.ReplacePerson(LENDER, JON))).hasSize(1);
        assertThat(agreement().participant(WITNESS).orElseThrow().person()).isEqualTo(IDA);
        assertThat(agreement().nameAt(LENDER, 2)).contains("Ida Marsh");
        assertThat(agreement().nameAt(LENDER, history.size())).contains("Jon Reed");
    }

    @Test
    void whoHasTheNextPartTooIsAskedForBothAtOnce() {
        out(part(LENDER, IDA, 1, false), part(WITNESS, JON, 2, false));
        List<Event> events = does(new Command.ReplacePerson(LENDER, JON));
        assertThat(events).last().isEqualTo(new Event.Invited(WITNESS));
        assertThat(agreement().together(LENDER).parts()).hasSize(2);
    }

    @Test
    void aWordHoldsForTheSamePersonOnly() {
        Participant lender = new Participant(
                IDA, LENDER, "Lender", Duty.SIGNS, 1, false, "", false, false, IdentityCheck.AGREED_WORD);
        out(lender, part(MUSEUM, TOM, 2, false));
        does(new Command.AnswerCheck(LENDER, true));
        does(new Command.CorrectPerson(LENDER, new Person("Ida Marsh", "ida.marsh@example.org")));
        assertThat(agreement().identified(LENDER)).isFalse();
        assertThat(agreement().provingOf(LENDER).wordAgreed()).isTrue();
        does(new Command.ReplacePerson(LENDER, JON));
        assertThat(agreement().provingOf(LENDER).wordAgreed()).isFalse();
    }

    @Test
    void wrongAnswersStayCountedWhenSomebodyHandsOver() {
        Participant lender = new Participant(
                IDA, LENDER, "Lender", Duty.SIGNS, 1, false, "", false, false, IdentityCheck.MAILED_CODE);
        out(lender, part(MUSEUM, TOM, 2, false));
        for (int i = 0; i < 3; i++) does(new Command.AnswerCheck(LENDER, false));
        does(new Command.AnswerCheck(LENDER, true));
        does(new Command.HandOver(LENDER, JON, "", true));
        assertThat(agreement().provingOf(LENDER).wrong()).isEqualTo(3);
        does(new Command.ReplacePerson(LENDER, IDA));
        assertThat(agreement().provingOf(LENDER).wrong()).isZero();
        assertThat(agreement().provingOf(LENDER).digits())
                .as("as after being let go on")
                .isEqualTo(8);
    }

    @Test
    void theLastOneThatIsWaitedForIsSkipped() {
        out(part(LENDER, IDA, 1, false), part(WITNESS, JON, 2, true));
        assertThat(refused(new Command.SkipPart(LENDER, ""))).isEqualTo("skip.not-optional");
        signs(LENDER);
        does(new Command.SkipPart(WITNESS, "ill"));
        assertThat(agreement().state()).isEqualTo(State.SEALING);
        assertThat(DocumentWork.next(history, now)).contains(new DocumentWork.Finish());
        assertThat(agreement().linkHolds(WITNESS, history.size() - 1)).isFalse();
    }

    @Test
    void nobodyIsLeftToSignIsNoAgreement() {
        out(part(LENDER, IDA, 1, true));
        assertThat(refused(new Command.SkipPart(LENDER, ""))).isEqualTo("skip.nobody-signs");
    }

    @Test
    void aReturnOfAMailFromBeforeIsNoNews() {
        out(part(LENDER, IDA, 1, false));
        int invited = history.size();
        does(new Command.RenewLink(LENDER));
        assertThat(does(new Command.ReportReturn(LENDER, invited, IDA.mail(), "5.1.1", "")))
                .isEmpty();
        assertThat(does(new Command.ReportReturn(LENDER, history.size(), "other@example.org", "5.1.1", "")))
                .isEmpty();
        assertThat(does(new Command.ReportReturn(LENDER, history.size(), " IDA@example.org", "5.1.1", "")))
                .hasSize(1);
        assertThat(does(new Command.ReportReturn(LENDER, history.size(), IDA.mail(), "5.1.1", "")))
                .isEmpty();
        now = now.plus(Duration.ofDays(9));
        Chasing chasing =
                new Chasing(new ChasingTerms(Reminders.first(5, 3), 1, false), OfficeCalendar.usual(ZoneId.of("UTC")));
        assertThat(chasing.due(agreement(), now)).isEmpty();
        does(new Command.View(LENDER));
        assertThat(chasing.due(agreement(), now)).isNotEmpty();
    }

    @Test
    void whatWaitsForTheOfficeIsOneThingAtATime() {
        out(part(LENDER, IDA, 1, false), part(MUSEUM, TOM, 1, false));
        assertThat(Attention.of(agreement())).isEmpty();
        does(new Command.AskOffice(MUSEUM, "Why?"));
        int asked = history.size();
        does(new Command.ReportReturn(LENDER, asked, IDA.mail(), "5.1.1", ""));
        assertThat(Attention.of(agreement())).contains(Attention.UNDELIVERED);
        // who acts was reached, whatever came back
        signs(LENDER);
        assertThat(agreement().undelivered()).isEmpty();
        assertThat(Attention.of(agreement())).contains(Attention.ASKED);
        does(new Command.AnswerQuestion(asked, "Therefore."));
        assertThat(Attention.of(agreement())).isEmpty();
    }

    @Test
    void whoWasToldOfAnotherEndIsWarnedAnewButNotAtOnce() {
        out(part(LENDER, IDA, 1, false));
        Chasing chasing =
                new Chasing(new ChasingTerms(Reminders.NONE, 3, false), OfficeCalendar.usual(ZoneId.of("UTC")));
        LocalDate soon = LocalDate.of(2026, 11, 24);
        does(new Command.ChangeEnd(chasing.calendar().endOf(soon), soon));
        assertThat(chasing.due(agreement(), now)).as("told just now").isEmpty();
        LocalDate late = LocalDate.of(2026, 12, 18);
        does(new Command.ChangeEnd(chasing.calendar().endOf(late), late));
        assertThat(chasing.due(agreement(), now).get(LENDER).at()).isEqualTo(Instant.parse("2026-12-15T08:00:00Z"));
        assertThat(does(new Command.ChangeEnd(chasing.calendar().endOf(late), late)))
                .as("pressed twice")
                .isEmpty();
        assertThat(refused(new Command.ChangeEnd(now, soon))).isEqualTo("end.past");
    }

    @Test
    void whoHasThePartNowHasAskedNothing() {
        out(part(LENDER, IDA, 1, false));
        does(new Command.AskOffice(LENDER, "Why?"));
        int asked = history.size();
        does(new Command.CorrectPerson(LENDER, new Person("Ida Marsh", "ida.marsh@example.org")));
        assertThat(agreement().questionsOf(LENDER)).hasSize(1);
        does(new Command.ReplacePerson(LENDER, JON));
        assertThat(agreement().questionsOf(LENDER)).isEmpty();
        does(new Command.AnswerQuestion(asked, "Therefore."));
        assertThat(agreement().questions().get(0).answer()).isEqualTo(Optional.of("Therefore."));
        assertThat(refused(new Command.AnswerQuestion(asked, "Again."))).isEqualTo("question.answered");
    }

    @Test
    void handingOverIsToldInOnesOwnWords() {
        out(part(LENDER, IDA, 1, false));
        for (Map.Entry<Person, String> wrong : Map.of(
                        new Person("", "jon@example.org"), "hand-over.name-missing",
                        new Person("Jon", "jon"), "hand-over.wrong-mail",
                        new Person("Jon", " IDA@example.org "), "hand-over.to-oneself")
                .entrySet())
            assertThat(refused(new Command.HandOver(LENDER, wrong.getKey(), "", true)))
                    .isEqualTo(wrong.getValue());
        assertThat(refused(new Command.HandOver(LENDER, JON, "", false))).isEqualTo("hand-over.not-allowed");
        assertThat(refused(new Command.HandOver(MUSEUM, JON, "", true))).isEqualTo("part.none");
    }
}
