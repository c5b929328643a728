package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.PartyKey;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

class SigningFieldTypeTest {
    @Test
    void everyKindIsInTheListsThatTagsAndStoredFieldsGoBy() {
        Class<?>[] kinds = Arrays.stream(SigningFieldType.class.getPermittedSubclasses())
                .flatMap(one -> one.isSealed() ? Arrays.stream(one.getPermittedSubclasses()) : Stream.of(one))
                .toArray(Class<?>[]::new);
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
        PartyAct act = new PartyAct("XX 4471", "Ida Marsh \ud83c\udfbb", "23 November 2026", Locale.UK);
        assertThat(new SignaturePlace().printed(act)).isEqualTo(new Printed.Signature());
        assertThat(new InitialsPlace().printed(act)).isEqualTo(new Printed.Mark());
        assertThat(new SigningDatePlace().printed(act)).isEqualTo(new Printed.Words("23 November 2026"));
        assertThat(new FullNamePlace().printed(act)).isEqualTo(new Printed.Words("Ida Marsh \ud83c\udfbb"));
        assertThat(TextPlace.USUAL.printed(act)).isEqualTo(new Printed.Words("XX 4471"));
    }

    @Test
    void aTextTakesWhatFitsAndCanBePrinted() {
        assertThat(TextPlace.USUAL.fault("XX 4471")).isEmpty();
        assertThat(TextPlace.USUAL.fault("x".repeat(201)))
                .hasValueSatisfying(said -> assertThat(said.toString()).contains("200"));
        assertThat(TextPlace.USUAL.fault("\u501f")).isEmpty();
        assertThat(TextPlace.USUAL.fault("a\ue000"))
                .hasValueSatisfying(said -> assertThat(said.toString()).contains("\ue000"));
        // 60 mm hold some fifty letters of the smallest size
        assertThat(said(TextPlace.USUAL.fault("The museum of ".repeat(8)))).contains("too long for its place");
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
        assertThat(choice.printed(new PartyAct("by post", "Ida Marsh", "23 November 2026", Locale.UK)))
                .isEqualTo(new Printed.Words("by post"));
    }

    private static String said(java.util.Optional<org.jalousie.core.messages.Message> fault) {
        return fault.map(Object::toString).orElse("");
    }

    private static String printed(SigningFieldType type, String answer, Locale language) {
        return ((Printed.Words) type.printed(new PartyAct(answer, "Ida Marsh", "", language))).text();
    }

    @Test
    void aNumberIsReadAsItsLanguageWritesItAndKeepsItsLimits() throws ValueReader.Unreadable {
        NumberPlace place = new NumberPlace(true, "", null, "", true, "1", "1200");
        assertThat(place.taken("1.200", Typing.in(Locale.GERMANY))).isEqualTo("1200");
        assertThat(place.taken("1,200", Typing.in(Locale.UK))).isEqualTo("1200");
        assertThatThrownBy(() -> place.taken("12.5", Typing.in(Locale.GERMANY)))
                .isInstanceOf(ValueReader.Unreadable.class);
        assertThat(place.fault("1200")).isEmpty();
        assertThat(place.fault("")).isEmpty();
        assertThat(said(place.fault("1201"))).contains("1").contains("1,200");
        assertThat(said(place.fault("2.5"))).contains("whole");
        assertThat(place.fault("2.0")).isEmpty();
        assertThat(said(place.fault("many"))).isNotEmpty();
        assertThat(said(new NumberPlace(true, "", null, "", false, "-3", "").fault("-3.01")))
                .contains("at least");
        assertThat(said(new NumberPlace(true, "", null, "", false, "5", "4").limitsFault()))
                .contains("5")
                .contains("4");
        assertThat(new NumberPlace(true, "", null, "", false, "a lot", "").limitsFault())
                .isPresent();
        assertThat(new NumberPlace(true, "", null, "9", false, "", "8").presetFault())
                .isPresent();
        assertThat(said(new NumberPlace(true, "", null, "1,234", false, "", "").presetFault()))
                .contains("plain number");
        assertThat(printed(place, "1234.5", Locale.GERMANY)).isEqualTo("1.234,5");
        assertThat(printed(place, "1234.5", Locale.UK)).isEqualTo("1,234.5");
    }

    @Test
    void aDateKeepsItsLimitsAndPrintsAsTheDocumentsLanguageWritesIt() throws ValueReader.Unreadable {
        DatePlace place = new DatePlace(true, "", null, DatePlace.TODAY, "2026-11-01", "2028-02-29");
        assertThat(place.taken("2028-02-29", Typing.in(Locale.GERMANY))).isEqualTo("2028-02-29");
        assertThat(place.fault("2028-02-29")).isEmpty();
        assertThat(said(place.fault("2028-03-01"))).contains("29 February 2028");
        assertThat(said(place.fault("2026-10-31"))).contains("1 November 2026");
        assertThat(place.fault("2027-02-29")).isPresent();
        assertThat(place.presetFault()).isEmpty();
        assertThat(new DatePlace(true, "", null, "", "2028-01-01", "2027-01-01").limitsFault())
                .isPresent();
        assertThat(printed(place, "2028-02-29", Locale.FRANCE)).isEqualTo("29 février 2028");
    }

