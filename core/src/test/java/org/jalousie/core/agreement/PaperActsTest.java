package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.junit.jupiter.api.Test;

/** What may happen to an agreement that is signed on paper, and when. */
class PaperActsTest {
    private static final Instant NOW = Instant.parse("2027-03-01T09:00:00Z");
    private static final Instant END = Instant.parse("2027-04-01T00:00:00Z");
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final PartyKey MUSEUM = new PartyKey("museum");
    private static final Sha256 MADE = Sha256.of(new byte[] {1});
    private static final Sha256 SEALED = Sha256.of(new byte[] {2});
    private static final Sha256 SIGNED = Sha256.of(new byte[] {3});
    private static final Sha256 SCAN = Sha256.of(new byte[] {4});

    private final List<Entry> history = new ArrayList<>();

    private static Participant part(PartyKey party, String name, String mail, Duty duty, int stage) {
        return new Participant(new Person(name, mail), party, name, duty, stage);
    }

    private void made(String lenderMail) {
        Participant lender = part(LENDER, "Ida Marsh", lenderMail, Duty.SIGNS, 1);
        Participant museum = part(MUSEUM, "Tomas Vale", "tomas@museum.example.org", Duty.SIGNS, 2);
        happened(
                new Event.Created(
                        new AgreementNumber("A-2027-0001"),
                        "Loan",
                        "Loan",
                        1,
                        "R-1",
                        Map.of(),
                        List.of(lender, museum)),
                new Event.Generated(List.of(new Document(
                        DocumentId.WORDING,
                        "Loan",
                        Document.Kind.GENERATED,
                        Optional.empty(),
                        MADE,
                        new Pages(
                                List.of(new Pages.Size(595, 842)), List.of(place(LENDER, 600), place(MUSEUM, 400)))))));
    }

    private static PlacedField place(PartyKey party, double y) {
        return new PlacedField(
                new SigningField(party + "_signature", party, "signature", new SignaturePlace(new BoxSize(60, 18))),
                1,
                70,
                y,
                150,
                40);
    }

    private void happened(Event... events) {
        for (Event one : events) history.add(new Entry(history.size() + 1, NOW, Actor.PROGRAM, one));
    }

    private Decision decide(Command command) {
        Decision decision = Decider.decide(history, command, NOW);
        if (decision instanceof Decision.Accepted accepted) accepted.events().forEach(this::happened);
        return decision;
    }

    private static String refusal(Decision decision) {
        return decision instanceof Decision.Refused refused ? refused.reason().code() : "";
    }

    private static List<Object> kinds(Decision decision) {
        return decision instanceof Decision.Accepted accepted
                ? accepted.events().stream().<Object>map(Object::getClass).toList()
                : List.of(decision);
    }

    private Command.TakeToPaper take() {
        return new Command.TakeToPaper(END, List.of());
    }

    private Command.SignOnPaper sign(int seen, String broughtBy) {
        return new Command.SignOnPaper(
                seen,
                List.of(new Revision(DocumentId.WORDING, SCAN)),
                List.of(new Event.ScannedSheet(DocumentId.WORDING, 1, SCAN, true)),
                broughtBy,
                LocalDate.of(2027, 3, 1),
                0,
                "");
    }

    private Agreement now() {
        return Agreement.of(history);
    }

    @Test
    void whatIsCheckedGoesToPaperWithoutAnybodysAddress() {
        made("");
        assertThat(Readiness.obstacles(now(), List.of())).hasSize(1);
        assertThat(kinds(decide(take()))).containsExactly(Event.Sent.class, Event.TakenToPaper.class);
        assertThat(now().onPaper()).isTrue();
        assertThat(now().paper().orElseThrow().printedAs(DocumentId.WORDING)).contains(MADE);
        assertThat(now().asked()).isEmpty();
        assertThat(DocumentWork.next(history, NOW)).isEmpty();
        assertThat(refusal(decide(take()))).isEqualTo("paper.already");
        assertThat(refusal(decide(new Command.LeavePaper()))).isEqualTo("paper.back-needs");
    }

    @Test
    void whatIsBlankOrTooLateStandsInTheWayAsAlways() {
        made("ida@lender.example.org");
        Command blank = new Command.TakeToPaper(
                END, List.of(new Blank(new org.jalousie.core.data.FieldName("loan_end"), "Loan ends")));
        assertThat(refusal(decide(blank))).isEqualTo("send.obstacle");
        assertThat(refusal(decide(new Command.TakeToPaper(NOW, List.of())))).isEqualTo("send.expiry-past");
        assertThat(now().state()).isEqualTo(State.CHECK);
    }

