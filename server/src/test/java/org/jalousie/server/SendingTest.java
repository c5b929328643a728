package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.jalousie.demo.Client;
import org.jalousie.server.agreement.RemindersAndExpiry;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** How agreements go out: letters, office hours, copies, what goes along, and what goes by itself. */
class SendingTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String MUSEUM = "tomas.vale@museum.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());
    private final Client anybody = new Client(BED.address());

    @AfterEach
    void worksAgain() {
        office.worksDayAndNight();
    }

    private JsonNode settled(String name, Consumer<ObjectNode> sending) {
        JsonNode template = office.bringIn(name, Office.loanWording());
        ObjectNode content = (ObjectNode) template.get("content");
        sending.accept((ObjectNode) content.get("sending"));
        return office.settle(template, content);
    }

    private String template(String name, Consumer<ObjectNode> sending) {
        return office.publish(settled(name, sending));
    }

    /** The office works only on a day that isn't today, nor yesterday or tomorrow, wherever the test runs. */
    private void rests() {
        office.works(
                List.of(LocalDate.now(ZoneOffset.UTC).plusDays(3).getDayOfWeek().name()));
    }

    @Test
    void wordsOfOnesOwnCarryTheDataInEachPartysLanguage() {
        JsonNode draft = settled(
                "Letters",
                sending -> sending.put("subject", "Loan from {{start_date}}")
                        .put("message", "For {{objects_description}}, {{insured_value}}; {{lender_nam}}"));
        assertThat(draft.get("obstacles").toString()).contains("no field called lender_nam");
        String id = draft.get("id").asString();
        ObjectNode content = (ObjectNode) draft.get("content");
        ((ObjectNode) content.get("sending")).put("message", "For {{objects_description}}, {{insured_value}}");
        for (JsonNode party : content.get("parties"))
            if (party.get("key").asString().equals("lender")) ((ObjectNode) party).put("language", "de");
        JsonNode ready = office.settle(draft, content);
        assertThat(ready.get("obstacles")).isEmpty();
        JsonNode preview = office.client
                .get("/api/v1/templates/" + id + "/letters?occasion=INVITATION&party=lender")
                .json();
        assertThat(preview.get("subject").asString()).contains("Loan from [Start date]");
        assertThat(preview.get("text").asString())
                .contains("For [Objects description]")
                .contains("bittet Sie");
        assertThat(office.client
                        .get("/api/v1/templates/" + id + "/letters?occasion=WARNING&party=lender&language=fr")
                        .json()
                        .get("text")
                        .asString())
                .contains("Le délai expire bientôt");
        assertThat(office.client
                        .get("/api/v1/templates/" + id + "/letters?occasion=INVITATION&party=nobody")
                        .status())
                .isEqualTo(404);
        String number = office.send(office.generate(office.publish(ready), Office.loanValues("Łukasz Ōta-Nguyễn")));
        String mail = Wait.until("the mail", () -> office.mailTo(number, LENDER, "Loan from 15. März 2027"));
        assertThat(mail).contains("For a viola d'amore, ").contains("12.500,00").contains("Łukasz Ōta-Nguyễn");
    }

    @Test
    void invitationsWaitForTheOfficeWhereTheTermsSayAndRemindersAlways() {
        String held = template("In hours", sending -> sending.put("invitations", "OFFICE_HOURS"));
        String free = template("At any time", sending -> sending.put("firstReminderDays", 1));
        rests();
        String waits = office.send(office.generate(held, Office.loanValues("Ida Marsh")));
        String goes = office.send(office.generate(free, Office.loanValues("Ida Marsh")));
        Wait.until("the invitation that goes at once", () -> office.mailTo(goes, LENDER, ""));
        JsonNode mail = Wait.until(
                "the one that waits",
                () -> office.mailsAbout(waits).stream()
                        .filter(one -> !one.get("goesAt").isNull())
                        .findFirst());
        assertThat(mail.get("state").asString()).isEqualTo("WAITING");
        assertThat(office.show(waits).get("troubles")).isEmpty();
        TestClock clock = BED.bean(TestClock.class);
        try {
            clock.ahead(Duration.ofHours(25));
            BED.bean(RemindersAndExpiry.class).tick();
            assertThat(office.show(goes).get("trail").toString()).doesNotContain("was reminded");
            office.worksDayAndNight();
            BED.bean(RemindersAndExpiry.class).tick();
            Wait.until("the reminder", () -> office.mailTo(goes, LENDER, "Still waiting for you:"));
            BED.bean(RemindersAndExpiry.class).tick();
            assertThat(office.mailsAbout(goes)).hasSize(2);
            clock.ahead(Duration.ofDays(4));
            Wait.until("what waited", () -> office.mailTo(waits, LENDER, ""));
        } finally {
            clock.ahead(Duration.ZERO);
        }
    }

    @Test
    void whatWaitedGoesWhenTheOfficeChangesItsHoursAndWhatCouldNeverGoIsNamed() {
        String template = template(
                "Never in hours",
                sending -> sending.put("invitations", "OFFICE_HOURS").put("expiryDays", 30));
        String brief = template(
                "Brief", sending -> sending.put("invitations", "OFFICE_HOURS").put("expiryDays", 1));
        rests();
        String number = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        String never = office.generate(brief, Office.loanValues("Ida Marsh"));
        assertThat(office.show(never).get("obstacles").toString()).contains("doesn’t work before the last day");
        assertThat(office.client
                        .post("/api/v1/agreements/" + never + "/sending", Map.of())
                        .text())
                .contains("doesn’t work before the last day");
        Wait.until(
                "the mail that waits",
                () -> office.mailsAbout(number).stream()
                        .filter(one -> !one.get("goesAt").isNull())
                        .findFirst());
        office.worksDayAndNight();
        Wait.until("what waited", () -> office.mailTo(number, LENDER, ""));
        office.send(never);
        assertThat(office.client
                        .get("/api/v1/agreements/" + never + "/calendar?start=%2B999999999-12-31T23:59:59")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void whoIsWaitedForIsWarnedOnceAndThePlanSaysSoBefore() {
        String template = template(
                "Warned",
                sending -> sending.put("expiryDays", 6).put("warnDays", 2).put("firstReminderDays", 0));
        JsonNode plan = office.client
                .get("/api/v1/templates/" + template + "/calendar?start=2026-11-23T10:00:00&pace=0")
                .json();
        assertThat(plan.get("moments").findValuesAsString("kind"))
                .containsExactly("SENT", "INVITATION", "WARNING", "EXPIRY");
        assertThat(plan.get("moments").get(3).get("at").asString()).isEqualTo("2026-11-29T23:00:00Z");
        String number = office.generate(template, Office.loanValues("Ida Marsh"));
        assertThat(office.client
                        .get("/api/v1/agreements/" + number + "/calendar?start=2027-02-01T10:00:00")
                        .json()
                        .get("moments")
                        .get(3)
                        .get("at")
                        .asString())
                .isEqualTo("2027-02-07T23:00:00Z");
        office.send(number);
        office.link(number, LENDER);
        assertThat(office.show(number).get("row").get("next").get("kind").asString())
                .isEqualTo("WARNING");
        TestClock clock = BED.bean(TestClock.class);
        try {
            clock.ahead(Duration.ofDays(5));
            BED.bean(RemindersAndExpiry.class).tick();
            BED.bean(RemindersAndExpiry.class).tick();
            String mail = Wait.until("the warning", () -> office.mailTo(number, LENDER, "The time runs out:"));
            assertThat(mail).contains("/act/");
            assertThat(office.mailsAbout(number)).hasSize(2);
            assertThat(office.client
                            .get("/api/v1/agreements/" + number + "/calendar")
                            .json()
                            .get("moments")
                            .toString())
                    .contains("\"kind\":\"WARNING\",\"parties\":[\"lender\"],\"happened\":true");
        } finally {
            clock.ahead(Duration.ZERO);
        }
    }

    @Test
    void anAgreementGoesOutByItselfOnlyWhenNothingStandsInTheWay() {
        String template = template("By itself", sending -> sending.put("release", "AT_ONCE"));
        String clean = office.agreementOf(office.request(template, Office.loanValues("Ida Marsh")));
        office.await(clean, "OUT");
        assertThat(office.show(clean).get("trail").toString()).contains("sent by the program");
        Map<String, String> unreachable = Office.loanValues("Ida Marsh \ud83c\udfbb");
        String request = office.request(template, unreachable);
        String blocked = office.agreementOf(request);
        office.await(blocked, "CHECK");
        assertThat(office.show(blocked).get("obstacles")).isNotEmpty();
        // what somebody has corrected, they want to see
        Client.Answer corrected = office.client.put(
                "/api/v1/requests/" + request, Map.of("values", Office.loanValues("Ida Marsh"), "people", Map.of()));
        assertThat(corrected.status()).as(corrected.text()).isEqualTo(200);
        Wait.until(
                "the new document",
                () -> Optional.of(office.show(blocked))
                        .filter(one -> one.get("row").get("state").asString().equals("CHECK")
                                && one.get("obstacles").isEmpty()));
    }

    @Test
    void theLastDayMayBeADateOfTheDataAndAPastOneIsNamed() {
        String template = template("Until a date", sending -> sending.put("expiresOn", "start_date"));
        String number = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        assertThat(office.show(number).get("row").get("expiresAt").asString()).isEqualTo("2027-03-15T23:00:00Z");
        Map<String, String> past = Office.loanValues("Ida Marsh");
        past.put("start_date", "2020-01-31");
        String late = office.generate(template, past);
        assertThat(office.show(late).get("obstacles").toString()).contains("last day for signing has passed");
        assertThat(office.client
                        .post("/api/v1/agreements/" + late + "/sending", Map.of())
                        .status())
                .isEqualTo(409);
    }

    @Test
    void signedCopiesCanBeFetchedByALinkOfWhoeverGetsThem() {
        String template = template("Linked", sending -> sending.put("copies", "LINKED"));
        String number = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        String before = office.link(number, LENDER);
        office.sign(before, Map.of("lender_vat_number", "XX"));
        office.sign(office.link(number, MUSEUM), Map.of());
        office.await(number, "COMPLETED");
        String mail = Wait.until("the copy's mail", () -> office.mailTo(number, LENDER, "Completed:"));
        assertThat(mail).contains("/act/").doesNotContain(".pdf");
        String link = "/api/v1/signing/" + office.link(number, LENDER);
        assertThat(anybody.get(link).json().get("hasCopy").asBoolean()).isTrue();
        assertThat(anybody.get(link + "/documents/wording.pdf").body()).startsWith("%PDF".getBytes());
        assertThat(anybody.get(link + "/record.pdf").body()).startsWith("%PDF".getBytes());
        assertThat(anybody.get("/api/v1/signing/" + before).status()).isEqualTo(410);
        assertThat(office.sign(office.link(number, LENDER), Map.of()).status()).isEqualTo(409);
        TestClock clock = BED.bean(TestClock.class);
        try {
            clock.ahead(Duration.ofDays(92));
            assertThat(anybody.get(link).status()).isEqualTo(410);
        } finally {
            clock.ahead(Duration.ZERO);
        }
    }

    @Test
    void filesGoAlongWithInvitations() {
        Client.Answer kept =
                office.client.upload("/api/v1/templates/attachments", "house: rules.pdf", "%PDF-1.7 rules".getBytes());
        assertThat(kept.status()).as(kept.text()).isEqualTo(201);
        assertThat(kept.json().get("name").asString()).isEqualTo("house  rules.pdf");
        assertThat(office.client
                        .upload("/api/v1/templates/attachments", "a.exe", "MZ".getBytes())
                        .text())
                .contains("Only PDF files and pictures");
        String template = template("With rules", sending -> {
            ObjectNode one = sending.putArray("attachments").addObject();
            one.put("name", "House rules.pdf").set("file", kept.json().get("file"));
        });
        String number = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        assertThat(Wait.until("the mail", () -> office.mailTo(number, LENDER, "")))
                .contains("House rules.pdf");
    }

    @Test
    void theHoursAreChangedByOneAtATimeAndRead() {
        JsonNode seen = office.client.get("/api/v1/office/calendar").json();
        ObjectNode change = seen.deepCopy().asObject();
        change.remove("zone");
        change.putArray("holidays")
                .addObject()
                .put("day", "2026-12-25")
                .put("name", "Christmas")
                .put("everyYear", true);
        assertThat(office.client.put("/api/v1/office/calendar", change).status())
                .isEqualTo(200);
        assertThat(office.client.put("/api/v1/office/calendar", change).text()).contains("meanwhile");
        change.set(
                "revision", office.client.get("/api/v1/office/calendar").json().get("revision"));
        change.putArray("workingDays");
        assertThat(office.client.put("/api/v1/office/calendar", change).text()).contains("one day of the week");
        change.set("workingDays", seen.get("workingDays"));
        change.put("closes", change.get("opens").asString());
        assertThat(office.client.put("/api/v1/office/calendar", change).text()).contains("open before it closes");
        assertThat(anybody.put("/api/v1/office/calendar", change).status()).isIn(401, 403);
    }
}
