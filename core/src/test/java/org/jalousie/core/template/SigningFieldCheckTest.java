package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.ChoicePlace;
import org.jalousie.core.placement.CopyPlace;
import org.jalousie.core.placement.NumberPlace;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.core.placement.TextPlace;
import org.jalousie.core.placement.ValueFrom;
import org.jalousie.core.placement.WorkedOutPlace;
import org.junit.jupiter.api.Test;

class SigningFieldCheckTest {
    private static final SigningField KIND = field("kind", choice("person", "company"), ShownWhen.ALWAYS);

    @Test
    void whatIsSettledWellStandsInNobodysWay() {
        assertThat(codes(KIND, field("vat", TextPlace.USUAL, new ShownWhen("kind", "company"))))
                .isEmpty();
    }

    @Test
    void answersToChooseFromAreTwoAtLeastAndDiffer() {
        assertThat(sentences(field("kind", choice(), ShownWhen.ALWAYS)))
                .singleElement()
                .asString()
                .contains("Lender: kind", "at least two");
        assertThat(sentences(field("kind", choice("a", " a "), ShownWhen.ALWAYS)))
                .singleElement()
                .asString()
                .contains("“a” stands there twice");
        assertThat(sentences(field("kind", choice("a", ""), ShownWhen.ALWAYS)))
                .singleElement()
                .asString()
                .contains("empty");
        assertThat(sentences(field("kind", choice("a", "x".repeat(201)), ShownWhen.ALWAYS)))
                .singleElement()
                .asString()
                .contains("too long for its place");
        assertThat(codes(field("kind", new ChoicePlace(true, "", null, List.of("a", "b"), "c"), ShownWhen.ALWAYS)))
                .containsExactly("publish.field-preset");
    }

    @Test
    void aConditionNamesAnotherFieldOfTheSamePartyAndAnAnswerThatItCanHave() {
        assertThat(codes(field("vat", TextPlace.USUAL, new ShownWhen("kind", ""))))
                .containsExactly("publish.field-when-gone");
        SigningField others = new SigningField("kind", new PartyKey("museum"), "kind", choice("a", "b"));
        assertThat(codes(others, field("vat", TextPlace.USUAL, new ShownWhen("kind", ""))))
                .containsExactly("publish.field-when-gone");
        assertThat(codes(
                        field("sign", new SignaturePlace(), ShownWhen.ALWAYS),
                        field("vat", TextPlace.USUAL, new ShownWhen("sign", ""))))
                .containsExactly("publish.field-when-gone");
        assertThat(sentences(KIND, field("vat", TextPlace.USUAL, new ShownWhen("kind", "firm"))))
                .singleElement()
                .asString()
                .contains("“firm”", "Kind can’t have", "person, company");
    }

    /** The page would compare what was typed, the server what it means. */
    @Test
    void nothingWaitsForOneCertainNumber() {
        SigningField number = field("count", new NumberPlace(true, "", null, "", false, "", ""), ShownWhen.ALWAYS);
        assertThat(codes(number, field("vat", TextPlace.USUAL, new ShownWhen("count", "1200"))))
                .containsExactly("publish.field-when-typed");
        assertThat(codes(number, field("vat", TextPlace.USUAL, new ShownWhen("count", ""))))
                .isEmpty();
    }

    @Test
    void nothingWaitsForItselfNorForWhatWaitsForIt() {
        assertThat(codes(field("a", TextPlace.USUAL, new ShownWhen("a", ""))))
                .containsExactly("publish.field-when-circle");
        assertThat(codes(
                        field("a", TextPlace.USUAL, new ShownWhen("b", "")),
                        field("b", TextPlace.USUAL, new ShownWhen("a", ""))))
                .containsExactly("publish.field-when-circle", "publish.field-when-circle");
    }

    @Test
    void aSignatureWaitsForNothing() {
        assertThat(codes(KIND, field("sign", new SignaturePlace(), new ShownWhen("kind", "person"))))
                .containsExactly("publish.field-when-always");
    }

