package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.PartyKey;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;

class ShownFieldsTest {
    /** The same cases are tried on the signing page, in {@code web/src/signingFields/shown.test.ts}. */
    @TestFactory
    Stream<DynamicTest> eachCase() throws IOException {
        try (InputStream file = ShownFieldsTest.class.getResourceAsStream("/shown-fields.json")) {
            List<JsonNode> cases = new ArrayList<>();
            Json.MAPPER.readTree(file).forEach(cases::add);
            assertThat(cases).hasSizeGreaterThan(10);
            return cases.stream()
                    .map(one -> DynamicTest.dynamicTest(one.get("case").asString(), () -> check(one)));
        }
    }

    private static void check(JsonNode one) {
        List<SigningField> fields = new ArrayList<>();
        one.get("fields")
                .forEach(field -> fields.add(waiting(
                        field.get("name").asString(),
                        field.path("field").asString(""),
                        field.path("answer").asString(""))));
        Map<String, String> answers = new LinkedHashMap<>();
        one.get("answers")
                .properties()
                .forEach(
                        answer -> answers.put(answer.getKey(), answer.getValue().asString()));
        List<String> shown = new ArrayList<>();
        one.get("shown").forEach(name -> shown.add(name.asString()));
        assertThat(ShownFields.among(fields, answers)).containsExactlyElementsOf(shown);
    }

    @Test
    void aConditionWithoutAFieldIsNone() {
        assertThat(new ShownWhen(" ", "yes")).isEqualTo(ShownWhen.ALWAYS);
        assertThat(new ShownWhen(null, null)).isEqualTo(ShownWhen.ALWAYS);
        assertThat(Json.MAPPER
                        .readValue(
                                "{\"name\":\"a\",\"party\":\"lender\",\"label\":\"A\",\"type\":{\"kind\":\"text\"}}",
                                SigningField.class)
                        .when())
                .as("stored before there were conditions")
                .isEqualTo(ShownWhen.ALWAYS);
    }

    @Test
    void whatWasNotAskedForIsNotMissedInTheFileNorIsItsRepetition() {
        SigningField sold = waiting("sold", "", "");
        SigningField price = waiting("price", "sold", "yes");
        SigningField again = new SigningField(
                "price_2", new PartyKey("lender"), "price", TextPlace.USUAL, "price", ShownWhen.ALWAYS);
        SigningField signature =
                new SigningField("signature", new PartyKey("lender"), "signature", new SignaturePlace());
        List<SigningField> all = List.of(sold, price, again, signature);
        List<PlacedField> places =
                all.stream().map(field -> new PlacedField(field, 1, 0, 0, 1, 1)).toList();
        assertThat(ShownFields.filledIn(places, all, Map.of("sold", "no")))
                .extracting(place -> place.field().name())
                .containsExactly("sold", "signature");
        assertThat(ShownFields.filledIn(places, all, Map.of("sold", "yes"))).hasSize(4);
    }

    static SigningField waiting(String name, String field, String answer) {
        return new SigningField(name, new PartyKey("lender"), name, TextPlace.USUAL, "", new ShownWhen(field, answer));
    }
}
