package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.intake.Errand;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Forms that are shared by a link: who is let in, what is taken, who is told, and how robots are held off. */
class AskTest {
    private static final AtomicInteger PEOPLE = new AtomicInteger();
    private static final Pattern SECRET = Pattern.compile("/(?:asked/|ask/[^?\\s]+\\?go=)([A-Za-z0-9_-]{43})");

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final Client anybody = new Client(bed.address());
    /** Somebody else in each test: nobody gets many mails by forms. */
    private final String mail = "asker." + PEOPLE.incrementAndGet() + "." + System.nanoTime() + "@lender.example.org";

    private static byte[] wording() {
        return new WordDraft()
                .paragraph("{{lender_name}} lends {{thing}} worth {{insured_value}}. Ours: {{our_code}}")
                .paragraph("{{lender.signature}} {{museum.signature}}")
                .bytes();
    }

    /** @param release when it goes out: CHECKED or AT_ONCE */
    private String template(String release) {
        JsonNode draft = office.bringIn("Asked for", wording());
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        for (JsonNode field : content.get("fields")) {
            if (field.get("name").asString().equals("insured_value")) ((ObjectNode) field).put("type", "MONEY");
            if (field.get("name").asString().equals("our_code"))
                ((ObjectNode) field).put("initial", "K-77").put("required", false);
        }
        ArrayNode questions =
                content.putObject("layout").putArray("sections").addObject().putArray("questions");
        questions.addObject().put("field", "our_code").put("visibility", "HIDDEN");
        content.withObject("layout")
                .putObject("words")
                .putObject("nl")
                .put("Our code", "Ons kenmerk")
                .put("Thing", "Voorwerp");
        for (JsonNode party : content.get("parties"))
            if (party.get("key").asString().equals("museum"))
                ((ObjectNode) party).set("who", Office.fixed("Tomas Vale", "tomas.vale@museum.example.org"));
        ((ObjectNode) content.get("sending")).put("release", release);
        return office.publish(office.settle(draft, content));
    }

    private static Map<String, Object> terms() {
        Map<String, Object> terms = new HashMap<>();
        terms.put("frames", List.of());
        terms.put("thanks", "");
        terms.put("then", "THANKS");
        terms.put("document", true);
        terms.put("wording", true);
        terms.put("askerName", "lender_name");
        terms.put("askerMail", "lender_mail");
        terms.put("officeMail", "");
        return terms;
    }

    private JsonNode share(String template, Map<String, Object> terms, Map<String, Object> more) {
        Map<String, Object> body = new HashMap<>(Map.of("template", template, "title", "Lend us something"));
        body.put("terms", terms);
        body.putAll(more);
        Client.Answer shared = office.client.post("/api/v1/form-links", body);
        assertThat(shared.status()).as(shared.text()).isEqualTo(201);
        return shared.json();
    }

    private static String token(JsonNode link) {
        String address = link.get("address").asString();
        return address.substring(address.lastIndexOf('/') + 1);
    }

    private Map<String, String> answers() {
        return new HashMap<>(Map.of(
                "lender_name", "Ida Marsh", "thing", "a viol", "insured_value", "EUR 1200", "lender_mail", mail));
    }

    /** An errand that was given out a while ago, done. */
    private Map<String, Object> form(String token, Map<String, String> values) {
        UUID key = UUID.randomUUID();
        String secret = bed.bean(JdbcClient.class)
                .sql("select secret from form_link where token = ?")
                .param(token)
                .query(String.class)
                .single();
        String errand =
                new Errand(key, Instant.now().minusSeconds(60)).written(secret.getBytes(StandardCharsets.US_ASCII));
        Map<String, Object> form = new HashMap<>();
        form.put("key", key);
        form.put("values", values);
        form.put("people", Map.of());
        form.put("asker", Map.of("name", "", "mail", ""));
        form.put("language", "en-GB");
        form.put("access", "");
        form.put("answers", "");
        form.put("errand", errand);
        form.put("found", Errand.done(errand));
        form.put("website", "");
        return form;
    }

    private Client.Answer handIn(String token, Map<String, Object> form) {
        return anybody.post("/api/v1/ask/" + token, form);
    }