    @Test
    void whatIsTakenFromElsewhereIsThereWhenThePartysTurnComes() {
        SigningField fee = field("lender_fee", NumberPlace.USUAL, ShownWhen.ALWAYS);
        SigningField later = new SigningField("museum_fee", MUSEUM, "fee", NumberPlace.USUAL);
        assertThat(codes(fee, later.from(ValueFrom.answer("lender_fee")))).isEmpty();
        assertThat(codes(fee.from(ValueFrom.answer("museum_fee")), later)).containsExactly("publish.from-answer-later");
        assertThat(codes(fee.from(ValueFrom.answer("gone")))).containsExactly("publish.from-answer-later");
        assertThat(codes(fee.from(ValueFrom.datum("value")))).isEmpty();
        assertThat(codes(fee.from(ValueFrom.datum("objects")))).containsExactly("publish.from-datum-gone");
        assertThat(codes(field("copy", new CopyPlace(), ShownWhen.ALWAYS))).containsExactly("publish.copy-of-nothing");
    }

    @Test
    void aFormulaSpeaksOfWhatIsAnsweredByThen() {
        SigningField fee = field("lender_fee", NumberPlace.USUAL, ShownWhen.ALWAYS);
        SigningField later = new SigningField("museum_fee", MUSEUM, "fee", NumberPlace.USUAL);
        assertThat(codes(fee, worked("lender_fee * 2"))).isEmpty();
        assertThat(codes(fee, later, worked("lender_fee + museum_fee"))).containsExactly("publish.formula-later");
        assertThat(codes(fee, worked("lender_fee +"))).containsExactly("publish.formula");
        assertThat(codes(fee, worked("lender_fees * 2"))).containsExactly("publish.formula");
        assertThat(sentences(worked(""))).singleElement().asString().contains("no formula yet");
    }

    @Test
    void anAnswerIsSharedWithAFieldOfTheSameKindAndParty() {
        SigningField vat = field("vat", TextPlace.USUAL, ShownWhen.ALWAYS);
        SigningField again = new SigningField("vat_2", vat.party(), "vat", TextPlace.USUAL, "vat", ShownWhen.ALWAYS);
        assertThat(codes(vat, again)).isEmpty();
        assertThat(codes(again)).containsExactly("publish.same-as-gone");
        assertThat(codes(field("vat", NumberPlace.USUAL, ShownWhen.ALWAYS), again))
                .containsExactly("publish.same-as-gone");
    }

    @Test
    void aFieldBelongsToSomebodyOfTheRoute() {
        SigningField nobodys = new SigningField("ghost_text", new PartyKey("ghost"), "text", TextPlace.USUAL);
        assertThat(codes(nobodys)).containsExactly("publish.field-of-nobody");
    }

    private static SigningField worked(String formula) {
        return field("lender_total", new WorkedOutPlace(null, formula, FieldType.NUMBER), ShownWhen.ALWAYS);
    }

    private static final PartyKey MUSEUM = new PartyKey("museum");

    private static TemplateContent content(SigningField... fields) {
        PersonSource anybody = new PersonSource.ChosenAtUse();
        return new TemplateContent(
                "en",
                List.of(
                        new Field(new FieldName("value"), FieldType.NUMBER, "Value", false, "", List.of()),
                        new Field(new FieldName("objects"), FieldType.ITEMS, "Objects", false, "", List.of())),
                List.of(
                        new Party(new PartyKey("lender"), "Lender", Duty.SIGNS, 1, anybody),
                        new Party(MUSEUM, "Museum", Duty.SIGNS, 2, anybody)),
                List.of(fields),
                new SendingSettings("", "", 30, 5, 3));
    }

    private static ChoicePlace choice(String... options) {
        return new ChoicePlace(true, "", null, List.of(options), "");
    }

    private static SigningField field(String name, SigningFieldType type, ShownWhen when) {
        return new SigningField(name, new PartyKey("lender"), name, type, "", when);
    }

    private static List<String> codes(SigningField... fields) {
        return SigningFieldCheck.of(content(fields)).stream()
                .map(one -> one.message().code())
                .toList();
    }

    private static List<String> sentences(SigningField... fields) {
        return SigningFieldCheck.of(content(fields)).stream()
                .map(one -> one.message().toString())
                .toList();
    }
}
