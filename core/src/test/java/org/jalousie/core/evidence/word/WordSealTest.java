package org.jalousie.core.evidence.word;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.crypto.dsig.XMLSignatureFactory;
import javax.xml.crypto.dsig.dom.DOMValidateContext;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.poifs.crypt.dsig.SignatureConfig;
import org.apache.poi.poifs.crypt.dsig.SignatureInfo;
import org.apache.poi.xwpf.extractor.XWPFWordExtractor;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.jalousie.core.evidence.TestTrust;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.wording.UnacceptableFile;
import org.jalousie.core.wording.WordFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

class WordSealTest {
    private static final TestTrust TRUST = new TestTrust();
    private static final SealWords WORDS =
            new SealWords("Registrar of loans", "Oudehaven", "A-2026-0007 & <nothing> else", false);
    private static final Path PRODUCERS = Path.of("src/test/resources/producers");
    private static final byte[] SEALED = seal(read(files().findFirst().orElseThrow()), WORDS);
    private static final String SIGNATURE = "_xmlsignatures/sig1.xml";

    static Stream<Path> files() {
        try (Stream<Path> all = Files.list(PRODUCERS)) {
            return all.filter(one -> one.toString().endsWith(".docx")).sorted().toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] read(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] seal(byte[] docx, SealWords words) {
        return new WordSeal(TRUST).seal(docx, words, "29 November 2026", Instant.now());
    }

    private static Verification verify(byte[] docx) {
        return new WordSealCheck(TRUST, Clock.systemUTC()).verify(docx);
    }

    private static Map<String, byte[]> parts(byte[] docx) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(docx))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                parts.put(entry.getName(), zip.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return parts;
    }

    /** The file with its parts changed. */
    private static byte[] changed(Consumer<Map<String, byte[]>> change) {
        Map<String, byte[]> parts = parts(SEALED);
        change.accept(parts);
        return WordFile.zip(parts);
    }

    private static void edit(Map<String, byte[]> parts, String part, String from, String to) {
        String text = new String(parts.get(part), StandardCharsets.UTF_8);
        assertThat(Pattern.compile(from).matcher(text).find()).as(from).isTrue();
        parts.put(part, text.replaceFirst(from, to).getBytes(StandardCharsets.UTF_8));
    }

    private static String found(byte[] docx) {
        Verification verification = verify(docx);
        assertThat(verification.intact()).isFalse();
        return verification.findings().toString();
    }

    @ParameterizedTest
    @MethodSource("files")
    void aFileOfAnyProgramIsSealedAndIntact(Path file) throws Exception {
        for (boolean line : List.of(false, true)) {
            byte[] sealed = seal(read(file), new SealWords("Registrar", "", "", line));
            Verification verification = verify(sealed);
            assertThat(verification.intact())
                    .as(verification.findings().toString())
                    .isTrue();
            assertThat(verification.signatures()).hasSize(1).allSatisfy(one -> {
                assertThat(one.by()).isEqualTo("Office of the museum");
                assertThat(one.level()).isEqualTo("XAdES-T");
                assertThat(one.at()).isNotNull();
            });
            // by the library's own check, too
            try (OPCPackage opened = OPCPackage.open(new ByteArrayInputStream(sealed))) {
                SignatureInfo info = new SignatureInfo();
                SignatureConfig config = new SignatureConfig();
                config.setSecureValidation(false);
                info.setSignatureConfig(config);
                info.setOpcPackage(opened);
                assertThat(info.verifySignature()).isTrue();
                opened.revert();
            }
        }
    }

    @Test
    void itSaysWhoSignedAsWhomWhereAndWhy() {
        Verification verification = verify(SEALED);
        assertThat(verification.notes())
                .extracting(Object::toString)
                .containsExactly(
                        "Office of the museum signed as: Registrar of loans",
                        "Office of the museum signed at: Oudehaven",
                        "Office of the museum says: A-2026-0007 & <nothing> else");
    }

