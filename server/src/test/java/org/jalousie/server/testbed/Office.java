package org.jalousie.server.testbed;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The coordinator's and the participants' acts in short, over HTTP. */
public final class Office {
    private static final Pattern CODE = Pattern.compile("\\b[0-9]{6,8}\\b");
    private static final Pattern LINK = Pattern.compile("/act/([A-Za-z0-9_-]{43})");

    public final Client client;
    private final String address;

    public Office(String address) {
        this(address, Testbed.PASSWORD);
    }

    public Office(String address, String password) {
        this.address = address;
        this.client = new Client(address).signIn(Testbed.MAIL, password);
    }

    /** A loan agreement whose lender signs before the museum; the lender also completes a number. */
    public static byte[] loanWording() {
        return new WordDraft()
                .fileTitle("Loan by {{lender_name}}")
                .header("Loan agreement with {{lender_name}}")
                .title("Loan agreement")
                .paragraph(
                        "{{lender_name}} lends {{objects_description}} to the museum from {{start_date}}, insured for {{insured_value}}.")
                .paragraph("{{#abroad}}The object crosses a border.{{/abroad}}")
                .table(
                        List.of(
                                List.of(
                                        "For the lender",
                                        "{{lender.signature}}\n{{lender.full_name}}, {{lender.date_signed}}\nVAT number {{lender.vat_number}}"),
                                List.of("For the museum", "{{museum.signature}}\n{{museum.date_signed}}")),
                        true)
                .bytes();
    }

    public static Map<String, String> loanValues(String lender) {
        return new HashMap<>(Map.of(
                "lender_name",
                lender,
                "objects_description",
                "a viola d'amore",
                "start_date",
                "2027-03-15",
                "insured_value",
                "EUR 12500",
                "lender_mail",
                "ida.marsh@lender.example.org",
                "museum_name",
                "Tomas Vale",
                "museum_mail",
                "tomas.vale@museum.example.org"));
    }

    /** Brings a changed Word file back: compares, then accepts with these renames. */
    public JsonNode bringBack(JsonNode template, byte[] wording, Map<String, String> renames) {
        String path = "/api/v1/templates/" + template.get("id").asString() + "/wording/";
        JsonNode comparison =
                client.upload(path + "comparison", "changed.docx", wording).json();
        return client.post(
                        path + "acceptance",
                        Map.of(
                                "revision",
                                template.get("revision").asInt(),
                                "file",
                                comparison.get("file").asString(),
                                "renames",
                                renames))
                .json();
    }

    public JsonNode bringIn(String name, byte[] wording) {
        Client.Answer answer = client.upload("/api/v1/templates?name=" + Client.encoded(name), name + ".docx", wording);
        if (answer.status() != 201) throw new IllegalStateException(answer.text());
        return answer.json();
    }

    /** Brings in and publishes; returns the template's id. */
    public String publish(String name, byte[] wording) {
        return publish(bringIn(name, wording));
    }

    /** Publishes a template as it was seen last; returns its id. */
    public String publish(JsonNode template) {
        String id = template.get("id").asString();
        Client.Answer answer = client.post(
                "/api/v1/templates/" + id + "/publication",
                Map.of("revision", template.get("revision").asInt()));
        if (answer.status() != 200) throw new IllegalStateException(answer.text());
        return id;
    }

    /** Fills the form, generates, and waits for the check. Returns the agreement's number. */
    public String generate(String template, Map<String, String> values) {
        String number = agreementOf(request(template, values));
        await(number, "CHECK");
        return number;
    }

    /** Fills the form; returns the request's number. */
    public String request(String template, Map<String, String> values) {
        return request(Map.of("template", template, "values", values, "people", Map.of()));
    }

    /** @param form as it is sent */
    public String request(Map<String, Object> form) {
        Client.Answer taken = client.post("/api/v1/requests", form);
        if (taken.status() != 201) throw new IllegalStateException(taken.text());
        return taken.json().get("row").get("number").asString();
    }

    /** Makes the agreement of a request and waits for nothing. */
    public String agreementOf(String request) {
        return client.post("/api/v1/requests/" + request + "/agreement", Map.of())
                .json()
                .get("agreement")
                .asString();
    }

    /** Saves a template's settings; returns the template as it is then. */
    public JsonNode settle(JsonNode template, JsonNode content) {
        Client.Answer answer = client.put(
                "/api/v1/templates/" + template.get("id").asString() + "/content",
                Map.of("revision", template.get("revision").asInt(), "content", content));
        if (answer.status() != 200) throw new IllegalStateException(answer.text());
        return answer.json();
    }

    public String send(String number) {
        Client.Answer answer = client.post("/api/v1/agreements/" + number + "/sending", Map.of());
        if (answer.status() != 200) throw new IllegalStateException(answer.text());
        return number;
    }

    public JsonNode show(String number) {
        return client.get("/api/v1/agreements/" + number).json();
    }

    /** What the trail says, a sentence for each event. */
    public List<String> trail(String number) {
        return show(number)
                .get("trail")
                .valueStream()
                .map(entry -> entry.get("sentence").asString())
                .toList();
    }

    /** How a party stands on an agreement's route, as lists draw it. */
    public JsonNode slat(String number, String party) {
        return show(number)
                .get("row")
                .get("route")
                .valueStream()
                .filter(one -> one.get("party").asString().equals(party))
                .findFirst()
                .orElseThrow();
    }

    public String state(String number) {
        return show(number).get("row").get("state").asString();
    }

    public JsonNode await(String number, String state) {
        return Wait.until(
                number + " to be " + state,
                () -> Optional.of(show(number))
                        .filter(found ->
                                found.get("row").get("state").asString().equals(state)));
    }

