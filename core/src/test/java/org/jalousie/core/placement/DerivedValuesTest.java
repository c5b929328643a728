package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.parties.PartyKey;
import org.junit.jupiter.api.Test;

class DerivedValuesTest {
    private static final SigningField FEE = field("lender_fee", MoneyPlace.USUAL);
    private static final SigningField POSTAGE = field("lender_postage", MoneyPlace.USUAL);
    private static final SigningField FROM = field("lender_from", DatePlace.USUAL);
    private static final SigningField UNTIL = field("lender_until", DatePlace.USUAL);

    private static SigningField field(String name, SigningFieldType type) {
        return new SigningField(name, new PartyKey("lender"), name, type);
    }

    private static SigningField worked(String name, String formula, FieldType gives) {
        return field(name, new WorkedOutPlace(null, formula, gives));
    }

    private static Map<String, String> of(List<SigningField> fields, Map<String, String> answers) {
        return DerivedValues.of(fields, fields, answers, Locale.GERMANY);
    }

    @Test
    void sumsDifferencesAndDaysAreWorkedOut() {
        SigningField total = worked("lender_total", "lender_fee + lender_postage", FieldType.MONEY);
        SigningField days = worked("lender_days", "lender_until - lender_from", FieldType.NUMBER);
        // 2028 is a leap year: from 28 February to 1 March are two days
        assertThat(of(
                        List.of(FEE, POSTAGE, FROM, UNTIL, total, days),
                        Map.of(
                                "lender_fee", "EUR 1250.10",
                                "lender_postage", "EUR 0.20",
                                "lender_from", "2028-02-28",
                                "lender_until", "2028-03-01")))
                .containsExactlyInAnyOrderEntriesOf(Map.of("lender_total", "EUR 1250.30", "lender_days", "2"));
        assertThat(total.type().printed(new PartyAct("EUR 1250.30", "", "", Locale.GERMANY)))
                .hasToString("Words[text=1.250,30\u00a0\u20ac]");
    }

    @Test
    void oneFormulaStandsOnAnotherAndWhatIsMissingGivesNothing() {
        SigningField twice = worked("lender_twice", "lender_total * 2", FieldType.NUMBER);
        SigningField total = worked("lender_total", "lender_number + 1", FieldType.NUMBER);
        SigningField number = field("lender_number", NumberPlace.USUAL);
        assertThat(of(List.of(twice, total, number), Map.of("lender_number", "20")))
                .containsEntry("lender_twice", "42");
        assertThat(of(List.of(twice, total, number), Map.of())).isEmpty();
        assertThat(of(List.of(total, number), Map.of("lender_number", "many"))).isEmpty();
    }

    @Test
    void aFormulaSpeaksOfAFileByItsName() {
        SigningField policy = field("lender_policy", FilePlace.USUAL);
        SigningField said = worked("lender_said", "\"See \" + lender_policy", FieldType.TEXT);
        assertThat(of(List.of(policy, said), Map.of("lender_policy", "0a".repeat(32) + " Policy.pdf")))
                .containsEntry("lender_said", "See Policy.pdf");
    }

    @Test
    void aFieldThatTheAgreementGoesWithoutIsBlankInAFormula() {
        SigningField total =
                worked("lender_total", "lender_fee + (if lender_gone = null then 0 else lender_gone)", FieldType.MONEY);
        assertThat(of(List.of(FEE, total), Map.of("lender_fee", "EUR 5.00"))).containsEntry("lender_total", "EUR 5.00");
        assertThat(DerivedValues.faults(List.of(FEE, total))).containsKey("lender_total");
    }

    @Test
    void copiesShowWhatEarlierPartiesAnsweredAndDataAsTheyPrint() {
        SigningField museum = new SigningField("museum_fee", new PartyKey("museum"), "fee", new CopyPlace())
                .from(ValueFrom.answer("lender_fee"));
        SigningField value = field("lender_value", new CopyPlace())
                .from(ValueFrom.datum("insured_value").holding("EUR 12500", "12.500,00 \u20ac"));
        assertThat(of(List.of(FEE, museum, value), Map.of("lender_fee", "EUR 1250")))
                .containsEntry("museum_fee", "1.250,00\u00a0\u20ac")
                .containsEntry("lender_value", "12.500,00 \u20ac");
        assertThat(of(List.of(FEE, museum), Map.of())).isEmpty();
    }

    @Test
    void aFieldBeginsWithADatumOrAnAnswer() {
        SigningField again = FEE.from(ValueFrom.answer("lender_postage"));
        assertThat(DerivedValues.begins(again, Map.of("lender_postage", "EUR 3")))
                .isEqualTo("EUR 3");
        assertThat(DerivedValues.begins(FEE.from(ValueFrom.datum("x").holding("EUR 4", "")), Map.of()))
                .isEqualTo("EUR 4");
        assertThat(DerivedValues.begins(FEE, Map.of())).isEmpty();
    }
}
