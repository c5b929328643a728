package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.sql.Connection;
import java.sql.ResultSet;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.sql.DataSource;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cms.CMSProcessableByteArray;
import org.bouncycastle.cms.CMSSignedData;
import org.bouncycastle.cms.SignerInformation;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoVerifierBuilder;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A completed agreement before tools and libraries that share no code with the application. */
class OutsideChecksTest {
    private static Office office;
    private static String number;
    private static Path signed;
    private static Path record;
    private static Path before;

    @BeforeAll
    static void complete() throws IOException {
        Testbed testbed = Testbed.start();
        office = new Office(testbed.address());
        String template = office.publish("Loan for the checks", Office.loanWording());
        String checking = office.generate(template, Office.loanValues("Willem Ostrander"));
        before = Files.write(
                Path.of("target/before-sending.pdf"),
                office.client
                        .get("/api/v1/agreements/" + checking + "/documents/wording.pdf")
                        .body());
        number = office.completed(template, "Ida Marsh");
        signed = Files.write(
                Path.of("target/signed.pdf"),
                office.client
                        .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                        .body());
        record = Files.write(
                Path.of("target/record.pdf"),
                office.client
                        .get("/api/v1/agreements/" + number + "/record.pdf")
                        .body());
    }

    /** poppler's pdfsig, which stands on Mozilla's NSS. */
    @Test
    void pdfsigFindsEverySignatureValidAndTheWholeFileCovered() {
        Tool.Said said = Tool.run("pdfsig", signed.toString());
        assertThat(said.words().split("Signature is Valid", -1)).hasSize(4);
        assertThat(said.words()).contains("Ida Marsh").contains("Tomas Vale").contains("Museum of Bowed Strings");
        String last = said.words().substring(said.words().lastIndexOf("Signature #"));
        assertThat(last).contains("Total document signed").doesNotContain("Not total");
    }

    @Test
    void qpdfFindsNoFaultInTheFiles() {
        for (Path file : List.of(before, signed, record)) {
            Tool.Said said = Tool.run("qpdf", "--check", file.toString());
            assertThat(said.code()).as(said.words()).isZero();
        }
    }

    /** veraPDF, the reference implementation of the PDF Association, for ISO 19005-2, and 19005-3 where files are attached. */
    @Test
    void veraPdfFindsTheDocumentCompliantBeforeSendingAndAfterTheLastSignature() {
        String classes = TestPaths.root().resolve("e2e/pdfa/target/lib") + "/*:"
                + TestPaths.root().resolve("e2e/pdfa/target/classes");
        Tool.Said said = Tool.run(
                "java",
                "-cp",
                classes,
                "org.jalousie.pdfa.PdfaCheck",
                before.toString(),
                signed.toString(),
                record.toString());
        assertThat(said.words())
                .contains("before-sending.pdf PDF/A-2b: true")
                .contains("signed.pdf PDF/A-2b: true")
                .contains("record.pdf PDF/A-3b: true");
    }

    /** Bouncy Castle's CMS alone, on the byte ranges as they stand in the file. */
    @Test
    void theSignaturesHoldInAnIndependentLibrary() throws Exception {
        byte[] file = Files.readAllBytes(signed);
        int held = 0;
        try (PDDocument document = Loader.loadPDF(file)) {
            for (PDSignature signature : document.getSignatureDictionaries()) {
                if (!"ETSI.CAdES.detached".equals(signature.getSubFilter())) continue;
                CMSSignedData message = new CMSSignedData(
                        new CMSProcessableByteArray(signature.getSignedContent(file)), signature.getContents(file));
                SignerInformation signer =
                        message.getSignerInfos().getSigners().iterator().next();
                X509CertificateHolder certificate = (X509CertificateHolder) message.getCertificates()
                        .getMatches(signer.getSID())
                        .iterator()
                        .next();
                X509Certificate own = new JcaX509CertificateConverter().getCertificate(certificate);
                assertThat(signer.verify(new JcaSimpleSignerInfoVerifierBuilder().build(own)))
                        .isTrue();
                own.verify(root().getPublicKey());
                held++;
            }
        }
        assertThat(held).isEqualTo(3);
    }

