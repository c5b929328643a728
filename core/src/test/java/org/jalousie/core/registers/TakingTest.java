package org.jalousie.core.registers;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TakingTest {
    private static FieldName name(String name) {
        return new FieldName(name);
    }

    private static Field field(String name, FieldType type, Field... items) {
        return new Field(name(name), type, name, false, "", List.of(), List.of(items));
    }

    private static RegisterColumn column(String name, FieldType type, String related) {
        return new RegisterColumn(field(name, type), false, related);
    }

    private static final RegisterTerms LENDERS = new RegisterTerms(
            "Lenders",
            List.of(
                    column("code", FieldType.TEXT, ""),
                    column("name", FieldType.NAME, ""),
                    column("fee", FieldType.MONEY, ""),
                    column("since", FieldType.DATE, ""),
                    column("house", FieldType.TEXT, "houses")),
            name("code"),
            List.of(name("name")));

    private static Taking.Row lender(Map<String, String> values) {
        Map<FieldName, String> raw = new HashMap<>();
        values.forEach((key, value) -> raw.put(name(key), value));
        return new Taking.Row(LENDERS, "Ida Marsh", raw, Map.of(name("house"), "Harbour House"));
    }

    private static Lookup lookup(String... fills) {
        List<Lookup.Fill> all = new ArrayList<>();
        for (int i = 0; i < fills.length; i += 2) all.add(new Lookup.Fill(name(fills[i]), name(fills[i + 1])));
        return new Lookup("lenders", all, List.of());
    }

    @Test
    void dataStayWhatTheyAreAndPrintWhereTextIsAskedFor() {
        Taking taking = new Taking(
                List.of(
                        field("lender", FieldType.TEXT),
                        field("signer", FieldType.NAME),
                        field("fee", FieldType.MONEY),
                        field("fee_words", FieldType.TEXT),
                        field("since", FieldType.LONG_TEXT),
                        field("house", FieldType.TEXT)),
                Locale.GERMANY);
        Map<FieldName, String> answers = taking.answers(
                name("lender"),
                lookup("name", "signer", "fee", "fee", "fee", "fee_words", "since", "since", "house", "house"),
                lender(Map.of("name", "Marsh;Ida;;;", "fee", "EUR 1250.50", "since", "2027-03-15", "house", "id")),
                List.of());

        assertThat(answers)
                .containsEntry(name("lender"), "Ida Marsh")
                .containsEntry(name("signer"), "Marsh;Ida;;;")
                .containsEntry(name("fee"), "EUR 1250.50")
                .containsEntry(name("house"), "Harbour House");
        assertThat(answers.get(name("fee_words"))).contains("1.250,50");
        assertThat(answers.get(name("since"))).contains("15").contains("2027").doesNotContain("2027-03-15");
    }

    @Test
    void whatTheRowDoesNotSayEmptiesItsAnswerSoThatNothingOfAnotherRowStays() {
        Taking taking = new Taking(List.of(field("fee", FieldType.MONEY)), Locale.UK);

        assertThat(taking.answers(name("fee"), lookup("fee", "fee"), lender(Map.of()), List.of()))
                .containsExactly(Map.entry(name("fee"), ""));
    }

    @Test
    void columnsAndFieldsThatAreGoneFillNothing() {
        Taking taking = new Taking(List.of(field("fee", FieldType.MONEY)), Locale.UK);

        assertThat(taking.answers(
                        name("fee"),
                        lookup("gone", "fee", "fee", "nowhere"),
                        lender(Map.of("fee", "EUR 1.00")),
                        List.of()))
                .isEmpty();
    }

    @Test
    void rowsThatNameItBecomeItemsInTheirOrder() {
        RegisterTerms things = new RegisterTerms(
                "Things",
                List.of(column("number", FieldType.TEXT, ""), column("title", FieldType.TEXT, "")),
                name("number"),
                List.of());
        Lookup lookup = new Lookup(
                "lenders",
                List.of(),
                List.of(new Lookup.Rows(
                        "things",
                        name("owner"),
                        name("objects"),
                        List.of(new Lookup.Fill(name("title"), name("what"))))));
        Taking taking = new Taking(
                List.of(
                        field("lender", FieldType.TEXT),
                        field("objects", FieldType.ITEMS, field("what", FieldType.TEXT))),
                Locale.UK);
        List<Taking.Row> rows = List.of(
                new Taking.Row(things, "Viola", Map.of(name("title"), "Viola \"1790\""), Map.of()),
                new Taking.Row(things, "Harp", Map.of(name("title"), "Harp"), Map.of()));

        String items = taking.answers(name("lender"), lookup, lender(Map.of()), List.of(rows))
                .get(name("objects"));

        assertThat(Json.MAPPER.readTree(items))
                .extracting(one -> one.get("what").asString())
                .containsExactly("Viola \"1790\"", "Harp");
        assertThat(taking.answers(name("lender"), lookup, lender(Map.of()), List.of(List.of()))
                        .get(name("objects")))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "MONEY,MONEY,true", "MONEY,TEXT,true", "TEXT,MONEY,true", "DATE,MONEY,false", "PICTURE,TEXT,false",
        "PICTURE,PICTURE,true", "TEXT,FILE,false", "TEXT,ITEMS,false", "NUMBER,DATE,false", "CHOICE,CHOICE,true"
    })
    void aColumnGoesWhereItsDataCanBeRead(FieldType column, FieldType answer, boolean fits) {
        assertThat(Taking.fits(column("x", column, ""), answer)).isEqualTo(fits);
    }

    @Test
    void whatNamesARowGoesIntoTextsAlone() {
        assertThat(Taking.fits(column("house", FieldType.TEXT, "houses"), FieldType.TEXT))
                .isTrue();
        assertThat(Taking.fits(column("house", FieldType.TEXT, "houses"), FieldType.NUMBER))
                .isFalse();
    }
}
