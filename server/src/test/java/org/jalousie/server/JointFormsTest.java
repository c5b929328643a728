package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.access.Role;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** One form that feeds several templates, and one request with several agreements. */
class JointFormsTest {
    private static final String LENDER = "ida.marsh@lender.example.org";

    private final Office office = new Office(Testbed.start().address());
    private final String courier = courier();
    private final String licence = simple("Picture licence", "{{lender_name}} allows {{pictures}} pictures.");

    private static ObjectNode signer(JsonNode content) {
        return (ObjectNode) content.get("parties").get(0);
    }

    private String simple(String name, String words) {
        JsonNode draft = office.bringIn(
                name,
                new WordDraft()
                        .paragraph(words)
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) draft.get("content");
        signer(content).set("who", Office.fixed("Ida Marsh", LENDER));
        return office.publish(office.settle(draft, content));
    }

    /** Its insurance is asked for when the value is high, by a rule of its own. */
    private String courier() {
        JsonNode draft = office.bringIn(
                "Courier order",
                new WordDraft()
                        .paragraph("{{courier_name}} travels for {{lender_name}}.{{#far}} By air, {{airline}}.{{/far}}")
                        .paragraph("{{courier.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) draft.get("content");
        signer(content).set("who", Office.fixed("Otto Quay", "otto@courier.example.org"));
        ArrayNode sections = content.putObject("layout").putArray("sections");
        ArrayNode first = sections.addObject().put("title", "The courier").putArray("questions");
        first.addObject().put("field", "courier_name");
        first.addObject().put("field", "lender_name");
        first.addObject().put("field", "far");
        sections.addObject()
                .put("when", "far")
                .putArray("questions")
                .addObject()
                .put("field", "airline");
        return office.publish(office.settle(draft, content));
    }

    private JsonNode loanDraft(String name) {
        JsonNode draft = office.bringIn(
                name,
                new WordDraft()
                        .paragraph("{{lender_name}} lends.{{#with_courier}} A courier travels along.{{/with_courier}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) draft.get("content");
        signer(content).set("who", Office.fixed("Ida Marsh", LENDER));
        ArrayNode further = content.withObject("layout").putArray("further");
        further.addObject().put("template", courier).put("when", "with_courier");
        further.addObject().put("template", licence).put("when", "");
        return office.settle(draft, content);
    }

    private static Map<String, String> answers(String courier) {
        return new HashMap<>(Map.of("lender_name", "Ida Marsh", "with_courier", courier, "pictures", "12"));
    }

    private JsonNode show(String request) {
        return office.client.get("/api/v1/requests/" + request).json();
    }

    private static List<String> texts(JsonNode list, String name) {
        List<String> all = new ArrayList<>();
        list.forEach(one -> all.add(one.get(name).asString()));
        return all;
    }

    private Client.Answer correct(String request, Map<String, String> values) {
        return office.client.put(
                "/api/v1/requests/" + request, Map.of("values", values, "people", Map.of(), "language", ""));
    }

    @Test
    void eachQuestionIsAskedOnceAndTheRestStandsUnderItsTemplate() {
        String loan = office.publish(loanDraft("Loan with all that goes along"));
        JsonNode form = office.client.get("/api/v1/templates/" + loan + "/form").json();
        assertThat(texts(form.get("fields"), "name"))
                .doesNotHaveDuplicates()
                .containsSubsequence("lender_name", "with_courier", "courier_name", "far", "airline", "pictures");
        assertThat(texts(form.get("sections"), "title"))
                .containsExactly("", "The courier", "Courier order", "Picture licence");
        String path = "/api/v1/templates/" + loan + "/form/state";
        JsonNode without = office.client
                .post(path, Map.of("values", answers("no"), "document", ""))
                .json();
        assertThat(without.get("left").toString()).contains("courier_name", "airline");
        assertThat(without.get("sectionsLeft").toString()).isEqualTo("[1,2]");
        Map<String, String> with = answers("yes");
        JsonNode near =
                office.client.post(path, Map.of("values", with, "document", "")).json();
        assertThat(near.get("left").toString()).isEqualTo("[\"airline\"]");
        with.put("far", "yes");
        JsonNode far =
                office.client.post(path, Map.of("values", with, "document", "")).json();
        assertThat(far.get("left")).isEmpty();
        JsonNode text = office.client
                .post("/api/v1/templates/" + loan + "/form/text", Map.of("values", with, "document", "1.wording"))
                .json();
        assertThat(texts(text.get("documents"), "title"))
                .containsExactly("Loan with all that goes along", "Courier order", "Picture licence");
        assertThat(text.get("paragraphs").toString()).contains("travels for");
    }

    @Test
    void oneRequestMakesSeveralAgreementsAndFaultsAreToldTogether() {
        String loan = office.publish(loanDraft("Loan with others"));
        Map<String, String> values = answers("yes");
        values.put("lender_name", "");
        values.put("far", "yes");
        Client.Answer refused =
                office.client.post("/api/v1/requests", Map.of("template", loan, "values", values, "people", Map.of()));
        assertThat(refused.status()).isEqualTo(422);
        List<String> faults = new ArrayList<>(refused.json().get("faults").propertyNames());
        assertThat(faults).containsExactlyInAnyOrder("lender_name", "courier_name", "airline");
        values.putAll(Map.of("lender_name", "Ida Marsh", "courier_name", "Otto Quay", "airline", "Gull Air"));
        String request = office.request(loan, values);
        String number = office.agreementOf(request);
        JsonNode detail = show(request);
        assertThat(texts(detail.get("parts"), "template"))
                .containsExactly("Loan with others", "Courier order", "Picture licence");
        assertThat(detail.get("row").get("further").asInt()).isEqualTo(2);
        List<String> made = texts(detail.get("parts"), "agreement");
        assertThat(made).doesNotContain("").contains(number).doesNotHaveDuplicates();
        assertThat(office.agreementOf(request)).as("asked twice").isEqualTo(number);
        assertThat(texts(show(request).get("parts"), "agreement")).isEqualTo(made);
        JsonNode list = office.client.get("/api/v1/requests?find=" + request).json();
        assertThat(list.get("total").asInt()).as("one in the list").isEqualTo(1);
        made.forEach(one -> office.await(one, "CHECK"));
        assertThat(office.client
                        .get("/api/v1/agreements/" + made.get(1) + "/documents/wording/printed")
                        .text())
                .contains("airline");
    }

    @Test
    void whatIsCorrectedInOneIsCorrectedInAll() {
        String loan = office.publish(loanDraft("Loan to be corrected"));
        Map<String, String> values = answers("yes");
        values.put("courier_name", "Otto Quay");
        String request = office.request(loan, values);
        office.agreementOf(request);
        List<String> made = texts(show(request).get("parts"), "agreement");
        made.forEach(one -> office.await(one, "CHECK"));
        // in place, beside the courier's own pages
        Client.Answer corrected =
                correct(request + "-2", Map.of("courier_name", "Otto Quay", "lender_name", "Ida Marsh-Holt"));
        assertThat(corrected.status()).as(corrected.text()).isEqualTo(200);
        made.forEach(one -> assertThat(office.await(one, "CHECK").get("data").toString())
                .as(one)
                .contains("Ida Marsh-Holt"));
        assertThat(corrected.json().get("partOf").asString()).isEqualTo(request);

        values.put("lender_name", "Ida Marsh-Holt");
        values.put("with_courier", "no");
        assertThat(correct(request, values).status()).isEqualTo(200);
        JsonNode parts = show(request).get("parts");
        assertThat(parts.get(1).get("wanted").asBoolean()).isFalse();
        assertThat(office.state(made.get(1))).isEqualTo("WITHDRAWN");
        assertThat(office.client
                        .post("/api/v1/requests/" + request + "-2/agreement", Map.of())
                        .status())
                .as("an agreement that nobody asks for is there, and no other is made")
                .isEqualTo(200);

        values.put("with_courier", "yes");
        assertThat(correct(request, values).status()).isEqualTo(200);
        JsonNode again = show(request).get("parts").get(1);
        assertThat(again.get("wanted").asBoolean()).isTrue();
        assertThat(again.get("agreement").asString()).isNotEqualTo(made.get(1));
    }

    /** The request is as far as the one that is furthest behind. */
    @Test
    void aRequestIsDoneWhenAllOfItIs() {
        String loan = office.publish(loanDraft("Loan that takes its time"));
        String request = office.request(loan, answers("no"));
        office.agreementOf(request);
        List<String> made = texts(show(request).get("parts"), "agreement");
        assertThat(made).hasSize(2);
        made.forEach(one -> office.await(one, "CHECK"));
        office.send(made.get(0));
        assertThat(show(request).get("row").get("stage").asString()).isEqualTo("CHECK");
        office.send(made.get(1));
        assertThat(show(request).get("row").get("stage").asString()).isEqualTo("OUT");
        Client.Answer late = correct(request, answers("yes"));
        assertThat(late.status()).as("a required answer is missing").isEqualTo(422);
        Map<String, String> other = answers("no");
        other.put("lender_name", "Nils Holt");
        assertThat(correct(request, other).status()).as("sent already").isEqualTo(409);
        assertThat(show(request).get("values").get("lender_name").asString()).isEqualTo("Ida Marsh");
    }

    @Test
    void whatCannotBeFedStandsInTheWayOfPublishing() {
        JsonNode draft = loanDraft("Loan that feeds too much");
        ObjectNode content = (ObjectNode) draft.get("content");
        ArrayNode further = content.withObject("layout").putArray("further");
        further.addObject().put("template", draft.get("id").asString()).put("when", "");
        further.addObject().put("template", courier).put("when", "no_such_rule");
        further.addObject().put("template", licence).put("when", "");
        JsonNode unfinished = office.bringIn(
                "Never published", new WordDraft().paragraph("{{pictures}}").bytes());
        further.addObject().put("template", unfinished.get("id").asString()).put("when", "");
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("lender_name")) ((ObjectNode) field).put("type", "NUMBER");
        JsonNode settled = office.settle(draft, content);
        assertThat(texts(settled.get("obstacles"), "message").toString())
                .contains("named twice, or is this one")
                .contains("no_such_rule")
                .contains("no published version")
                .contains("another kind of answer in Courier order")
                .contains("another kind of answer in Picture licence");
    }

    /** A template that is out of use stops new forms, and no request that is there. */
    @Test
    void aRequestCanBeOpenedWhateverBecameOfTheOthers() {
        String own = courier();
        JsonNode draft = loanDraft("Loan whose courier has left");
        ObjectNode content = (ObjectNode) draft.get("content");
        content.withObject("layout")
                .putArray("further")
                .addObject()
                .put("template", own)
                .put("when", "with_courier");
        String loan = office.publish(office.settle(draft, content));
        String without = office.request(
                loan,
                answers("no").entrySet().stream()
                        .filter(one -> !one.getKey().equals("pictures"))
                        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
        Map<String, String> values = answers("yes");
        values.remove("pictures");
        values.put("courier_name", "Otto Quay");
        String with = office.request(loan, values);
        assertThat(office.client
                        .post("/api/v1/templates/" + own + "/retirement", Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(office.client.get("/api/v1/templates/" + loan + "/form").status())
                .isEqualTo(409);
        assertThat(texts(show(without).get("form").get("fields"), "name")).doesNotContain("courier_name");
        assertThat(texts(show(with).get("form").get("fields"), "name")).contains("courier_name");
        assertThat(office.agreementOf(without)).startsWith("A-");
        assertThat(office.agreementOf(with)).startsWith("A-");
        assertThat(texts(show(with).get("parts"), "agreement")).doesNotContain("");
    }

    /** Parts of a template that isn't for somebody aren't told of with the others. */
    @Test
    void whoDoesNotSeeATemplateSeesTheOtherPartsAlone() {
        String request = office.request(office.publish(loanDraft("Loan for some")), answers("no"));
        Client other =
                OfficePeople.signedIn(Testbed.start(), "some.parts@museum.example.org", "So Me", Role.COORDINATOR);
        Map<String, Object> nobody = Map.of("everybody", false, "teams", List.of(), "people", List.of());
        String groups = "/api/v1/people/groups";
        String group = office.client
                .post(groups, Map.of("name", "Licences", "use", nobody, "prepare", nobody, "see", nobody))
                .json()
                .valueStream()
                .filter(one -> one.get("name").asString().equals("Licences"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        office.client.put(groups + "/" + group + "/templates/" + licence, Map.of());
        try {
            JsonNode seen = other.get("/api/v1/requests/" + request).json();
            assertThat(texts(seen.get("parts"), "template")).containsExactly("Loan for some");
        } finally {
            office.client.delete(groups + "/templates/" + licence);
            office.client.delete(groups + "/" + group);
        }
        assertThat(texts(show(request).get("parts"), "template")).containsExactly("Loan for some", "Picture licence");
    }
}
