package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import java.util.Arrays;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.PartyKey;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

class SigningFieldTypeTest {
    @Test
    void everyKindIsInTheListsThatTagsAndStoredFieldsGoBy() {
        Class<?>[] kinds = SigningFieldType.class.getPermittedSubclasses();
        assertThat(SigningFieldTypes.USUAL)
                .extracting(type -> (Object) type.getClass())
                .containsExactlyInAnyOrder((Object[]) kinds);
        JsonSubTypes stored = SigningFieldType.class.getAnnotation(JsonSubTypes.class);
        assertThat(Arrays.stream(stored.value()).map(type -> (Object) type.value()))
                .containsExactlyInAnyOrder((Object[]) kinds);
    }

    @Test
    void everyKindIsReadBackAsItWasStored() {
        for (SigningFieldType type : SigningFieldTypes.USUAL) {
            SigningField field = new SigningField("lender_x", new PartyKey("lender"), "X", type);
            String json = Json.canonical(field);
            assertThat(json).contains("\"kind\":\"" + type.kind() + "\"");
            assertThat(Json.MAPPER.readValue(json, SigningField.class)).isEqualTo(field);
        }
    }

    @Test
    void aTagsSecondWordNamesAKindAndAnyOtherAText() {
        assertThat(SigningFieldTypes.ofTag("date_signed")).isInstanceOf(SigningDatePlace.class);
        assertThat(SigningFieldTypes.ofTag("vat_number")).isEqualTo(TextPlace.USUAL);
        assertThat(SigningFieldTypes.named("text")).isEmpty();
    }

    @Test
    void eachKindPrintsWhatItIsFor() {
        PartyAct act = new PartyAct("XX 4471", "Ida Marsh \ud83c\udfbb", "23 November 2026");
        assertThat(new SignaturePlace().printed(act)).isEqualTo(new Printed.Signature());
        assertThat(new InitialsPlace().printed(act)).isEqualTo(new Printed.Mark());
        assertThat(new SigningDatePlace().printed(act)).isEqualTo(new Printed.Words("23 November 2026"));
        assertThat(new FullNamePlace().printed(act)).isEqualTo(new Printed.Words("Ida Marsh ?"));
        assertThat(TextPlace.USUAL.printed(act)).isEqualTo(new Printed.Words("XX 4471"));
    }

    @Test
    void aTextTakesWhatFitsAndCanBePrinted() {
        assertThat(TextPlace.USUAL.fault("XX 4471")).isEmpty();
        assertThat(TextPlace.USUAL.fault("x".repeat(201)))
                .hasValueSatisfying(said -> assertThat(said.toString()).contains("200"));
        assertThat(TextPlace.USUAL.fault("\u501f"))
                .hasValueSatisfying(said -> assertThat(said.toString()).contains("\u501f"));
    }

    @Test
    void aTextIsCheckedAsWhatItHasToBe() {
        TextPlace mail = new TextPlace(true, "", new BoxSize(80, 8), TextCheck.MAIL_ADDRESS, "");
        assertThat(mail.fault("ida@example.org")).isEmpty();
        assertThat(mail.fault("ida at example"))
                .hasValueSatisfying(said -> assertThat(said.code()).isEqualTo("value.mail"));
        assertThat(new TextPlace(true, "", null, TextCheck.PHONE, "").fault("12"))
                .hasValueSatisfying(said -> assertThat(said.code()).isEqualTo("value.phone"));
        assertThat(mail.fault("")).as("what may stay empty is not checked").isEmpty();
    }

    @Test
    void oneOfSeveralTakesNothingElse() {
        ChoicePlace choice = new ChoicePlace(true, "", null, java.util.List.of("by post", "by courier"), "");
        assertThat(choice.fault("by courier")).isEmpty();
        assertThat(choice.fault("")).isEmpty();
        assertThat(choice.fault("by Courier"))
                .hasValueSatisfying(said -> assertThat(said.toString()).contains("by post, by courier"));
        assertThat(choice.printed(new PartyAct("by post", "Ida Marsh", "23 November 2026")))
                .isEqualTo(new Printed.Words("by post"));
    }

    /** A tag says only that the party completes something; what form it takes is settled in the program. */
    @Test
    void aWordOfTheCoordinatorsOwnMayBeSettledToBeAnyKindThatIsAskedFor() {
        assertThat(ChoicePlace.USUAL.standsFor(TextPlace.USUAL)).isTrue();
        assertThat(ChoicePlace.USUAL.standsFor(new SignaturePlace())).isFalse();
        assertThat(new SignaturePlace().standsFor(new InitialsPlace())).isFalse();
    }

    /** What was stored before there were sizes and checks says nothing of them. */
    @Test
    void settingsThatNobodyHasChosenAreTheUsualOnes() {
        for (SigningFieldType usual : SigningFieldTypes.USUAL) {
            String stored = "{\"kind\":\"" + usual.kind() + "\",\"required\":true,\"hint\":\"\"}";
            assertThat(Json.MAPPER.readValue(
                            usual.asked() ? stored : "{\"kind\":\"" + usual.kind() + "\"}", SigningFieldType.class))
                    .isEqualTo(usual);
        }
    }

    @Test
    void fieldsOfAnEarlierVersionAreRead() {
        ObjectNode text = (ObjectNode)
                Json.MAPPER.readTree(
                        "{\"kind\":\"TEXT\",\"label\":\"Lender: vat\",\"name\":\"lender_vat\",\"party\":\"lender\",\"required\":false}");
        EarlierSigningFields.upcast(text);
        assertThat(Json.MAPPER.treeToValue(text, SigningField.class))
                .isEqualTo(new SigningField("lender_vat", new PartyKey("lender"), "vat", new TextPlace(false, "")));
        ObjectNode date = (ObjectNode)
                Json.MAPPER.readTree(
                        "{\"kind\":\"DATE_SIGNED\",\"label\":\"D\",\"name\":\"lender_date_signed\",\"party\":\"lender\",\"required\":true,\"sameAs\":\"x\"}");
        EarlierSigningFields.upcast(date);
        assertThat(Json.MAPPER.treeToValue(date, SigningField.class))
                .isEqualTo(new SigningField(
                        "lender_date_signed",
                        new PartyKey("lender"),
                        "D",
                        new SigningDatePlace(),
                        "x",
                        ShownWhen.ALWAYS));
    }
}