    @Test
    void theScanIsSealedAndFiledAndNobodyElseHasToAct() {
        made("ida@lender.example.org");
        decide(take());
        assertThat(refusal(decide(sign(1, "by post")))).isEqualTo("paper.changed");
        assertThat(refusal(decide(sign(history.size(), " ")))).isEqualTo("paper.brought-by-missing");
        assertThat(refusal(decide(sign(history.size(), "x".repeat(201))))).isEqualTo("paper.brought-by-too-long");
        decide(sign(history.size(), "by post"));
        assertThat(now().state()).isEqualTo(State.SEALING);
        assertThat(now().onPaper()).isFalse();
        assertThat(now().revisions()).containsExactly(new Revision(DocumentId.WORDING, SCAN));
        assertThat(DocumentWork.next(history, NOW)).contains(new DocumentWork.SealOffice());
        // a filing that was begun before its seal is overtaken
        assertThat(decide(new Command.Finish(now().revision(), List.of(), SCAN)))
                .isInstanceOf(Decision.Overtaken.class);
        decide(new Command.SealOffice(
                now().revision(), List.of(new Revision(DocumentId.WORDING, SEALED)), CertificateId.NONE));
        assertThat(DocumentWork.next(history, NOW)).contains(new DocumentWork.Finish());
        decide(new Command.Finish(now().revision(), List.of(new Revision(DocumentId.WORDING, SIGNED)), MADE));
        assertThat(now().state()).isEqualTo(State.COMPLETED);
        assertThat(refusal(decide(take()))).isEqualTo("paper.not-now");
        assertThat(refusal(decide(sign(history.size(), "by post")))).isEqualTo("paper.not-on-paper");
    }

    @Test
    void aSealThatWasBegunBeforeItWentToPaperIsOvertaken() {
        made("ida@lender.example.org");
        happened(new Event.Sent(END));
        int before = now().revision();
        decide(take());
        assertThat(decide(new Command.SealOffice(before, List.of(), CertificateId.NONE)))
                .isInstanceOf(Decision.Overtaken.class);
        assertThat(decide(new Command.SealOffice(now().revision(), List.of(), CertificateId.NONE)))
                .isInstanceOf(Decision.Overtaken.class);
        decide(new Command.LeavePaper());
        assertThat(DocumentWork.next(history, NOW)).contains(new DocumentWork.SealOffice());
    }

    @Test
    void backOnTheScreenWhoseTurnItIsGetsANewLink() {
        made("ida@lender.example.org");
        happened(new Event.Sent(END), new Event.OfficeSealed(List.of(new Revision(DocumentId.WORDING, SEALED)), null));
        happened(new Event.Invited(LENDER));
        decide(take());
        assertThat(refusal(decide(new Command.View(LENDER)))).isEqualTo("part.on-paper");
        assertThat(refusal(decide(new Command.Decline(LENDER, "no")))).isEqualTo("part.on-paper");
        assertThat(refusal(decide(new Command.Remind(LENDER)))).isEqualTo("route.on-paper");
        assertThat(kinds(decide(new Command.LeavePaper())))
                .containsExactly(Event.BackFromPaper.class, Event.LinkRenewed.class);
        assertThat(now().onTurn()).extracting(Participant::party).containsExactly(LENDER);
        assertThat(refusal(decide(new Command.LeavePaper()))).isEqualTo("paper.not-on-paper");
    }

    @Test
    void anActThatIsBeingSealedComesFirst() {
        made("ida@lender.example.org");
        happened(new Event.Sent(END), new Event.OfficeSealed(List.of(new Revision(DocumentId.WORDING, SEALED)), null));
        happened(new Event.Invited(LENDER), new Event.Signed(LENDER, Map.of(), "drawn", MADE));
        assertThat(refusal(decide(take()))).isEqualTo("paper.moment");
        happened(new Event.Sealed(LENDER, List.of(new Revision(DocumentId.WORDING, SIGNED)), null));
        decide(take());
        assertThat(now().paper().orElseThrow().printedAs(DocumentId.WORDING)).contains(SIGNED);
        decide(sign(history.size(), "by post"));
        Event.SignedOnPaper signed =
                (Event.SignedOnPaper) history.get(history.size() - 1).event();
        assertThat(signed.parties()).containsExactly(MUSEUM);
    }

    @Test
    void onPaperItEndsAsOnTheScreen() {
        made("ida@lender.example.org");
        decide(take());
        Decision withdrawn = Decider.decide(history, new Command.Withdraw("not now"), NOW);
        assertThat(kinds(withdrawn)).containsExactly(Event.Withdrawn.class);
        Decision late = Decider.decide(history, sign(history.size(), "by post"), END);
        assertThat(refusal(late)).isEqualTo("ended.expired");
        happened(new Event.Withdrawn("not now"));
        assertThat(refusal(decide(sign(history.size(), "by post")))).isEqualTo("paper.not-on-paper");
        assertThat(refusal(decide(new Command.LeavePaper()))).isEqualTo("paper.not-on-paper");
    }
}
