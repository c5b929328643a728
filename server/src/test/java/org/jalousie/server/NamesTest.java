package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Names of several scripts through the whole job: page, file, certificate, signing record, mail and archive. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class NamesTest {
    private final Office office = new Office(Testbed.start().address());
    private String template;

    @BeforeAll
    void publish() {
        template = office.publish("Loan from anywhere", Office.loanWording());
    }

    @ParameterizedTest
    @CsvSource({
        "\u0141ukasz \u014cta-Nguy\u1ec5n, \u0394\u03ae\u03bc\u03b7\u03c4\u03c1\u03b1 \u0391\u03c1\u03b3\u03c5\u03c1\u03bf\u03cd",
        "\u05d3\u05d5\u05d3 \u05d1\u05df-\u05e2\u05de\u05d9, \u0645\u062d\u0645\u062f \u0627\u0644\u0623\u062d\u0645\u062f",
        "\u0915\u094d\u0937\u0947\u0924\u094d\u0930\u093f \u0936\u0930\u094d\u092e\u093e, \u738b\u5c0f\u660e"
    })
    void aNameIsTheSameEverywhere(String lender, String museum) throws Exception {
        Map<String, String> values = Office.loanValues(lender);
        values.put("museum_name", museum);
        String number = office.send(office.generate(template, values));
        String link = office.link(number, "ida.marsh@lender.example.org");
        Client anybody = new Client(Testbed.start().address());
        assertThat(anybody.get("/api/v1/signing/" + link).json().get("name").asString())
                .isEqualTo(lender);
        assertThat(office.sign(link, Map.of("lender_vat_number", lender)).status())
                .isEqualTo(200);
        assertThat(office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of())
                        .status())
                .isEqualTo(200);
        office.await(number, "COMPLETED");
        assertThat(office.findings(number)).isEmpty();

        byte[] pdf = file(number, "documents/wording.pdf");
        Files.write(Path.of("target/names-" + number + ".pdf"), pdf);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            var form = document.getDocumentCatalog().getAcroForm();
            assertThat(form.getField("lender_full_name").getValueAsString()).isEqualTo(lender);
            assertThat(form.getField("lender_vat_number").getValueAsString()).isEqualTo(lender);
            assertThat(document.getSignatureDictionaries().stream()
                            .map(one -> signer(one.getContents()))
                            .toList())
                    .anyMatch(subject -> subject.contains("CN=" + lender))
                    .anyMatch(subject -> subject.contains("CN=" + museum));
        }
        byte[] record = file(number, "record.pdf");
        Files.write(Path.of("target/names-" + number + "-record.pdf"), record);
        assertThat(text(record)).doesNotContain("?");
        assertThat(Wait.until(
                        "the lender's copy", () -> office.mailTo(number, "ida.marsh@lender.example.org", "Completed:")))
                .isNotEmpty();
        String mails = office.mailsAbout(number).toString();
        assertThat(mails).contains(lender);
        JsonNode found = office.client
                .get("/api/v1/archive?find=" + java.net.URLEncoder.encode(lender.split(" ")[0], StandardCharsets.UTF_8))
                .json();
        assertThat(found.get("items").toString()).contains(number);
    }

    private byte[] file(String number, String name) {
        return office.client.get("/api/v1/agreements/" + number + "/" + name).body();
    }

    private static String text(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    private static String signer(byte[] cms) {
        try {
            // certificates stand in the signature as they are (RFC 5652 §10.2.3): each begins with a sequence of two
            // bytes' length
            return certificates(cms).stream()
                    .map(one -> one.getSubjectX500Principal().getName())
                    .reduce("", (a, b) -> a + " " + b);
        } catch (CertificateException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<X509Certificate> certificates(byte[] cms) throws CertificateException {
        return CertificateFactory.getInstance("X.509").generateCertificates(new ByteArrayInputStream(cms)).stream()
                .map(X509Certificate.class::cast)
                .toList();
    }
}
