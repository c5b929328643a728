package org.jalousie.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;

class FilingRuleTest {
    private static final Map<String, Value> VALUES = Map.of(
            "lender", new Value.Text("Ida/Marsh: \"heirs\""),
            "start", new Value.Day(LocalDate.of(2027, 3, 15)),
            "nothing", new Value.Text("  "),
            "dots", new Value.Text("../.."),
            "device", new Value.Text("con"),
            "agreement_number", new Value.Text("A-1"),
            "agreement_title", new Value.Text("Loan"));

    private static String path(String folder, String name) {
        return path(new FilingRule(folder, name).place(VALUES, Locale.UK));
    }

    private static String path(FilingRule.Place place) {
        return place.paths(List.of(new FilingRule.Place.Named("", "pdf"))).get(0);
    }

    @Test
    void aPlaceFollowsFromTheData() {
        assertThat(path("{{start.year}}/Loans of {{lender}}", "{{lender}} {{start.iso}}"))
                .isEqualTo("2027/Loans of Ida Marsh heirs/Ida Marsh heirs 2027-03-15.pdf");
        assertThat(path("", "x")).isEqualTo("x.pdf");
    }

    @Test
    void whatDataSayIsOneNameAndNeverAWayOut() {
        assertThat(path("{{dots}}/{{nothing}}/a", "{{unknown}}")).isEqualTo("a/A-1 Loan.pdf");
        assertThat(path("../../etc/.ssh", "{{device}}")).isEqualTo("etc/ssh/_con.pdf");
        assertThat(path("a//b/ /c. ", "~x. ")).isEqualTo("a/b/c/x.pdf");
        assertThat(path("INDEX", "x")).isEqualTo("INDEX_/x.pdf");
        assertThat(path("a\u202eb\u0000c", "x")).isEqualTo("a b c/x.pdf");
        String long_ = path("", "\ud83c\udfbb".repeat(200));
        assertThat(long_.getBytes(StandardCharsets.UTF_8).length).isLessThan(255);
        assertThat(long_).doesNotContain("\ufffd").endsWith("\ud83c\udfbb.pdf");
    }

    @Test
    void theFirstFreeNumberIsTaken() {
        FilingRule.Place place = new FilingRule("f", "Loan").place(VALUES, Locale.UK);
        Set<String> taken = new HashSet<>();
        for (String expected : List.of("f/Loan.pdf", "f/Loan (2).pdf", "f/Loan (3).pdf")) {
            String path = path(place.settled(at -> !taken.contains(FilingRule.key(path(at)))));
            assertThat(path).isEqualTo(expected);
            taken.add(FilingRule.key(path));
        }
        assertThat(FilingRule.key("STRASSE/e\u0301")).isEqualTo(FilingRule.key("stra\u00dfe/\u00c9"));
    }

    @Test
    void filesOfOneNameAndTheLongestNamesStayApart() {
        FilingRule.Place place = new FilingRule("", "\ud83c\udfbb".repeat(99)).place(VALUES, Locale.UK);
        String called = "y".repeat(200);
        List<FilingRule.Place.Named> files = List.of(
                new FilingRule.Place.Named("", "pdf"),
                new FilingRule.Place.Named(called, "pdf"),
                new FilingRule.Place.Named(called, "pdf"),
                new FilingRule.Place.Named(called.toUpperCase(Locale.ROOT), "pdf"),
                new FilingRule.Place.Named("", "pdf"));
        Set<String> taken = new HashSet<>();
        for (int i = 0; i < 12; i++) {
            List<String> paths = place.settled(
                            at -> at.paths(files).stream().map(FilingRule::key).noneMatch(taken::contains))
                    .paths(files);
            for (String path : paths) {
                assertThat(taken.add(FilingRule.key(path))).as(path).isTrue();
                assertThat(path.getBytes(StandardCharsets.UTF_8).length).isLessThan(255);
            }
        }
    }

    @Test
    void whatIsWrongIsSaidWhereItStands() {
        assertThat(FilingRule.USUAL.faults()).isEmpty();
        assertThat(new FilingRule("{{a", "").faults()).containsOnlyKeys("folder", "name");
        assertThat(new FilingRule("a/".repeat(20), "{{a b}}").faults()).containsOnlyKeys("folder", "name");
        assertThat(new FilingRule("", "a/b").faults()).containsOnlyKeys("name");
        FilingTerms wrong = new FilingTerms(
                "",
                FilingTerms.Kind.WEBDAV,
                "https://a:b@files.example.org/",
                "a:b",
                List.of(),
                FilingRule.USUAL,
                List.of(
                        new FilingTerms.TemplateRule(new UUID(0, 1), FilingRule.USUAL),
                        new FilingTerms.TemplateRule(new UUID(0, 1), new FilingRule("", ""))),
                true,
                "eu west");
        assertThat(wrong.faults())
                .containsOnlyKeys("title", "address", "region", "user", "rules.1.name", "rules.1.folder");
    }

    @Test
    void theIndexIsReadWithoutThisProgram() {
        FilingIndex.FiledAgreement filed = new FilingIndex.FiledAgreement(
                new AgreementNumber("A-1"),
                "=Loan",
                "Incoming loan",
                "2027-03-15",
                Map.of(new FieldName("value"), "EUR 1"),
                List.of(
                        new FilingIndex.FiledPerson("Witness", "Ida Marsh"),
                        new FilingIndex.FiledPerson("Witness", "Otto Reed")),
                List.of(new FilingIndex.FiledFile("a/b, c.pdf", "Loan", Sha256.of(new byte[0]))));
        assertThat(new String(FilingIndex.csv(List.of(filed)), StandardCharsets.UTF_8))
                .contains("A-1,'=Loan,Incoming loan,2027-03-15,Ida Marsh; Otto Reed,\"a/b, c.pdf\",Loan,e3b0c442");
        assertThat(Json.MAPPER
                        .readTree(FilingIndex.json(List.of(filed)))
                        .at("/agreements/0/data/value")
                        .asString())
                .isEqualTo("EUR 1");
    }
}
