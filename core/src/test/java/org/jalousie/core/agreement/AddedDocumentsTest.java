package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.agreement.Sample.created;
import static org.jalousie.core.agreement.Sample.file;
import static org.jalousie.core.agreement.Sample.party;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.InitialsPlace;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class AddedDocumentsTest {
    static final SigningField INITIALS =
            new SigningField("lender_initials", new PartyKey("lender"), "initials", new InitialsPlace());
    private static final Instant NOW = Instant.parse("2026-11-27T10:00:00Z");
    private static final DocumentId OWN = new DocumentId("own_1");

    private final List<Entry> history = new ArrayList<>();

    @BeforeEach
    void begin() {
        history.add(created(NOW, party("lender", Duty.SIGNS, 1)));
    }

    private Decision step(Command command) {
        Decision decision = Decider.decide(history, command, NOW);
        if (decision instanceof Decision.Accepted accepted)
            accepted.events().forEach(event -> {
                Entry entry = new Entry(history.size() + 1, NOW, Actor.PROGRAM, event);
                // as it is stored and read again
                history.add(
                        EventChain.read(EventChain.link(EventChain.START, entry).json()));
            });
        return decision;
    }

    private Agreement agreement() {
        return Agreement.of(history);
    }

    private static Command bring(DocumentId id, String title) {
        return new Command.BringDocument(
                new AddedDocument(id, title, Document.Kind.FIXED, file(title), file("as it came")));
    }

    private static GivenPlace place(double left) {
        return new GivenPlace(INITIALS, new Spot.OnPage(1, left, 20));
    }

    private void made(List<String> awaited) {
        step(new Command.Generate(
                agreement().revision(), Sample.document("w", "p", new Pages(List.of(), List.of())), awaited));
    }

    @Test
    void whatAnAgreementBringsMakesItsDocumentsAnew() {
        made(List.of());
        int before = agreement().revision();
        step(bring(OWN, "Report"));
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        assertThat(agreement().added()).extracting(AddedDocument::title).containsExactly("Report");
        assertThat(step(new Command.Generate(before, List.of()))).isInstanceOf(Decision.Overtaken.class);
        step(bring(OWN, "Newer report"));
        assertThat(agreement().added()).extracting(AddedDocument::title).containsExactly("Newer report");
    }

    @Test
    void whatIsTakenOutTakesItsPlacesAlong() {
        step(bring(OWN, "Report"));
        step(new Command.GivePlace(OWN, place(20), true));
        step(new Command.TakeOutDocument(OWN));
        assertThat(agreement().added()).isEmpty();
        assertThat(agreement().given()).isEmpty();
        assertThat(step(new Command.TakeOutDocument(OWN))).isInstanceOf(Decision.Refused.class);
    }

    @Test
    void aPlaceIsMovedUnderItsNameAndAnotherOneGetsItsOwn() {
        step(bring(OWN, "Report"));
        step(new Command.GivePlace(OWN, place(20), true));
        step(new Command.GivePlace(OWN, place(60), true));
        step(new Command.GivePlace(OWN, place(90), false));
        assertThat(agreement().given().get(OWN))
                .extracting(one -> one.field().name(), GivenPlace::spot)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("lender_initials_p2", new Spot.OnPage(1, 60, 20)),
                        org.assertj.core.groups.Tuple.tuple("lender_initials", new Spot.OnPage(1, 90, 20)));
        step(new Command.TakePlace(OWN, "lender_initials"));
        assertThat(agreement().given().get(OWN)).hasSize(1);
        assertThat(step(new Command.TakePlace(OWN, "lender_initials"))).isInstanceOf(Decision.Refused.class);
    }

    static ChangedWording changed(int paragraphs) {
        ChangedWording.ChangedParagraph one = new ChangedWording.ChangedParagraph(List.of(
                new ChangedWording.ChangedPiece(ChangedWording.Fate.KEPT, "Kept "),
                new ChangedWording.ChangedPiece(ChangedWording.Fate.STRUCK, "dry"),
                new ChangedWording.ChangedPiece(ChangedWording.Fate.PUT_IN, "cool")));
        return new ChangedWording(
                file("own wording"), Map.of("policy", file("own clause")), Collections.nCopies(paragraphs, one));
    }

    private Decision change(int basedOn, int paragraphs) {
        return step(new Command.ChangeWording(basedOn, DocumentId.WORDING, changed(paragraphs)));
    }

    @Test
    void otherWordsMakeTheDocumentsAnewAndAreTakenBackWithAll() {
        made(List.of());
        int before = agreement().revision();
        assertThat(change(before, 2)).isInstanceOf(Decision.Accepted.class);
        assertThat(agreement().state()).isEqualTo(State.GENERATING);
        assertThat(agreement().changed()).containsExactly(Map.entry(DocumentId.WORDING, changed(2)));
        assertThat(change(before, 1)).as("changed on pages that were another's").isInstanceOf(Decision.Refused.class);
        made(List.of());
        assertThat(Readiness.warnings(agreement()))
                .extracting(Object::toString)
                .anySatisfy(
                        warning -> assertThat(warning).contains("2 paragraphs").contains("differ from the template"));
        change(agreement().revision(), 0);
        assertThat(agreement().changed()).isEmpty();
        int length = agreement().length();
        change(agreement().revision(), 0);
        assertThat(agreement().length()).as("nothing to take back").isEqualTo(length);
    }

    private static ChangedWording.ChangedPiece piece(ChangedWording.Fate fate, String text) {
        return new ChangedWording.ChangedPiece(fate, text);
    }

    @Test
    void changesWithABlankBetweenThemAreReadAsOne() {
        ChangedWording.Fate kept = ChangedWording.Fate.KEPT;
        ChangedWording.Fate struck = ChangedWording.Fate.STRUCK;
        ChangedWording.Fate put = ChangedWording.Fate.PUT_IN;
        assertThat(ChangedWording.ChangedParagraph.of(List.of(
                                piece(kept, "until"),
                                piece(kept, " "),
                                piece(struck, "or"),
                                piece(put, "at"),
                                piece(kept, " "),
                                piece(struck, "longer"),
                                piece(put, "the latest"),
                                piece(kept, " "),
                                piece(kept, "then")))
                        .pieces())
                .containsExactly(
                        piece(kept, "until"),
                        piece(kept, " "),
                        piece(struck, "or longer"),
                        piece(put, "at the latest"),
                        piece(kept, " "),
                        piece(kept, "then"));
        assertThat(ChangedWording.ChangedParagraph.of(List.of(piece(put, "new"), piece(kept, " ")))
                        .pieces())
                .containsExactly(piece(put, "new"), piece(kept, " "));
    }

    @Test
    void aFileThatStandsInHasNoneOfTheChangedWords() {
        made(List.of());
        change(agreement().revision(), 1);
        step(bring(DocumentId.WORDING, "As signed elsewhere"));
        assertThat(agreement().changed()).isEmpty();
    }

    @Test
    void aFinishedFileComesWithItsPlacesAndNotAfterSending() {
        AddedDocument finished =
                new AddedDocument(DocumentId.WORDING, "Loan", Document.Kind.FIXED, file("pages"), file("as it came"));
        step(new Command.BringFinished(finished, List.of(place(20))));
        assertThat(agreement().added()).containsExactly(finished);
        assertThat(agreement().given()).containsEntry(DocumentId.WORDING, List.of(place(20)));
        step(new Command.TakeOutDocument(DocumentId.WORDING));
        assertThat(agreement().given()).as("its places go with it").isEmpty();
        step(new Command.Withdraw("no longer wanted"));
        assertThat(step(new Command.BringFinished(finished, List.of()))).isInstanceOf(Decision.Refused.class);
    }

    @Test
    void anAgreementWaitsForWhatIsToCome() {
        made(List.of("Condition report"));
        assertThat(Readiness.obstacles(agreement(), List.of()))
                .contains(Message.of("ready.document-awaited", "title", "Condition report"));
        step(bring(OWN, "Condition report"));
        made(List.of());
        assertThat(Readiness.obstacles(agreement(), List.of()))
                .extracting(Message::code)
                .doesNotContain("ready.document-awaited");
    }

    @Test
    void thereIsAnEndToHowManyItBrings() {
        for (int i = 0; i < AddedDocuments.MOST; i++) step(bring(new DocumentId("own_" + i), "Report " + i));
        assertThat(step(bring(new DocumentId("own_more"), "One more"))).isInstanceOf(Decision.Refused.class);
    }
}
