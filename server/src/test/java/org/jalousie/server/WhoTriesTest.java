package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jalousie.core.agreement.Proving;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Everything that somebody may try with a link: it is refused, nothing comes of it, and the office sees that it was tried. */
class WhoTriesTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String MUSEUM = "tomas.vale@museum.example.org";
    private static final Testbed BED = Testbed.start();

    @AfterEach
    void now() {
        BED.bean(TestClock.class).ahead(Duration.ZERO);
    }

    /**
     * An agreement that is out, in which the lender shows by a mailed code who they are and completes a reference, and the
     * museum signs after or beside them.
     *
     * @param own the lender's browser
     * @param link the lender's
     */
    private record Case(Office office, Client own, String number, String link) {
        String code(Client who, String to) {
            int before = office.codes(number, LENDER).size();
            who.post(path(to, "/identity/code"), Map.of());
            return office.code(number, LENDER, before + 1);
        }

        Client.Answer shows(Client who, String code) {
            return who.post(path(link, "/identity"), Map.of("answer", code));
        }

        /** Their browser is known from here on. */
        Case shown() {
            assertThat(shows(own, code(own, link)).status()).isEqualTo(200);
            return this;
        }

        Case agreed() {
            assertThat(own.post(path(link, "/consent"), Map.of("version", "en-2"))
                            .status())
                    .isEqualTo(200);
            return this;
        }

        Client.Answer signs(Map<String, String> values) {
            return sign(own, link, values);
        }
    }

    private static Client.Answer sign(Client who, String link, Map<String, String> values) {
        String mark = Base64.getEncoder().encodeToString(SignedSample.mark(3));
        return who.post(path(link, "/signature"), Map.of("values", values, "mark", "drawn", "picture", mark));
    }

    private static String path(String link, String what) {
        return "/api/v1/signing/" + link + what;
    }

    private static Client somebody() {
        return new Client(BED.address());
    }

    private static Case out() {
        Office office = new Office(BED.address());
        JsonNode template = office.bringIn(
                "Who tries",
                new WordDraft()
                        .paragraph("A viola is lent. {{lender.reference}} {{lender.signature}} {{lender.date_signed}}")
                        .paragraph("{{museum.note}} {{museum.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode party : content.get("parties")) {
            boolean lender = party.get("key").asString().equals("lender");
            ObjectNode one = (ObjectNode) party;
            one.put("stage", 1).put("identity", lender ? "MAILED_CODE" : "NONE");
            one.set("who", lender ? Office.fixed("Ida Marsh", LENDER) : Office.fixed("Tomas Vale", MUSEUM));
        }
        ((ObjectNode) Office.signingField(content, "museum_note").get("type")).put("required", false);
        String number = office.send(office.generate(office.publish(office.settle(template, content)), Map.of()));
        return new Case(office, somebody(), number, office.link(number, LENDER));
    }

    /** What is tried, and the reason for which it is refused. */
    private record Attempt(String what, String code, BiFunction<WhoTriesTest, Case, Client.Answer> tries) {
        @Override
        public String toString() {
            return what;
        }
    }

    private static final Map<String, String> REFERENCE = Map.of("lender_reference", "PO-9");

    static Stream<Attempt> attempts() {
        return Stream.of(
                new Attempt("a link is used twice", "part.done", (test, one) -> {
                    one.shown().agreed().signs(REFERENCE);
                    return one.signs(REFERENCE);
                }),
                new Attempt("a link is used on another device", "identity.first", (test, one) -> {
                    one.shown();
                    return sign(somebody(), one.link(), REFERENCE);
                }),
                new Attempt(
                        "a link was passed on to somebody who can't read the mails",
                        "identity.first",
                        (test, one) -> somebody().get(path(one.link(), "/documents/wording.pdf"))),
                new Attempt("a link is used after the end", "identity.first", (test, one) -> {
                    one.shown().agreed();
                    one.office()
                            .client
                            .post("/api/v1/agreements/" + one.number() + "/withdrawal", Map.of("reason", "no"));
                    return one.signs(REFERENCE);
                }),
                new Attempt("a link is used that another one took the place of", "link.gone", (test, one) -> {
                    one.office().client.post("/api/v1/agreements/" + one.number() + "/people/lender/link", Map.of());
                    return one.shows(one.own(), "123456");
                }),
                new Attempt("a code is guessed", "identity.locked", (test, one) -> {
                    String right = one.code(one.own(), one.link());
                    IntStream.rangeClosed(1, Proving.MOST_WRONG)
                            .forEach(n -> one.shows(one.own(), right.equals("00000" + n) ? "999999" : "00000" + n));
                    return one.shows(one.own(), right);
                }),
                new Attempt(
                        "a code is used in another browser",
                        "identity.wrong-code",
                        (test, one) -> one.shows(somebody(), one.code(one.own(), one.link()))),
                new Attempt("a code is used again", "identity.wrong-code", (test, one) -> {
                    String first = one.code(one.own(), one.link());
                    one.shows(one.own(), first);
                    return one.shows(somebody(), first);
                }),
                new Attempt("a code is used too late", "identity.code-old", (test, one) -> {
                    String code = one.code(one.own(), one.link());
                    BED.bean(TestClock.class).ahead(Duration.ofMinutes(16));
                    return one.shows(one.own(), code);
                }),
                new Attempt(
                        "consent is left out",
                        "consent.first",
                        (test, one) -> one.shown().signs(REFERENCE)),
                new Attempt(
                        "consent is given to other words",
                        "consent.changed",
                        (test, one) ->
                                one.shown().own().post(path(one.link(), "/consent"), Map.of("version", "en-99"))),
                new Attempt(
                        "another party's field is filled",
                        "field.not-yours",
                        (test, one) -> one.shown()
                                .agreed()
                                .signs(Map.of("lender_reference", "PO-9", "museum_note", "free of charge"))),
                new Attempt(
                        "a field that doesn't exist is filled",
                        "field.not-yours",
                        (test, one) ->
                                one.shown().agreed().signs(Map.of("lender_reference", "PO-9", "insured_value", "0"))),
                new Attempt(
                        "what is required is left out",
                        "field.required",
                        (test, one) -> one.shown().agreed().signs(new HashMap<>())),
                new Attempt(
                        "the time of the act is told by the browser",
                        "field.not-yours",
                        (test, one) -> one.shown()
                                .agreed()
                                .signs(Map.of("lender_reference", "PO-9", "lender_date_signed", "1999-01-01"))));
    }

    @ParameterizedTest
    @MethodSource("attempts")
    void isRefusedAndSeen(Attempt attempt) {
        Case one = out();
        Client.Answer answer = attempt.tries().apply(this, one);
        assertThat(answer.json().path("message").path("code").asString(answer.text()))
                .as(answer.text())
                .isEqualTo(attempt.code());
        List<String> trail = one.office().trail(one.number());
        assertThat(trail.stream().filter(sentence -> sentence.contains("signed (")))
                .hasSizeLessThanOrEqualTo(attempt.code().equals("part.done") ? 1 : 0);
        JsonNode kept = one.office()
                .client
                .get("/api/v1/agreements/" + one.number() + "/refused-acts")
                .json();
        assertThat(kept.get(0).get("party").asString()).isEqualTo("Lender");
        assertThat(kept.get(0).get("sentence").asString())
                .isEqualTo(answer.json().get("detail").asString());
        assertThat(kept.get(0).get("from").asString()).startsWith("127.0.0.1");
    }

    /** What somebody sends is neither kept at any length nor keeps what they tried from being kept. */
    @Test
    void whatIsKeptStaysShortHoweverOftenItIsTried() {
        Case one = out().shown().agreed();
        for (String field : List.of("x".repeat(2_000), "a\0b", "lone \ud800 half", "plain"))
            assertThat(one.signs(Map.of("lender_reference", "PO-9", field, "y")).status())
                    .as("" + field.length())
                    .isEqualTo(409);
        JsonNode kept = one.office()
                .client
                .get("/api/v1/agreements/" + one.number() + "/refused-acts")
                .json();
        assertThat(kept).hasSize(1);
        assertThat(kept.get(0).get("times").asInt()).isEqualTo(4);
        assertThat(kept.get(0).get("sentence").asString()).contains("plain").hasSizeLessThan(310);
    }
}