    private static String code(Client.Answer answer) {
        return answer.json().get("message").get("code").asString();
    }

    private String mailTo(String recipient, String about) {
        return Wait.until("a mail to " + recipient, () -> office.mailTo(about, recipient, ""));
    }

    private static String secretIn(String text) {
        Matcher found = SECRET.matcher(text);
        assertThat(found.find()).as(text).isTrue();
        return found.group(1);
    }

    @Test
    void anybodyFillsAnOpenFormAndBothSidesAreTold() {
        Map<String, Object> terms = terms();
        String desk = "desk." + System.nanoTime() + "@museum.example.org";
        terms.put("officeMail", desk);
        String token = token(share(template("CHECKED"), terms, Map.of()));
        JsonNode page = anybody.get("/api/v1/ask/" + token).json();
        assertThat(page.get("state").asString()).isEqualTo("OPEN");
        assertThat(page.toString())
                .as("what the form doesn't show is told to nobody")
                .doesNotContain("our_code", "K-77");

        Map<String, String> values = answers();
        values.put("our_code", "forged");
        Client.Answer taken = handIn(token, form(token, values));
        assertThat(taken.status()).as(taken.text()).isEqualTo(201);
        String number = taken.json().get("number").asString();
        JsonNode request = office.client.get("/api/v1/requests/" + number).json();
        assertThat(request.get("values").get("our_code").asString()).isEqualTo("K-77");
        assertThat(request.get("row").get("createdBy").asString()).isEqualTo("Ida Marsh");

        String confirmation = mailTo(mail, number);
        assertThat(confirmation).as("nobody is told what they were not asked").doesNotContain("Our code", "K-77");
        assertThat(confirmation).contains("Lender name: Ida Marsh", "Insured value: €1,200.00", "/asked/");
        JsonNode status = anybody.get("/api/v1/asked/" + secretIn(confirmation)).json();
        assertThat(status.get("stage").asString()).isEqualTo("WITH_OFFICE");
        assertThat(status.get("canSign").asBoolean()).isFalse();
        String told = mailTo(desk, number);
        assertThat(told).contains("Thing: a viol", "/intake/" + number, number + ".pdf");
    }

    @Test
    void asTheTemplateSaysItGoesOutAtOnceAndWhoAskedSignsStraightOn() {
        Map<String, Object> terms = terms();
        terms.put("then", "SIGN");
        String token = token(share(template("AT_ONCE"), terms, Map.of()));
        JsonNode asked = handIn(token, form(token, answers())).json();
        assertThat(asked.get("signs").asBoolean()).isTrue();
        String path = "/api/v1/asked/" + asked.get("secret").asString();
        Wait.until(
                "their turn",
                () -> Optional.of(anybody.get(path).json())
                        .filter(status -> status.get("canSign").asBoolean()));
        String address =
                anybody.post(path + "/signing", Map.of()).json().get("address").asString();
        String link = address.substring(address.lastIndexOf('/') + 1);
        assertThat(office.sign(link, Map.of()).status()).isEqualTo(200);
        String agreement = office.client
                .get("/api/v1/requests/" + asked.get("number").asString())
                .json()
                .get("row")
                .get("agreement")
                .asString();
        office.sign(office.link(agreement, "tomas.vale@museum.example.org"), Map.of());
        office.await(agreement, "COMPLETED");
        // the record doesn't claim that a mail had reached them
        String trail = bed.bean(JdbcClient.class)
                .sql(
                        "select string_agg(entry::text, ' ') from agreement_event e join agreement a on a.id = e.agreement_id where a.number = ?")
                .param(agreement)
                .query(String.class)
                .single();
        assertThat(trail).contains("SENT_FORM");
        Wait.until(
                "it is done",
                () -> Optional.of(anybody.get(path).json())
                        .filter(status -> status.get("stage").asString().equals("DONE")));
        assertThat(anybody.get(path + "/document").type()).isEqualTo("application/pdf");
        String done = Wait.until(
                "told that it is done",
                () -> office.mailTo(
                        asked.get("number").asString(),
                        mail,
                        "Lend us something (" + asked.get("number").asString() + ") is done"));
        assertThat(done).contains(".pdf");
        assertThat(code(anybody.post(path + "/signing", Map.of()))).isEqualTo("ask.not-now");
    }

