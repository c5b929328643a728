package org.jalousie.core.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.node.ObjectNode;

class RecordTermsTest {
    static RecordTerms terms() {
        return new RecordTerms(
                "Collection",
                UUID.randomUUID(),
                new RecordPlace(
                        "https://records.example.org/api",
                        "loans?status={status}",
                        "/loans",
                        "/id",
                        "loans/{id}",
                        "/status",
                        "wanted",
                        5,
                        "/record"),
                List.of(new RelatedRows("objects", "loans/{id}/objects", ""), new RelatedRows("parts", "", "/parts")),
                null,
                null,
                List.of(
                        new TakenFrom(new FieldName("lender_name"), "", "/lender/name", ""),
                        new TakenFrom(new FieldName("kind"), "", "", "loan"),
                        new TakenFrom(new FieldName("objects.title"), "objects", "/title", ""),
                        new TakenFrom(new FieldName("objects.value"), "objects", "/value", "")),
                new WrittenBack(
                        new EnumMap<>(Map.of(
                                RecordStep.RECEIVED, "received",
                                RecordStep.COMPLETED, "signed",
                                RecordStep.SENT, " ")),
                        "/agreement/number",
                        "/agreement/link",
                        "/agreement/note",
                        "loans/{id}/files/{name}",
                        "{{lender_name}}",
                        true));
    }

    /** The terms with one thing changed, by its place in their JSON. */
    private static RecordTerms with(String place, String value) {
        ObjectNode json = (ObjectNode) Json.MAPPER.readTree(Json.canonical(terms()));
        int slash = place.lastIndexOf('/');
        ((ObjectNode) Pointers.at(json, place.substring(0, slash)))
                .set(place.substring(slash + 1), Json.MAPPER.readTree(value));
        return Json.MAPPER.treeToValue(json, RecordTerms.class);
    }

    @Test
    void goodOnesHaveNoFaults() {
        assertThat(terms().faults()).isEmpty();
        assertThat(terms().back().status(RecordStep.SENT)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "/title;\"\";title",
                "/place/address;\"ftp://records.example.org\";place.address",
                "/place/address;\"https://records.example.org/api?key=1\";place.address",
                "/place/list;\"https://elsewhere.example.org/loans\";place.list",
                "/place/list;\"//elsewhere.example.org/loans\";place.list",
                "/place/list;\"\\\\\\\\elsewhere\";place.list",
                "/place/list;\"loans?status={state}\";place.list",
                "/place/one;\"loans\";place.one",
                "/place/one;\"loans/{id\";place.one",
                "/place/key;\"id\";place.key",
                "/place/key;\"\";place.key",
                "/place/status;\"\";place.status",
                "/place/wanted;\" \";place.wanted",
                "/place/everyMinutes;0;place.everyMinutes",
                "/place/everyMinutes;1441;place.everyMinutes",
                "/related/1/name;\"objects\";related.1.name",
                "/related/1/rows;\"\";related.1.rows",
                "/related/0/address;\"https://elsewhere.example.org/{id}\";related.0.address",
                "/taken/0/from;\"lender\";taken.lender_name",
                "/taken/0/field;\"kind\";taken.kind",
                "/taken/3/rows;\"parts\";taken.objects.value",
                "/taken/3/rows;\"nothing\";taken.objects.value",
                "/back/statuses;{};back.statuses.RECEIVED",
                "/back/statuses;{\"RECEIVED\":\"wanted\"};back.statuses.RECEIVED",
                "/back/number;\"/status\";back.number",
                "/back/number;\"/agreement\";back.number",
                "/back/link;\"/status/link\";back.number",
                "/back/file;\"loans/{id}/files\";back.file",
                "/back/file;\"https://elsewhere.example.org/{id}/{name}\";back.file",
                "/back/name;\"\";back.name"
            })
    void eachFaultIsToldAtItsPlace(String place, String value, String at) {
        assertThat(with(place, value).faults()).containsOnlyKeys(at);
    }

    @Test
    void addressesStayWithinTheSystem() {
        RecordPlace place = terms().place();
        assertThat(place.listAddress()).hasToString("https://records.example.org/api/loans?status=wanted");
        assertThat(place.address("../../x/y")).hasToString("https://records.example.org/api/loans/..%2F..%2Fx%2Fy");
        assertThat(place.isOwn(java.net.URI.create("https://RECORDS.example.org:443/other")))
                .isTrue();
        for (String other : List.of(
                "http://records.example.org/api", "https://records.example.org:8443/", "https://example.org/", "/x"))
            assertThat(place.isOwn(java.net.URI.create(other))).as(other).isFalse();
    }

    /** RFC 7396: what is changed is said, and nothing else. */
    @Test
    void whatIsWrittenIsAMergePatch() {
        RecordChange change =
                RecordChange.of(terms(), RecordStep.RECEIVED, "A-2026-0007", "https://x.example.org/a", "");
        assertThat(change.patch(Json.MAPPER.readTree("{}")))
                .isEqualTo(
                        "{\"agreement\":{\"number\":\"A-2026-0007\",\"link\":\"https://x.example.org/a\",\"note\":\"\"},"
                                + "\"status\":\"received\"}");
        assertThat(
                        change.isIn(
                                Json.MAPPER.readTree(
                                        "{\"more\":1,\"status\":\"received\",\"agreement\":{\"number\":\"A-2026-0007\",\"link\":\"https://x.example.org/a\"}}")))
                .isTrue();
        assertThat(change.isIn(Json.MAPPER.readTree("{\"status\":\"received\"}")))
                .isFalse();
        // a status that is a number stays one
        RecordTerms numbers = with("/back/statuses", "{\"RECEIVED\":\"40\"}");
        assertThat(RecordChange.of(numbers, RecordStep.RECEIVED, "", "", "")
                        .patch(Json.MAPPER.readTree("{\"status\":30}")))
                .isEqualTo("{\"agreement\":{\"note\":\"\"},\"status\":40}");
        // a step without a status leaves it as it is
        assertThat(RecordChange.of(terms(), RecordStep.SEEN, "", "", "").values())
                .containsOnlyKeys("/agreement/note");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "{{x}}; ;A/B C.pdf; A B C.pdf",
                "Signed/{{x}}.PDF; ;Ida; Signed/Ida.pdf",
                "../{{x}}/{{x}}; ;..; A-1.pdf",
                "{{x}}/y; ;a/b; a b/y.pdf",
                "{{x}}; annex;Ida; Ida - annex.pdf",
                "{{x}}; ;CON:<1>; CON 1.pdf"
            })
    void filesAreCalledSafely(String rule, String title, String printed, String expected) {
        UnaryOperator<String> filled = text -> text.replace("{{x}}", printed);
        assertThat(RecordFileName.of(rule, filled, title == null ? "" : title, "A-1"))
                .isEqualTo(expected);
    }
}
