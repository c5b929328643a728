package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jalousie.core.wording.Zips;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;

/** What anybody may send: bodies without end, files that become many times their size, depth without end. */
class LimitsTest {
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());

    private static void alive() {
        assertThat(new Client(BED.address()).get("/actuator/health").status()).isEqualTo(200);
    }

    /** Sends a body in chunks until the server answers or closes. Returns the answer's first line and how much was sent. */
    private static String endless(String path, String beginning) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", BED.port)) {
            socket.setSoTimeout(20_000);
            OutputStream out = socket.getOutputStream();
            out.write(("POST " + path + " HTTP/1.1\r\nHost: x\r\nCookie: XSRF-TOKEN=x\r\nX-XSRF-TOKEN: x\r\n"
                            + "Content-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            byte[] chunk = "a".repeat(65_536).getBytes(StandardCharsets.US_ASCII);
            try {
                out.write((Integer.toHexString(beginning.length()) + "\r\n" + beginning + "\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
                for (int i = 0; i < 4_000; i++) {
                    out.write("10000\r\n".getBytes(StandardCharsets.US_ASCII));
                    out.write(chunk);
                    out.write("\r\n".getBytes(StandardCharsets.US_ASCII));
                    if (socket.getInputStream().available() > 0) break;
                }
            } catch (IOException e) {
                return "closed";
            }
            byte[] answer = new byte[64];
            int read = socket.getInputStream().read(answer);
            return read < 0 ? "closed" : new String(answer, 0, read, StandardCharsets.US_ASCII);
        }
    }

    @Test
    void bodiesWithoutEndAreCutOff() throws Exception {
        List<Callable<String>> bodies = new ArrayList<>();
        for (int i = 0; i < 8; i++)
            bodies.add(() -> endless(
                    "/api/v1/signing/" + "B".repeat(43) + "/signature",
                    "{\"values\":{},\"mark\":\"drawn\",\"picture\":\""));
        for (String one : Together.all(bodies))
            assertThat(one)
                    .satisfiesAnyOf(
                            answer -> assertThat(answer).contains(" 413"),
                            answer -> assertThat(answer).contains(" 410"),
                            // somebody at this address has tried too many wrong links
                            answer -> assertThat(answer).contains(" 429"),
                            answer -> assertThat(answer).isEqualTo("closed"));
        assertThat(endless("/api/v1/session", "{\"mail\":\"")).doesNotContain(" 200");
        alive();
    }

    @Test
    void aLargeOrDeepBodyIsRefusedWithASentence() {
        Client.Answer large =
                office.client.post("/api/v1/session", Map.of("mail", "x".repeat(20_000), "password", "x"));
        assertThat(large.status()).isEqualTo(413);
        assertThat(large.text()).contains("at most 8 kB");
        Map<String, Object> deep = Map.of("a", "x");
        for (int i = 0; i < 100; i++) deep = Map.of("a", deep);
        assertThat(office.client.post("/api/v1/requests", deep).status()).isEqualTo(400);
        assertThat(new Client(BED.address())
                        .upload("/api/v1/signing/" + "B".repeat(43) + "/signature", "x.png", new byte[100])
                        .status())
                .isEqualTo(415);
        alive();
    }

    @Test
    void filesAreWeighedByWhatTheyBecome() throws Exception {
        ByteArrayOutputStream zeros = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(zeros)) {
            byte[] some = new byte[1 << 20];
            zip.putNextEntry(new ZipEntry("word/media/x.png"));
            for (int i = 0; i < 190; i++) zip.write(some);
        }
        byte[] paragraphs = Zips.changed(
                new WordDraft().paragraph("x").bytes(),
                "word/document.xml",
                xml -> xml.replace("<w:body>", "<w:body>" + "<w:p/>".repeat(2_000_000)));
        List<Callable<Client.Answer>> uploads = new ArrayList<>();
        for (byte[] file : List.of(zeros.toByteArray(), zeros.toByteArray(), paragraphs, paragraphs)) {
            Office own = new Office(BED.address());
            uploads.add(() -> own.client.upload("/api/v1/templates?name=Weight", "x.docx", file));
        }
        for (Client.Answer one : Together.all(uploads)) {
            assertThat(one.status()).as(one.text()).isEqualTo(422);
            assertThat(one.text()).containsPattern("unpacks to more|becomes too large");
        }
        alive();
    }

    @Test
    void moreRequestsThanAnAddressMayHaveOpenAreToldToComeLater() throws Exception {
        List<Socket> open = new ArrayList<>();
        try {
            for (int i = 0; i < 62; i++) {
                Socket socket = new Socket("127.0.0.1", BED.port);
                socket.getOutputStream()
                        .write(
                                ("POST /api/v1/session HTTP/1.1\r\nHost: x\r\nCookie: XSRF-TOKEN=x\r\nX-XSRF-TOKEN: x\r\n"
                                                + "Content-Type: application/json\r\nContent-Length: 100\r\n\r\n{")
                                        .getBytes(StandardCharsets.US_ASCII));
                open.add(socket);
            }
            Thread.sleep(500);
            assertThat(new Client(BED.address()).get("/actuator/health").status())
                    .isEqualTo(429);
        } finally {
            for (Socket socket : open) socket.close();
        }
        Thread.sleep(500);
        alive();
    }
}