    @Test
    void aFormSentTwiceIsOneRequestAlsoWhenBothComeAtOnce() throws Exception {
        String token = token(share(template("CHECKED"), terms(), Map.of()));
        Map<String, Object> form = form(token, answers());
        Callable<String> again = () -> handIn(token, form).json().get("number").asString();
        List<String> numbers = Together.all(Collections.nCopies(4, again));
        assertThat(numbers).containsOnly(numbers.get(0));
        assertThat(again.call()).isEqualTo(numbers.get(0));
    }

    @Test
    void noMoreAreTakenThanMayBeAlsoWhenTheyComeAtOnce() throws Exception {
        String token = token(share(template("CHECKED"), terms(), Map.of("most", 2)));
        List<Callable<Integer>> all = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            Map<String, Object> form = form(token, answers());
            all.add(() -> handIn(token, form).status());
        }
        assertThat(Together.all(all)).containsExactlyInAnyOrder(201, 201, 410, 410, 410);
        assertThat(anybody.get("/api/v1/ask/" + token).json().get("state").asString())
                .isEqualTo("FULL");
    }

    @Test
    void aClosedFormTellsNothingAndTakesNothing() {
        JsonNode link = share(template("CHECKED"), terms(), Map.of());
        String token = token(link);
        Map<String, Object> form = form(token, answers());
        office.client.post("/api/v1/form-links/" + link.get("id").asString() + "/closing", Map.of());
        JsonNode page = anybody.get("/api/v1/ask/" + token).json();
        assertThat(page.get("state").asString()).isEqualTo("CLOSED");
        assertThat(page.get("form").isNull()).isTrue();
        assertThat(code(handIn(token, form))).isEqualTo("ask.closed");
        String over = token(share(
                template("CHECKED"), terms(), Map.of("closesAt", Instant.now().minusSeconds(5))));
        assertThat(code(handIn(over, form(over, answers())))).isEqualTo("ask.ended");
        assertThat(anybody.get("/api/v1/ask/" + "x".repeat(22)).status()).isEqualTo(410);
    }

    @Test
    void whereAWordIsNeededNothingIsToldBefore() {
        String token = token(share(template("CHECKED"), terms(), Map.of("word", "lute song")));
        JsonNode page = anybody.get("/api/v1/ask/" + token).json();
        assertThat(page.get("wordNeeded").asBoolean()).isTrue();
        assertThat(page.get("form").isNull()).isTrue();
        assertThat(code(handIn(token, form(token, answers())))).isEqualTo("ask.word-first");
        String path = "/api/v1/ask/" + token;
        assertThat(code(anybody.post(path + "/word", Map.of("word", "lute")))).isEqualTo("ask.wrong-word");
        String access = anybody.post(path + "/word", Map.of("word", " lute song "))
                .json()
                .get("access")
                .asString();
        assertThat(anybody.get(path + "?access=" + access).json().get("form").isNull())
                .isFalse();
        Map<String, Object> form = form(token, answers());
        form.put("access", access);
        assertThat(handIn(token, form).status()).isEqualTo(201);
        assertThat(anybody.postFile(path + "/files?name=a.pdf", "%PDF-1.7".getBytes())
                        .status())
                .as("no file before the word")
                .isEqualTo(409);
    }

    @Test
    void robotsAreHeldOff() throws Exception {
        String token = token(share(template("CHECKED"), terms(), Map.of()));
        Map<String, Object> trapped = form(token, answers());
        trapped.put("website", "https://spam.example.org");
        assertThat(code(handIn(token, trapped))).isEqualTo("ask.robot");
        Map<String, Object> lazy = form(token, answers());
        lazy.put("found", "1");
        assertThat(code(handIn(token, lazy))).isEqualTo("ask.robot");
        Map<String, Object> borrowed = form(token, answers());
        borrowed.put("key", UUID.randomUUID());
        assertThat(code(handIn(token, borrowed))).isEqualTo("ask.robot");

        // as a page does it: the errand that was given out, after the time that a person takes
        Map<String, Object> fast = form(token, answers());
        Client.Answer early;
        int tries = 0;
        do { // a machine that is busy may be no faster than a person
            JsonNode page = anybody.get("/api/v1/ask/" + token).json();
            fast.put("key", page.get("key").asString());
            fast.put("errand", page.get("errand").asString());
            fast.put("found", Errand.done(page.get("errand").asString()));
            early = handIn(token, fast);
        } while (early.status() == 201 && ++tries < 10);
        assertThat(code(early)).isEqualTo("ask.too-soon");
        Thread.sleep(Errand.LEAST.toMillis());
        assertThat(handIn(token, fast).status()).isEqualTo(201);
    }

    @Test
    void nobodysMailboxIsFilledBySomebodyElse() {
        String token = token(share(template("CHECKED"), terms(), Map.of()));
        String path = "/api/v1/ask/" + token + "/leaving";
        List<Integer> statuses = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            Map<String, Object> answers = Map.of(
                    "key",
                    UUID.randomUUID(),
                    "values",
                    Map.of(),
                    "people",
                    Map.of(),
                    "asker",
                    Map.of("name", "", "mail", mail),
                    "language",
                    "en");
            statuses.add(
                    anybody.post(path, Map.of("access", "", "answers", answers)).status());
        }
        assertThat(statuses).contains(202, 429);
        assertThat(statuses.stream().filter(one -> one == 202).count()).isLessThanOrEqualTo(6);
    }

    @Test
    void aFormThatIsLeftIsGoneOnWithByTheMailedLink() {
        String token = token(share(template("CHECKED"), terms(), Map.of()));
        Map<String, Object> form = form(token, answers());
        Map<String, Object> answers = Map.of(
                "key",
                form.get("key"),
                "values",
                Map.of("thing", "half a vi", "insured_value", "12,5x"),
                "people",
                Map.of(),
                "asker",
                Map.of("name", "", "mail", mail),
                "language",
                "de");
        assertThat(anybody.post("/api/v1/ask/" + token + "/leaving", Map.of("access", "", "answers", answers))
                        .status())
                .isEqualTo(202);
        String text = mailTo(mail, "Lend us something");
        assertThat(text).contains("Guten Tag");
        String path = "/api/v1/ask/" + token + "/left/" + secretIn(text);
        JsonNode left = anybody.get(path).json();
        assertThat(left.get("values").get("insured_value").asString()).isEqualTo("12,5x");
        assertThat(left.get("key").asString()).isEqualTo(form.get("key").toString());
        String other = token(share(template("CHECKED"), terms(), Map.of()));
        assertThat(anybody.get("/api/v1/ask/" + other + "/left/" + secretIn(text))
                        .status())
                .as("another form's link")
                .isEqualTo(410);
        assertThat(handIn(token, form).status()).isEqualTo(201);
        assertThat(anybody.get(path).status()).as("handed in").isEqualTo(410);
    }

    @Test
    void answersInTheAddressCanBeSealed() {
        JsonNode link = share(template("CHECKED"), terms(), Map.of());
        String token = token(link);
        String path = "/api/v1/form-links/" + link.get("id").asString() + "/address";
        String address = office.client
                .post(path, Map.of("values", Map.of("insured_value", "EUR 5"), "language", "", "fixed", true))
                .json()
                .get("address")
                .asString();
        String sealed = address.substring(address.indexOf("answers=") + 8);
        JsonNode page =
                anybody.get("/api/v1/ask/" + token + "?answers=" + sealed).json();
        assertThat(page.get("fixed").toString()).isEqualTo("[\"insured_value\"]");
        assertThat(page.get("form").get("initials").get("insured_value").asString())
                .isEqualTo("EUR 5.00");
        Map<String, Object> form = form(token, answers());
        form.put("answers", sealed);
        String number = handIn(token, form).json().get("number").asString();
        assertThat(office.client
                        .get("/api/v1/requests/" + number)
                        .json()
                        .get("values")
                        .get("insured_value")
                        .asString())
                .isEqualTo("EUR 5.00");
        Map<String, Object> forged = form(token, answers());
        forged.put("answers", "x" + sealed);
        assertThat(code(handIn(token, forged))).isEqualTo("ask.prefilled");
        assertThat(office.client
                        .post(path, Map.of("values", Map.of("insured_value", "much"), "language", "", "fixed", true))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void onlyTheSitesThatAreNamedShowItInAFrame() throws Exception {
        Map<String, Object> terms = terms();
        terms.put("frames", List.of("https://Museum.example.org/"));
        String token = token(share(template("CHECKED"), terms, Map.of()));
        HttpResponse<String> framed = page("/ask/" + token);
        assertThat(framed.headers().firstValue("Content-Security-Policy").orElseThrow())
                .endsWith("frame-ancestors https://museum.example.org");
        assertThat(framed.headers().firstValue("X-Frame-Options")).isEmpty();
        for (String other :
                List.of("/ask/" + "x".repeat(22), "/templates", "/act/x", "/asked/x", "/api/v1/ask/" + token)) {
            HttpResponse<String> page = page(other);
            assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                    .as(other)
                    .endsWith("frame-ancestors 'none'");
            assertThat(page.headers().firstValue("X-Frame-Options")).as(other).contains("DENY");
        }
        terms.put("frames", List.of("https://museum.example.org; script-src *"));
        assertThat(office.client
                        .post(
                                "/api/v1/form-links",
                                Map.of("template", template("CHECKED"), "title", "x", "terms", terms))
                        .json()
                        .get("faults")
                        .has("frames"))
                .isTrue();
    }

    private HttpResponse<String> page(String path) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(bed.address() + path)).build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void whatOnlyTheOfficeAnswersIsNotAskedOutsideAndWaitsForIt() {
        JsonNode draft = office.bringIn("Asked for the office", wording());
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        content.putObject("layout")
                .putArray("sections")
                .addObject()
                .putArray("questions")
                .addObject()
                .put("field", "our_code")
                .put("visibility", "OFFICE");
        ObjectNode own = content.get("layout").get("sections").get(0) instanceof ObjectNode one ? one : null;
        own.put("title", "Settled by us");
        content.withArray("rules")
                .addObject()
                .put("name", "coded")
                .put("label", "The code")
                .put("within", "")
                .put("expression", "thing")
                .put("gives", "TEXT");
        ((ObjectNode) own.get("questions").get(0))
                .putObject("start")
                .put("kind", "RULE")
                .put("of", "coded");
        ((ArrayNode) content.get("layout").get("sections"))
                .addObject()
                .put("title", "Yours")
                .putArray("questions")
                .addObject()
                .put("field", "thing");
        ((ObjectNode) content.get("sending")).put("release", "AT_ONCE");
        String template = office.publish(office.settle(draft, content));
        String token = token(share(template, terms(), Map.of()));
        assertThat(anybody.get("/api/v1/ask/" + token).json().toString())
                .contains("Yours")
                .doesNotContain("our_code", "Settled by us");
        Map<String, Object> typed = Map.of("values", Map.of("thing", "a viol"), "language", "", "document", "");
        assertThat(anybody.post("/api/v1/ask/" + token + "/state", Map.of("access", "", "answers", typed))
                        .text())
                .contains("followed")
                .doesNotContain("our_code");
        Map<String, String> values = answers();
        values.put("our_code", "forged");
        values.put("museum_name", "Tomas Vale");
        values.put("museum_mail", "tomas.vale@museum.example.org");
        String number = handIn(token, form(token, values)).json().get("number").asString();
        JsonNode request = office.client.get("/api/v1/requests/" + number).json();
        assertThat(request.get("values").has("our_code")).isFalse();
        // it doesn't go out with a blank
        String agreement = request.get("row").get("agreement").asString();
        assertThat(office.await(agreement, "CHECK").toString()).contains("Our code");
        assertThat(office.client
                        .post("/api/v1/requests", Map.of("template", template, "values", values, "people", Map.of()))
                        .status())
                .isEqualTo(201);
    }

    @Test
    void thePeopleOfTheOfficeAreToldToNobody() {
        JsonNode draft = office.bringIn("Asked with a list", wording());
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        ObjectNode oneOf = Office.source("one_of");
        oneOf.putArray("people").add(Office.person("Secret Colleague", "secret@museum.example.org"));
        for (JsonNode party : content.get("parties"))
            if (party.get("key").asString().equals("museum")) ((ObjectNode) party).set("who", oneOf);
        String token = token(share(office.publish(office.settle(draft, content)), terms(), Map.of()));
        assertThat(anybody.get("/api/v1/ask/" + token).json().toString()).doesNotContain("Secret", "secret@");
        Map<String, String> values = answers();
        values.put("our_code", "K-1");
        assertThat(handIn(token, form(token, values)).status()).isEqualTo(201);
    }

    @Test
    void aLinkGoesOnWhenItsTemplateAsksNoLongerWhoItIs() {
        String template = template("CHECKED");
        String token = token(share(template, terms(), Map.of()));
        JsonNode draft = office.client
                .post("/api/v1/templates/" + template + "/draft", Map.of())
                .json();
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("lender_mail")) ((ObjectNode) field).put("required", false);
        office.publish(office.settle(draft, content));
        assertThat(anybody.get("/api/v1/ask/" + token).json().get("asksMail").asBoolean())
                .isTrue();
        Map<String, Object> form = form(token, answers());
        assertThat(handIn(token, form).json().get("faults").propertyNames()).containsExactly("asker.mail");
        form.put("asker", Map.of("name", "", "mail", mail));
        assertThat(handIn(token, form).status()).isEqualTo(201);
    }

    @Test
    void faultsAreToldTogetherThoseOfWhoAsksToo() {
        Map<String, Object> terms = terms();
        terms.put("askerName", "");
        terms.put("askerMail", "");
        String token = token(share(template("CHECKED"), terms, Map.of()));
        Map<String, String> values = answers();
        values.remove("thing");
        Map<String, Object> form = form(token, values);
        form.put("asker", Map.of("name", " ", "mail", "nobody"));
        assertThat(handIn(token, form).json().get("faults").propertyNames())
                .containsExactlyInAnyOrder("thing", "asker.name", "asker.mail");
        terms.put("askerMail", "thing");
        assertThat(office.client
                        .post(
                                "/api/v1/form-links",
                                Map.of("template", template("CHECKED"), "title", "x", "terms", terms))
                        .json()
                        .get("faults")
                        .has("askerMail"))
                .isTrue();
    }

    @Test
    void linksAreTheCoordinatorsToMakeAndSecretsLeadNowhereElse() {
        assertThat(anybody.get("/api/v1/form-links").status()).isEqualTo(401);
        assertThat(anybody.get("/api/v1/asked/" + "x".repeat(43)).status()).isEqualTo(410);
        assertThat(anybody.get("/api/v1/asked/short").status()).isEqualTo(410);
        JsonNode all = office.client.get("/api/v1/form-links").json();
        assertThat(all.toString()).doesNotContain("secret", "wordHash");
    }

    @Test
    void filesThatAreNotWhatTheySayStayOutside() {
        String token = token(share(template("CHECKED"), terms(), Map.of()));
        String path = "/api/v1/ask/" + token + "/files?name=";
        assertThat(anybody.postFile(path + "a.pdf&kinds=PDF", "MZ".getBytes()).status())
                .isEqualTo(422);
        assertThat(anybody.postFile(path + "a.pdf&kinds=PDF&megabytes=1", new byte[1_100_000])
                        .status())
                .isEqualTo(422);
        assertThat(anybody.postFile(path + "a.pdf&kinds=PDF", "%PDF-1.7 x".getBytes())
                        .status())
                .isEqualTo(201);
        assertThat(anybody.upload("/api/v1/ask/" + token + "/files?name=a.pdf", "a.pdf", "%PDF-1.7".getBytes())
                        .status())
                .isEqualTo(415);
    }

    /** What people from outside aren't asked, they aren't told in another language either. */
    @Test
    void translationsOfWhatIsNotShownAreNotTold() {
        String token = token(share(template("CHECKED"), terms(), Map.of()));
        Client.Answer page = anybody.get("/api/v1/ask/" + token + "?language=nl");
        assertThat(page.json().get("form").get("words").toString())
                .contains("Voorwerp")
                .doesNotContain("kenmerk");
        assertThat(page.text()).doesNotContain("Our code");
    }
}
