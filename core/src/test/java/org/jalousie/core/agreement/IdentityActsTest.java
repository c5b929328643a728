package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.SignaturePlace;
import org.junit.jupiter.api.Test;

class IdentityActsTest {
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final Person IDA = new Person("Ida Marsh", "ida@lender.example.org", "+44 7700 900123", "");

    private final List<Entry> history = new ArrayList<>();
    private Instant now = Instant.parse("2026-03-02T09:00:00Z");

    private void begin(IdentityCheck check, Person person) {
        history.clear();
        history.add(Sample.created(
                now,
                new Participant(person, LENDER, "Lender", Duty.SIGNS, 1).provenBy(check),
                Sample.party("museum", Duty.SIGNS, 2)));
        accepted(new Command.Generate(
                1,
                Sample.document(
                        "w",
                        "p",
                        new Pages(
                                List.of(new Pages.Size(595, 842)),
                                List.of(
                                        Sample.placed("lender_signature", "lender", new SignaturePlace(), 700),
                                        Sample.placed("museum_signature", "museum", new SignaturePlace(), 600))))));
    }

    private void out(IdentityCheck check) {
        begin(check, IDA);
        if (check == IdentityCheck.AGREED_WORD) accepted(new Command.AgreeWord(LENDER));
        accepted(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        accepted(new Command.SealOffice(agreement().revision(), Sample.revision("s"), CertificateId.NONE));
    }

    private List<Event> accepted(Command command) {
        Decision decision = Decider.decide(history, command, now);
        assertThat(decision).as(command.toString()).isInstanceOf(Decision.Accepted.class);
        List<Event> events = ((Decision.Accepted) decision).events();
        events.forEach(event -> history.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event)));
        return events;
    }

    private String refused(Command command) {
        Decision decision = Decider.decide(history, command, now);
        assertThat(decision).as(command.toString()).isInstanceOf(Decision.Refused.class);
        return ((Decision.Refused) decision).reason().code();
    }

    private Agreement agreement() {
        return Agreement.of(history);
    }

    private List<String> obstacles() {
        return Readiness.obstacles(agreement(), List.of()).stream()
                .map(Message::code)
                .toList();
    }

    @Test
    void nothingIsSeenOrDoneBeforeTheyShowWhoTheyAre() {
        for (IdentityCheck check :
                List.of(IdentityCheck.MAILED_CODE, IdentityCheck.TEXTED_CODE, IdentityCheck.AGREED_WORD)) {
            out(check);
            for (Command early : List.of(
                    new Command.View(LENDER),
                    new Command.Consent(LENDER, "en-1", Sample.file("c")),
                    new Command.Sign(LENDER, Map.of(), "drawn", Sample.file("m")),
                    new Command.Decline(LENDER, "no")))
                assertThat(refused(early)).isEqualTo("identity.first");
            if (check.byCode()) accepted(new Command.AskForCode(LENDER));
            else assertThat(refused(new Command.AskForCode(LENDER))).isEqualTo("identity.no-code");
            assertThat(accepted(new Command.AnswerCheck(LENDER, true)))
                    .containsExactly(new Event.IdentityShown(LENDER, check));
            accepted(new Command.View(LENDER));
            accepted(new Command.Consent(LENDER, "en-1", Sample.file("c")));
            accepted(new Command.Sign(LENDER, Map.of(), "drawn", Sample.file("m")));
            assertThat(refused(new Command.AnswerCheck(LENDER, true))).isEqualTo("part.done");
        }
    }

    @Test
    void theFifthWrongAnswerIsTheLastUntilTheOfficeLetsThemGoOn() {
        out(IdentityCheck.MAILED_CODE);
        assertThat(agreement().provingOf(LENDER).digits()).isEqualTo(6);
        for (int i = 1; i <= 5; i++)
            assertThat(accepted(new Command.AnswerCheck(LENDER, false)))
                    .containsExactly(new Event.IdentityDoubted(LENDER, IdentityCheck.MAILED_CODE, i == 5));
        assertThat(refused(new Command.AnswerCheck(LENDER, true))).isEqualTo("identity.locked");
        assertThat(refused(new Command.AskForCode(LENDER))).isEqualTo("identity.locked");
        assertThat(agreement().locked()).extracting(Participant::party).containsExactly(LENDER);
        accepted(new Command.LetGoOn(LENDER));
        assertThat(refused(new Command.LetGoOn(LENDER))).isEqualTo("identity.not-locked");
        // codes are longer from now on, so that the chance of all guesses together stays below 1 in 100,000
        assertThat(agreement().provingOf(LENDER).digits()).isEqualTo(8);
        accepted(new Command.AskForCode(LENDER));
        accepted(new Command.AnswerCheck(LENDER, true));
        assertThat(agreement().identified(LENDER)).isTrue();
    }

    @Test
    void whoHasShownWhoTheyAreDoesNotGetFurtherTriesByThat() {
        out(IdentityCheck.MAILED_CODE);
        for (int i = 0; i < 4; i++) accepted(new Command.AnswerCheck(LENDER, false));
        accepted(new Command.AnswerCheck(LENDER, true));
        accepted(new Command.AnswerCheck(LENDER, false));
        assertThat(refused(new Command.AnswerCheck(LENDER, true))).isEqualTo("identity.locked");
    }

    @Test
    void codesAreSentAgainByStages() {
        out(IdentityCheck.TEXTED_CODE);
        accepted(new Command.AskForCode(LENDER));
        for (int seconds : new int[] {30, 60, 300, 900, 3600, 3600}) {
            now = now.plusSeconds(seconds - 1);
            assertThat(refused(new Command.AskForCode(LENDER))).isEqualTo("identity.code-soon");
            now = now.plusSeconds(1);
            accepted(new Command.AskForCode(LENDER));
        }
    }

    @Test
    void anAgreementWaitsForTheWordAndForANumber() {
        begin(IdentityCheck.AGREED_WORD, IDA);
        assertThat(obstacles()).containsExactly("ready.no-word");
        accepted(new Command.AgreeWord(LENDER));
        assertThat(obstacles()).isEmpty();
        begin(IdentityCheck.TEXTED_CODE, new Person("Ida", "ida@lender.example.org"));
        assertThat(obstacles()).containsExactly("ready.no-phone");
        begin(IdentityCheck.TEXTED_CODE, new Person("Ida", "ida@lender.example.org", "0044 7700 900123", ""));
        assertThat(obstacles()).containsExactly("ready.wrong-phone");
    }

    @Test
    void aWordHoldsForThePersonItWasAgreedOnWith() {
        begin(IdentityCheck.AGREED_WORD, IDA);
        accepted(new Command.AgreeWord(LENDER));
        Participant lender = agreement().participant(LENDER).orElseThrow();
        accepted(new Command.CorrectData(Map.of(), agreement().participants(), ""));
        assertThat(agreement().provingOf(LENDER).wordAgreed()).isTrue();
        accepted(new Command.ChangeParticipant(lender.with(new Person("Tom", "tom@lender.example.org")), "", false));
        assertThat(agreement().provingOf(LENDER).wordAgreed()).isFalse();
    }

    @Test
    void aWordTakesThePlaceOfACodeThatDoesNotArrive() {
        out(IdentityCheck.TEXTED_CODE);
        for (int i = 0; i < 5; i++) accepted(new Command.AnswerCheck(LENDER, false));
        accepted(new Command.AgreeWord(LENDER));
        assertThat(agreement().identityCheck(LENDER)).isEqualTo(IdentityCheck.AGREED_WORD);
        assertThat(agreement().locked()).isEmpty();
        assertThat(refused(new Command.AgreeWord(new PartyKey("museum")))).isEqualTo("identity.not-asked");
        accepted(new Command.AnswerCheck(LENDER, true));
        accepted(new Command.View(LENDER));
    }

    @Test
    void onePersonShowsOnceWhoTheyAreForPartsThatAreDoneInOneAct() {
        Participant signs = new Participant(IDA, LENDER, "Lender", Duty.SIGNS, 2);
        Participant approves = new Participant(IDA, new PartyKey("owner"), "Owner", Duty.APPROVES, 1)
                .provenBy(IdentityCheck.MAILED_CODE);
        assertThat(Together.of(List.of(approves, signs), LENDER).identityCheck())
                .isEqualTo(IdentityCheck.MAILED_CODE);
        assertThat(Together.all(List.of(approves, signs.provenBy(IdentityCheck.TEXTED_CODE))))
                .as("shown in two ways, one part after the other")
                .hasSize(2);
    }

    /** The link is the signer's; the check, the number and the word are those of the part that asks for them. */
    @Test
    void whatOnePartAsksForIsAskedAndKeptThere() {
        PartyKey owner = new PartyKey("owner");
        Participant approves =
                new Participant(IDA, owner, "Owner", Duty.APPROVES, 1).provenBy(IdentityCheck.TEXTED_CODE);
        Person withoutPhone = new Person(IDA.name(), IDA.mail());
        history.add(Sample.created(now, approves, new Participant(withoutPhone, LENDER, "Lender", Duty.SIGNS, 2)));
        accepted(new Command.Generate(
                1,
                Sample.document(
                        "w",
                        "p",
                        new Pages(
                                List.of(new Pages.Size(595, 842)),
                                List.of(Sample.placed("lender_signature", "lender", new SignaturePlace(), 700))))));
        accepted(new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size()));
        accepted(new Command.SealOffice(agreement().revision(), Sample.revision("s"), CertificateId.NONE));
        assertThat(accepted(new Command.AskForCode(LENDER)))
                .containsExactly(new Event.CodeSent(owner, IdentityCheck.TEXTED_CODE));
        for (int i = 0; i < 5; i++) accepted(new Command.AnswerCheck(LENDER, false));
        assertThat(agreement().locked()).extracting(Participant::party).containsExactly(owner);
        assertThat(accepted(new Command.AgreeWord(owner))).containsExactly(new Event.WordAgreed(owner));
        accepted(new Command.AnswerCheck(LENDER, true));
        accepted(new Command.Consent(LENDER, "en-1", Sample.file("c")));
        accepted(new Command.Sign(LENDER, Map.of(), "drawn", Sample.file("m")));
        assertThat(agreement().standing(owner)).isNotEqualTo(agreement().standing(LENDER));
        assertThat(agreement().identityCheck(LENDER))
                .as("still asked for when one part is done")
                .isEqualTo(IdentityCheck.AGREED_WORD);
    }
}