    @Test
    void theLineIsPrintedAtTheEndAndNowhereElse() throws Exception {
        byte[] docx = read(files().findFirst().orElseThrow());
        byte[] sealed = seal(docx, new SealWords("Registrar", "Oudehaven", "", true));
        String words = text(sealed);
        String line = "\nOffice of the museum\nRegistrar\nOudehaven, 29 November 2026";
        assertThat(words).contains(line);
        assertThat(words.replace(line, "")).isEqualTo(text(docx));
        assertThat(text(SEALED)).isEqualTo(text(docx));
    }

    private static String text(byte[] docx) throws IOException {
        try (XWPFWordExtractor extractor = new XWPFWordExtractor(new XWPFDocument(new ByteArrayInputStream(docx)))) {
            return extractor.getText();
        }
    }

    /** The platform's own XML signatures (JSR 105), which share no code with what signs here. */
    @Test
    void thePlatformFindsTheSignatureItselfInForce() throws Exception {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        Document document = factory.newDocumentBuilder()
                .parse(new ByteArrayInputStream(parts(SEALED).get(SIGNATURE)));
        NodeList all = document.getElementsByTagNameNS("*", "*");
        for (int i = 0; i < all.getLength(); i++)
            if (((Element) all.item(i)).hasAttribute("Id")) ((Element) all.item(i)).setIdAttribute("Id", true);
        DOMValidateContext context = new DOMValidateContext(
                TRUST.officeWordSeal().certificate().getPublicKey(), document.getDocumentElement());
        assertThat(XMLSignatureFactory.getInstance("DOM", "XMLDSig")
                        .unmarshalXMLSignature(context)
                        .validate(context))
                .isTrue();
    }

    @Test
    void aLaterEditIsFoundAndNamed() {
        assertThat(found(changed(parts -> edit(parts, "word/document.xml", "</w:t>", "!</w:t>"))))
                .contains("/word/document.xml was changed");
        assertThat(found(changed(parts -> edit(parts, "word/styles.xml", "w:val=\"[^\"]*\"", "w:val=\"Other\""))))
                .contains("/word/styles.xml was changed");
        assertThat(found(changed(parts -> parts.remove("word/styles.xml")))).contains("/word/styles.xml was changed");
        assertThat(found(changed(parts -> {
                    parts.put("word/media/new.png", new byte[] {1});
                    edit(
                            parts,
                            "[Content_Types].xml",
                            "<Types[^>]*>",
                            "$0<Default Extension=\"png\" ContentType=\"image/png\"/>");
                })))
                .contains("/word/media/new.png was put in");
    }

    @Test
    void whatIsDoneToTheSignatureIsFound() {
        assertThat(found(changed(parts -> parts.keySet().removeIf(one -> one.startsWith("_xmlsignatures/")))))
                .isNotEmpty();
        assertThat(found(changed(parts -> edit(parts, SIGNATURE, "Registrar of loans", "Director"))))
                .contains("does not hold");
        assertThat(found(changed(parts -> edit(parts, SIGNATURE, "Oudehaven", "Elsewhere"))))
                .contains("does not hold");
        assertThat(found(changed(parts -> edit(parts, SIGNATURE, "nothing", "something"))))
                .contains("does not hold");
        assertThat(found(changed(parts -> edit(parts, SIGNATURE, "EncapsulatedTimeStamp[^>]*>M", "$0A"))))
                .contains("no time stamp that holds");
        assertThat(found(changed(parts -> edit(parts, SIGNATURE, "<SignatureValue[^>]*>....", "$0AAAA"))))
                .contains("does not hold");
        assertThat(found(changed(parts -> edit(parts, SIGNATURE, "xmlenc#sha256", "xmldsig-more#md5"))))
                .contains("isn’t relied on any more");
        // a time stamp that was taken out can't be told from one that was never there
        Verification without = verify(changed(
                parts -> edit(parts, SIGNATURE, "(?s)<([a-z0-9]*:?)UnsignedProperties.*</\\1UnsignedProperties>", "")));
        assertThat(without.intact()).as(without.findings().toString()).isTrue();
        assertThat(without.notes().toString()).contains("by a clock of their own");
        assertThat(found(changed(parts -> edit(
                        parts,
                        SIGNATURE,
                        "<Signature ",
                        "<!DOCTYPE x [<!ENTITY y SYSTEM \"file:///etc/passwd\">]><Signature "))))
                .contains("can’t be read");
        byte[] other = seal(read(files().skip(1).findFirst().orElseThrow()), WORDS);
        assertThat(found(changed(parts -> parts.put(SIGNATURE, parts(other).get(SIGNATURE)))))
                .contains("was changed after it was signed");
        assertThat(found(changed(parts ->
                        edit(parts, SIGNATURE, "URI=\"/word/document.xml[^\"]*\"", "URI=\"http://127.0.0.1:9/x\""))))
                .contains("fetch something from elsewhere");
        assertThat(found(changed(parts -> edit(
                        parts,
                        SIGNATURE,
                        "http://www.w3.org/TR/2001/REC-xml-c14n-20010315",
                        "http://www.w3.org/TR/1999/REC-xslt-19991116"))))
                .contains("run a program");
    }

