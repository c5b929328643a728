package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.wording.Zips;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;

/** Documents that try to get out of the word processor: to the network, to the machine's files; and a process that is killed. */
class SandboxTest {
    private static final Testbed BED = Testbed.start();
    private final Converter converter = BED.bean(Converter.class);

    private static boolean sandboxed() {
        try (Stream<ProcessHandle> all = ProcessHandle.current().descendants()) {
            return all.anyMatch(one -> one.info().command().orElse("").endsWith("bwrap"));
        }
    }

    @Test
    void nothingIsFetchedFromTheNetwork() throws Exception {
        assumeTrue(sandboxed(), "bubblewrap can't be used on this machine");
        List<String> asked = new CopyOnWriteArrayList<>();
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            asked.add(exchange.getRequestURI().toString());
            exchange.sendResponseHeaders(404, -1);
        });
        server.start();
        try {
            Converter.Made made = converter.convert(
                    Reaching.file("http://127.0.0.1:" + server.getAddress().getPort() + "/out.png"));
            assertThat(text(made.pdf())).contains("before");
        } finally {
            server.stop(0);
        }
        assertThat(asked).isEmpty();
    }

    @Test
    void noFileOfTheMachineIsRead() throws Exception {
        assumeTrue(sandboxed(), "bubblewrap can't be used on this machine");
        Path secret = Files.writeString(
                BED.folder.resolve("files").resolve("secret.txt"),
                "the-secret-of-this-machine",
                StandardCharsets.UTF_8);
        Path stolen = Path.of("/etc/hostname");
        for (Path file : List.of(secret, stolen)) {
            Converter.Made made = converter.convert(Reaching.file("file://" + file));
            assertThat(text(made.pdf())).contains("before").doesNotContain("the-secret-of-this-machine");
        }
    }

    @Test
    void theProcessSeesNothingButProgramsFontsAndItsFolder() throws Exception {
        assumeTrue(sandboxed(), "bubblewrap can't be used on this machine");
        converter.convert(new WordDraft().paragraph("x").bytes());
        List<String> seen = new ArrayList<>();
        try (Stream<ProcessHandle> all = ProcessHandle.current().descendants()) {
            for (ProcessHandle one : all.filter(
                            process -> process.info().command().orElse("").endsWith("soffice.bin"))
                    .toList()) {
                Path root = Path.of("/proc/" + one.pid() + "/root");
                if (!Files.isDirectory(root.resolve("usr"))) continue;
                seen.add("a process");
                assertThat(root.resolve("root")).doesNotExist();
                assertThat(root.resolve("etc/passwd")).doesNotExist();
                assertThat(root.resolve(BED.folder.resolve("files").toString().substring(1)))
                        .doesNotExist();
            }
        }
        assertThat(seen).isNotEmpty();
    }

    @Test
    void aProcessThatIsKilledAgainAndAgainComesBack() {
        for (int round = 0; round < 3; round++) {
            try (Stream<ProcessHandle> all = ProcessHandle.current().descendants()) {
                all.filter(one -> one.info().commandLine().orElse("").contains("soffice"))
                        .forEach(ProcessHandle::destroyForcibly);
            }
            Wait.until("a document to be made again", () -> {
                try {
                    return text(converter
                                    .convert(new WordDraft().paragraph("alive").bytes())
                                    .pdf())
                            .contains("alive");
                } catch (ServiceAway e) {
                    return false; // it is being started
                } catch (Converter.ConversionFailed e) {
                    assertThat(e.again()).isTrue();
                    return false;
                }
            });
        }
        assertThat(converter.away()).isFalse();
    }

    private static String text(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        } catch (java.io.IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static final class Reaching {
        private static final String OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";

        /** The converter is given the files as they are, without the checks that files from outside pass. */
        static byte[] file(String address) {
            byte[] file = new WordDraft().paragraph("before").paragraph("PLACE").bytes();
            String picture =
                    "<w:r><w:drawing><wp:inline xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\">"
                            + "<wp:extent cx=\"900000\" cy=\"900000\"/><wp:docPr id=\"9\" name=\"p\"/><a:graphic xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\">"
                            + "<a:graphicData uri=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:pic xmlns:pic=\"http://schemas.openxmlformats.org/drawingml/2006/picture\">"
                            + "<pic:nvPicPr><pic:cNvPr id=\"9\" name=\"p\"/><pic:cNvPicPr/></pic:nvPicPr><pic:blipFill><a:blip xmlns:r=\""
                            + OFFICE + "\" r:link=\"out\"/><a:stretch><a:fillRect/></a:stretch></pic:blipFill>"
                            + "<pic:spPr><a:xfrm><a:off x=\"0\" y=\"0\"/><a:ext cx=\"900000\" cy=\"900000\"/></a:xfrm><a:prstGeom prst=\"rect\"/></pic:spPr>"
                            + "</pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r>"
                            + field("INCLUDEPICTURE \"" + address + "\" \\d")
                            + field("INCLUDETEXT \"" + address + "\"");
            String out = "<Relationship Id=\"out\" Type=\"" + OFFICE + "/image\" Target=\"" + address
                    + "\" TargetMode=\"External\"/></Relationships>";
            byte[] changed = Zips.changed(
                    file,
                    "word/document.xml",
                    xml -> xml.replaceFirst(
                            "(<w:r>(?:(?!<w:r>).)*PLACE.*?</w:r>)", "$1" + picture.replace("\\", "\\\\")));
            return Zips.changed(changed, "word/_rels/document.xml.rels", xml -> xml.replace("</Relationships>", out));
        }

        private static String field(String code) {
            return "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText xml:space=\"preserve\"> " + code
                    + " </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>shown</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r>";
        }
    }
}