    /** The secret of the newest link that a mail about an agreement brought to somebody. */
    public String link(String number, String recipient) {
        return Wait.until(
                "a mail to " + recipient + " about " + number,
                () -> mailTo(number, recipient, "")
                        .map(text -> LINK.matcher(text))
                        .filter(Matcher::find)
                        .map(found -> found.group(1)));
    }

    /** What the verification finds in an agreement's first document. */
    public JsonNode findings(String number) {
        return client.post("/api/v1/archive/" + number + "/verification", Map.of())
                .json()
                .get("documents")
                .get(0)
                .get("result")
                .get("findings");
    }

    /** A signing field among a template's settings, to be changed. */
    public static ObjectNode signingField(JsonNode content, String name) {
        for (JsonNode one : content.get("signingFields"))
            if (one.get("name").asString().equals(name)) return (ObjectNode) one;
        throw new AssertionError("no field " + name);
    }

    /** A person's source of this kind, without anything more. */
    public static ObjectNode source(String kind) {
        return Json.MAPPER.createObjectNode().put("kind", kind);
    }

    /** Always the same person. */
    public static ObjectNode fixed(String name, String mail) {
        return source("fixed").put("name", name).put("mail", mail);
    }

    /** One of a list of people. */
    public static ObjectNode person(String name, String mail) {
        return Json.MAPPER.createObjectNode().put("name", name).put("mail", mail);
    }

    /** Lets mail that chases people go at the hour at which the tests happen to run. */
    public void worksDayAndNight() {
        works(List.of("MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY"));
    }

    /** The office works on these days, from midnight to midnight. */
    public void works(List<String> days) {
        JsonNode before = client.get("/api/v1/office/calendar").json();
        Client.Answer changed = client.put(
                "/api/v1/office/calendar",
                Map.of(
                        "workingDays",
                        days,
                        "opens",
                        "00:00:00",
                        "closes",
                        "23:59:59",
                        "holidays",
                        List.of(),
                        "revision",
                        before.get("revision").asInt()));
        assertThat(changed.status()).as(changed.text()).isEqualTo(200);
    }

    /** Waits until a mail was tried in vain: one that is being tried just now may yet go out when the server comes back. */
    public void mailWaits() {
        Wait.until(
                "a mail to wait for its server",
                () -> client.get("/api/v1/today")
                        .json()
                        .get("notices")
                        .toString()
                        .contains("The mail server"));
    }

    /** The mails about an agreement, newest first, from all pages: a test that put the clock forward may have filled the first. */
    public List<JsonNode> mailsAbout(String number) {
        return mails(mail -> mail.get("subject").asString().contains(number));
    }

    /** Such mails, newest first, from all pages. */
    public List<JsonNode> mails(Predicate<JsonNode> such) {
        List<JsonNode> mails = new ArrayList<>();
        JsonNode page;
        int at = 0;
        do {
            page = client.get("/api/v1/postroom?page=" + at++).json().get("items");
            for (JsonNode mail : page) if (such.test(mail)) mails.add(mail);
        } while (!page.isEmpty());
        return mails;
    }

    /** The text of the newest mail about an agreement to somebody whose subject begins with something. */
    public Optional<String> mailTo(String number, String recipient, String subject) {
        for (JsonNode mail : mailsAbout(number)) {
            boolean fits = mail.get("recipient").asString().equals(recipient)
                    && mail.get("subject").asString().startsWith(subject)
                    && mail.get("state").asString().equals("SENT");
            if (!fits) continue;
            Client.Answer answer =
                    client.get("/api/v1/postroom/" + mail.get("id").asString());
            if (answer.status() == 200)
                return Optional.of(answer.json().get("text").asString() + "\n"
                        + answer.json().get("attachments"));
        }
        return Optional.empty();
    }

    /** The one-time codes that went to a mailbox or a telephone about an agreement, newest first. */
    public List<String> codes(String number, String recipient) {
        List<String> codes = new ArrayList<>();
        for (JsonNode mail : mailsAbout(number)) {
            if (!mail.get("kind").asString().equals("CODE")
                    || !mail.get("recipient").asString().equals(recipient)
                    || !mail.get("state").asString().equals("SENT")) continue;
            Client.Answer answer =
                    client.get("/api/v1/postroom/" + mail.get("id").asString());
            Matcher found = CODE.matcher(answer.json().get("text").asString().replace(number, ""));
            if (found.find()) codes.add(found.group());
        }
        return codes;
    }

    /** The newest code, when so many have come. */
    public String code(String number, String recipient, int many) {
        return Wait.until(
                "code " + many + " to " + recipient,
                () -> Optional.of(codes(number, recipient))
                        .filter(codes -> codes.size() >= many)
                        .map(codes -> codes.get(0)));
    }

    /** Consents and signs with a drawn mark. */
    public Client.Answer sign(String token, Map<String, String> values) {
        Client participant = new Client(address);
        JsonNode page = participant.get("/api/v1/signing/" + token).json();
        String version = page.path("consent").path("version").asString("en-2");
        participant.post("/api/v1/signing/" + token + "/consent", Map.of("version", version));
        return participant.post(
                "/api/v1/signing/" + token + "/signature",
                Map.of(
                        "values",
                        values,
                        "mark",
                        "drawn",
                        "picture",
                        Base64.getEncoder().encodeToString(SignedSample.mark(3))));
    }

    /** A loan agreement carried through to the archive. */
    public String completed(String template, String lender) {
        return completed(template, loanValues(lender));
    }

    /** The same from other values. */
    public String completed(String template, Map<String, String> values) {
        String number = send(generate(template, values));
        sign(link(number, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "XX 4471"));
        sign(link(number, "tomas.vale@museum.example.org"), Map.of());
        await(number, "COMPLETED");
        return number;
    }
}