    /** OpenSSL's verifier for RFC 3161, on the document time stamp that closes the file. */
    @Test
    void opensslFindsTheTimeStampGood() throws Exception {
        byte[] file = Files.readAllBytes(signed);
        try (PDDocument document = Loader.loadPDF(file)) {
            PDSignature stamp = document.getSignatureDictionaries().stream()
                    .filter(one -> "ETSI.RFC3161".equals(one.getSubFilter()))
                    .findFirst()
                    .orElseThrow();
            Path token = Files.write(Path.of("target/stamp.tst"), trimmed(stamp.getContents(file)));
            Path data = Files.write(Path.of("target/stamped.bin"), stamp.getSignedContent(file));
            assertThat(stampOver(data, token)).contains("Verification: OK");
        }
    }

    private static String stampOver(Path data, Path token) throws Exception {
        Path root = Files.writeString(
                Path.of("target/root.pem"),
                "-----BEGIN CERTIFICATE-----\n" + Base64.getMimeEncoder().encodeToString(root().getEncoded())
                        + "\n-----END CERTIFICATE-----\n");
        return Tool.run(
                        "openssl",
                        "ts",
                        "-verify",
                        "-in",
                        token.toString(),
                        "-token_in",
                        "-data",
                        data.toString(),
                        "-CAfile",
                        root.toString())
                .words();
    }

    /** OpenSSL again, on what a daily root hands out to who wants to check for themselves. */
    @Test
    void opensslFindsADailyRootsTimeStampGoodAndAChangedRootBad() throws Exception {
        String of = "/api/v1/daily-roots/"
                + office.client.post("/api/v1/daily-roots", Map.of()).json().get("number");
        Path statement = Files.write(
                Path.of("target/root.json"), office.client.get(of + ".json").body());
        Path token = Files.write(
                Path.of("target/root.tst"), office.client.get(of + ".tst").body());
        assertThat(stampOver(statement, token)).contains("Verification: OK");
        Files.writeString(statement, Files.readString(statement).replace("\"agreements\":", "\"agreements\":1"));
        assertThat(stampOver(statement, token)).contains("Verification: FAILED");
    }

    /**
     * OpenSSL's CMS on the signature of the evidence container, and the SHA-256 of each file against the manifest that it signs:
     * ETSI EN 319 162-1 §4.4.2, by a library that isn't the one that made it.
     */
    @Test
    void opensslFindsTheEvidenceContainersSignatureGood() throws Exception {
        Path folder = Files.createTempDirectory("evidence");
        Map<String, byte[]> entries = new TreeMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(office.client
                .get("/api/v1/archive/" + number + "/evidence.asice")
                .body()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                entries.put(entry.getName(), zip.readAllBytes());
        }
        byte[] manifest = named(entries, "META-INF/ASiCManifest[^/]*\\.xml");
        Path content = Files.write(folder.resolve("manifest.xml"), manifest);
        Path signature = Files.write(folder.resolve("signature.p7s"), named(entries, "META-INF/signature[^/]*\\.p7s"));
        stampOver(content, signature); // writes the root's certificate
        Tool.Said said = Tool.run(
                "openssl",
                "cms",
                "-verify",
                "-binary",
                "-inform",
                "DER",
                "-in",
                signature.toString(),
                "-content",
                content.toString(),
                "-CAfile",
                "target/root.pem",
                "-purpose",
                "any",
                "-out",
                "/dev/null");
        assertThat(said.words()).containsIgnoringCase("Verification successful");
        Matcher reference = Pattern.compile("URI=\"([^\"]+)\".*?<[^>]*DigestValue[^>]*>([^<]+)<", Pattern.DOTALL)
                .matcher(new String(manifest, StandardCharsets.UTF_8)
                        .replaceFirst("(?s)^.*?<[^>]*SigReference[^>]*>", ""));
        int files = 0;
        while (reference.find()) {
            byte[] file =
                    entries.get(URLDecoder.decode(reference.group(1).replace("+", "%2B"), StandardCharsets.UTF_8));
            assertThat(file).as(reference.group(1)).isNotNull();
            assertThat(HexFormat.of().formatHex(Base64.getDecoder().decode(reference.group(2))))
                    .isEqualTo(Sha256.of(file).hex());
            files++;
        }
        assertThat(files).isEqualTo((int) entries.keySet().stream()
                .filter(name -> name.startsWith(number))
                .count());
    }

