package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.ChoicePlace;
import org.jalousie.core.placement.NumberPlace;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.core.placement.TextPlace;
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
                .contains("200");
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

    private static ChoicePlace choice(String... options) {
        return new ChoicePlace(true, "", null, List.of(options), "");
    }

    private static SigningField field(String name, SigningFieldType type, ShownWhen when) {
        return new SigningField(name, new PartyKey("lender"), name, type, "", when);
    }

    private static List<String> codes(SigningField... fields) {
        return SigningFieldCheck.of(List.of(fields)).stream()
                .map(one -> one.message().code())
                .toList();
    }

    private static List<String> sentences(SigningField... fields) {
        return SigningFieldCheck.of(List.of(fields)).stream()
                .map(one -> one.message().toString())
                .toList();
    }
}