    @Test
    void whoIsNotTrustedHasNotSigned() {
        byte[] theirs = new WordSeal(new TestTrust())
                .seal(read(files().findFirst().orElseThrow()), WORDS, "29 November 2026", Instant.now());
        assertThat(found(theirs)).contains("by nobody who is trusted");
    }

    @Test
    void whatIsNotSealedOrNoWordFileIsSaidToBeSo() {
        assertThat(found(read(files().findFirst().orElseThrow()))).contains("no signature");
        assertThatThrownBy(() -> verify("PK no".getBytes())).isInstanceOf(UnacceptableFile.class);
        assertThat(WordSealCheck.mayBe(SEALED)).isTrue();
        assertThat(WordSealCheck.mayBe(new byte[0])).isFalse();
    }

    /** A file with a content control that shows what lies in the file beside the words. */
    private static byte[] bound(byte[] docx) {
        Map<String, byte[]> parts = parts(docx);
        parts.put("customXml/item1.xml", "<loan><name>Ida Marsh</name></loan>".getBytes(StandardCharsets.UTF_8));
        edit(
                parts,
                "word/document.xml",
                "(<w:body>)",
                "$1<w:sdt><w:sdtPr><w:dataBinding w:xpath=\"/loan/name\" w:storeItemID=\"\"/></w:sdtPr><w:sdtContent><w:p><w:r>"
                        + "<w:t>Ida Marsh</w:t></w:r></w:p></w:sdtContent></w:sdt>");
        edit(
                parts,
                "word/_rels/document.xml.rels",
                "</Relationships>",
                "<Relationship Id=\"rIdData\" Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/customXml\""
                        + " Target=\"../customXml/item1.xml\"/></Relationships>");
        edit(
                parts,
                "[Content_Types].xml",
                "</Types>",
                "<Default Extension=\"xml\" ContentType=\"application/xml\"/></Types>");
        return WordFile.zip(parts);
    }

    @Test
    void dataThatNobodySignsDontGoOutWithASeal() {
        byte[] docx = bound(read(files().findFirst().orElseThrow()));
        assertThat(parts(docx)).containsKey("customXml/item1.xml");
        byte[] sealed = seal(docx, WORDS);
        assertThat(parts(sealed).keySet()).noneMatch(one -> one.startsWith("customXml/"));
        Verification verification = verify(sealed);
        assertThat(verification.intact()).as(verification.findings().toString()).isTrue();
        assertThat(verification.notes().toString()).doesNotContain("no word processor signs");
        // put in again behind the office's back it is told
        Map<String, byte[]> parts = parts(sealed);
        parts.put("customXml/item1.xml", "<loan><name>Eva Marsh</name></loan>".getBytes(StandardCharsets.UTF_8));
        assertThat(verify(WordFile.zip(parts)).notes().toString()).contains("no word processor signs");
    }
}