    private static byte[] named(Map<String, byte[]> entries, String pattern) {
        return entries.entrySet().stream()
                .filter(one -> one.getKey().matches(pattern))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElseThrow(() -> new AssertionError(pattern + " is not among " + entries.keySet()));
    }

    /** Poppler takes out what is attached to the signing record, and the system's sha256sum recomputes the chain. */
    @Test
    void theChainIsRecomputedFromWhatIsAttachedToTheRecord() throws IOException {
        Path folder = Files.createTempDirectory("record");
        assertThat(Tool.run("pdfdetach", "-saveall", "-o", folder.toString(), record.toString())
                        .code())
                .isZero();
        Tool.Said said = Tool.run("sh", "-c", "cd " + folder + " && sh recompute.sh");
        assertThat(said.code()).as(said.words()).isZero();
        // the completion itself comes after the record
        int told = office.show(number).get("trail").size() - 1;
        assertThat(said.words()).contains("The chain of " + told + " events is whole");
    }

    /** The signature's space in the file is padded with zeros; DER says how long it is. */
    private static byte[] trimmed(byte[] der) {
        int bytes = der[1] & 0x7f;
        int length = 0;
        for (int i = 0; i < bytes; i++) length = length << 8 | der[2 + i] & 0xff;
        return java.util.Arrays.copyOf(der, 2 + bytes + length);
    }

    private static X509Certificate root() throws Exception {
        byte[] answer = new Client(Testbed.start().trustAddress())
                .get("/.well-known/est/cacerts")
                .body();
        return (X509Certificate) CertificateFactory.getInstance("X.509")
                .generateCertPath(
                        new ByteArrayInputStream(Base64.getMimeDecoder().decode(answer)), "PKCS7")
                .getCertificates()
                .get(0);
    }

    /** Poppler's own reading of where words stand, against where the program says that its fields are. */
    @Test
    void signingFieldsStandRightBehindTheWordsTheyFollow() throws Exception {
        StringBuilder text = new StringBuilder();
        WordDraft draft = new WordDraft();
        for (int i = 1; i <= 6; i++) {
            draft.paragraph("Some words before. ".repeat(i * 7)).paragraph("marker" + i + "{{p" + i + ".signature}}");
            text.append(i);
        }
        JsonNode template = office.bringIn("Places", draft.bytes());
        String id = template.get("id").asString();
        Path pdf = Files.write(
                Path.of("target/places.pdf"),
                office.client.get("/api/v1/templates/" + id + "/preview.pdf").body());
        Map<String, double[]> words = words(pdf);
        int checked = 0;
        for (JsonNode placed : office.client
                .get("/api/v1/templates/" + id + "/preview")
                .json()
                .get("pages")
                .get("fields")) {
            double[] word = words.get(
                    "marker" + placed.get("field").get("party").asString().substring(1));
            assertThat(placed.get("x").asDouble()).isCloseTo(word[2], org.assertj.core.data.Offset.offset(0.6));
            assertThat(placed.get("width").asDouble())
                    .isCloseTo(60 / 25.4 * 72, org.assertj.core.data.Offset.offset(0.1));
            assertThat(placed.get("height").asDouble())
                    .isCloseTo(16 / 25.4 * 72, org.assertj.core.data.Offset.offset(0.1));
            // the box stands on the baseline, which is a little above the foot of the word's box
            double bottomFromTop = word[4] - placed.get("y").asDouble();
            assertThat(bottomFromTop).isBetween(word[1], word[3]);
            checked++;
        }
        assertThat(checked).isEqualTo(text.length());
    }