    @Test
    void manyLinesAreTakenAsLongAsTheyFit() {
        LinesPlace place = new LinesPlace(true, "", new BoxSize(60, 12), "");
        assertThat(place.fault("one\ntwo\nthree")).isEmpty();
        assertThat(said(place.fault("line\n".repeat(5)))).contains("4 lines");
        assertThat(place.fault("word ".repeat(100))).isPresent();
        assertThat(place.fault("借\nx")).isEmpty();
        assertThat(said(place.fault("\ue000\nx"))).contains("\ue000");
        assertThat(place.fault("one\r\n\ttwo")).isEmpty();
        assertThat(place.told("one\ntwo")).contains("one / two");
    }

    @Test
    void moneyIsReadAsTheLanguageWritesItAndKeptWithItsCurrency() throws Exception {
        MoneyPlace place = new MoneyPlace(true, "", null, "", "EUR", "10", "20000");
        assertThat(place.taken("1.250,50", Typing.in(Locale.GERMANY))).isEqualTo("EUR 1250.50");
        assertThat(place.taken("EUR 12", Typing.in(Locale.UK))).isEqualTo("EUR 12.00");
        assertThat(place.fault("EUR 1250.50")).isEmpty();
        assertThat(said(place.fault("EUR 9"))).contains("10");
        assertThat(said(place.fault("USD 100"))).contains("EUR");
        assertThat(place.fault("many")).isPresent();
        assertThat(printed(place, "EUR 1250.50", Locale.GERMANY))
                .contains("1.250,50")
                .contains("€");
        assertThat(new MoneyPlace(true, "", null, "", "EURO", "", "").limitsFault())
                .isPresent();
        assertThat(((MoneyPlace) place.beginning("EUR 300")).preset()).isEqualTo("300.00");
        assertThat(place.beginning("USD 300")).isEqualTo(place);
    }

    @Test
    void aTextHasALengthAndAPattern() {
        TextPlace place = new TextPlace(true, "", null, TextCheck.ANY, "", 4, 10, "@@ ####");
        assertThat(place.fault("XX 4471")).isEmpty();
        assertThat(said(place.fault("X 44719"))).contains("@@ ####");
        assertThat(place.fault("XX 447")).isPresent();
        TextPlace lengths = new TextPlace(true, "", null, TextCheck.ANY, "", 4, 10, "");
        assertThat(said(lengths.fault("abc"))).contains("4");
        assertThat(said(lengths.fault("abcdefghijk"))).contains("10");
        // a letter beyond the basic plane is one character
        assertThat(lengths.fault("\ud835\udd38bc")).isPresent();
        assertThat(place.limitsFault()).isEmpty();
        assertThat(new TextPlace(true, "", null, TextCheck.ANY, "", 0, 5, "@@ ####").limitsFault())
                .isPresent();
        assertThat(new TextPlace(true, "", null, TextCheck.ANY, "", 5, 4, "").limitsFault())
                .isPresent();
        assertThat(new TextPlace(true, "", null, TextCheck.ANY, "", 0, 400, "").limitsFault())
                .isPresent();
    }

    @Test
    void whatAFieldBeginsWithIsTakenWhenItCanBe() {
        assertThat(((NumberPlace) NumberPlace.USUAL.beginning("12.5")).preset()).isEqualTo("12.5");
        assertThat(NumberPlace.USUAL.beginning("EUR 12")).isEqualTo(NumberPlace.USUAL);
        assertThat(((TextPlace) TextPlace.USUAL.beginning("Oudehaven")).preset())
                .isEqualTo("Oudehaven");
        assertThat(TextPlace.USUAL.beginning("x".repeat(300))).isEqualTo(TextPlace.USUAL);
        assertThat(new SignaturePlace().beginning("x")).isEqualTo(new SignaturePlace());
    }

    @Test
    void aTickIsOneOrNone() {
        TickPlace place = new TickPlace(true, "", null, "I have read the house rules.");
        assertThat(place.fault("yes")).isEmpty();
        assertThat(place.fault("")).isEmpty();
        assertThat(place.fault("no")).isPresent();
        assertThat(printed(place, "yes", Locale.UK)).isEqualTo("×");
        assertThat(printed(place, "", Locale.UK)).isEmpty();
        assertThat(place.told("yes")).contains("× I have read the house rules.");
        assertThat(new TickPlace(true, "", null, "x".repeat(2001)).limitsFault())
                .isPresent();
    }

    @Test
    void aFileIsNamedByItsHashAndPrintedByItsName() {
        FilePlace place = new FilePlace(true, "", null);
        String answer = "0a".repeat(32) + " Policy 2026.pdf";
        assertThat(AttachedFile.read(answer).map(AttachedFile::answer)).contains(answer);
        assertThat(place.fault(answer)).isEmpty();
        for (String wrong : List.of("Policy.pdf", "0a".repeat(31) + " x.pdf", "0a".repeat(32), "0a".repeat(32) + "  x"))
            assertThat(place.fault(wrong)).as(wrong).isPresent();
        assertThat(place.fault("0a".repeat(32) + " " + "x".repeat(101))).isPresent();
        assertThat(printed(place, answer, Locale.UK)).isEqualTo("Policy 2026.pdf");
        assertThat(place.told(answer)).contains("Policy 2026.pdf (SHA-256 " + "0a".repeat(32) + ")");
        assertThat(place.fault(
                        "0a".repeat(32) + " Insurance of the cello and both bows, Ōta & Sons, 2026-2031, copy.pdf"))
                .as("a long name is set smaller, over several lines")
                .isEmpty();
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