    /** Each word with xMin, yMin, xMax, yMax from the top of its page, and the page's height. */
    private static Map<String, double[]> words(Path pdf) {
        Map<String, double[]> words = new TreeMap<>();
        double height = 0;
        Pattern page = Pattern.compile("<page width=\"[0-9.]+\" height=\"([0-9.]+)\"");
        Pattern word = Pattern.compile(
                "<word xMin=\"([0-9.]+)\" yMin=\"([0-9.]+)\" xMax=\"([0-9.]+)\" yMax=\"([0-9.]+)\">(\\w+)</word>");
        for (String line :
                Tool.run("pdftotext", "-bbox", pdf.toString(), "-").words().split("\n")) {
            Matcher pages = page.matcher(line);
            if (pages.find()) height = Double.parseDouble(pages.group(1));
            Matcher found = word.matcher(line);
            if (found.find()) {
                words.put(found.group(5), new double[] {
                    Double.parseDouble(found.group(1)),
                    Double.parseDouble(found.group(2)),
                    Double.parseDouble(found.group(3)),
                    Double.parseDouble(found.group(4)),
                    height
                });
            }
        }
        return words;
    }

    /** The trail as the database holds it, recomputed with SHA-256 and another JSON library. */
    @Test
    void theEventChainHoldsWhenRecomputedWithoutOurCode() throws Exception {
        List<String> entries = new ArrayList<>();
        String previous = "0".repeat(64);
        try (Connection connection = Testbed.start().bean(DataSource.class).getConnection();
                ResultSet rows = connection
                        .createStatement()
                        .executeQuery(
                                "select e.entry, e.hash from agreement_event e join agreement a on a.id = e.agreement_id where a.number = '"
                                        + number + "' order by e.sequence")) {
            while (rows.next()) {
                byte[] bytes = (previous + "\n" + rows.getString(1)).getBytes(StandardCharsets.UTF_8);
                previous = HexFormat.of()
                        .formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
                assertThat(rows.getString(2)).isEqualTo(previous);
                entries.add(rows.getString(1));
            }
        }
        assertThat(entries.size()).isGreaterThan(10);
        ObjectMapper other = new ObjectMapper();
        for (int i = 0; i < entries.size(); i++) {
            assertThat(other.readTree(entries.get(i)).get("sequence").asInt()).isEqualTo(i + 1);
        }
        String finished = other.readTree(entries.get(entries.size() - 1))
                .get("event")
                .get("revisions")
                .get(0)
                .get("pdf")
                .asText();
        assertThat(finished)
                .isEqualTo(HexFormat.of()
                        .formatHex(MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(signed))));
    }

    @Test
    void theDatabaseItselfRefusesToChangeTheTrail() throws Exception {
        try (Connection connection = Testbed.start().bean(DataSource.class).getConnection()) {
            for (String attack : List.of(
                    "update agreement_event set entry = '{}'",
                    "delete from agreement_event",
                    "truncate agreement_event")) {
                org.assertj.core.api.Assertions.assertThatThrownBy(
                                () -> connection.createStatement().execute(attack))
                        .hasMessageContaining("never changed or removed");
            }
        }
    }

    @Test
    void theSigningRecordNamesTheHashOfTheAgreementAndTheTimes() throws Exception {
        String text = Tool.run("pdftotext", "-layout", record.toString(), "-").words();
        String hash =
                HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(signed)));
        assertThat(text.replaceAll("\\s+", ""))
                .contains(hash)
                .contains("Europe/Paris")
                .contains("IdaMarsh")
                .contains("agreedtosignelectronically");
    }
}
