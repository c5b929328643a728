package org.jalousie.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.jalousie.standins.text.TextStandin;
import org.jsmpp.bean.Alphabet;
import org.jsmpp.bean.BindType;
import org.jsmpp.bean.ESMClass;
import org.jsmpp.bean.GeneralDataCoding;
import org.jsmpp.bean.NumberingPlanIndicator;
import org.jsmpp.bean.OptionalParameter;
import org.jsmpp.bean.RegisteredDelivery;
import org.jsmpp.bean.TypeOfNumber;
import org.jsmpp.session.BindParameter;
import org.jsmpp.session.SMPPSession;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TextStandinTest {
    @TempDir
    Path folder;

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static SMPPSession bound(int port, String password) throws IOException {
        SMPPSession session = new SMPPSession();
        session.connectAndBind(
                "127.0.0.1",
                port,
                new BindParameter(
                        BindType.BIND_TX,
                        "office",
                        password,
                        "",
                        TypeOfNumber.UNKNOWN,
                        NumberingPlanIndicator.UNKNOWN,
                        null));
        return session;
    }

    private static String send(SMPPSession session, byte[] octets, OptionalParameter... more) throws Exception {
        return session.submitShortMessage(
                        "",
                        TypeOfNumber.ALPHANUMERIC,
                        NumberingPlanIndicator.UNKNOWN,
                        "Museum",
                        TypeOfNumber.INTERNATIONAL,
                        NumberingPlanIndicator.ISDN,
                        "447700900123",
                        new ESMClass(),
                        (byte) 0,
                        (byte) 1,
                        null,
                        null,
                        new RegisteredDelivery(0),
                        (byte) 0,
                        new GeneralDataCoding(Alphabet.ALPHA_UCS2),
                        (byte) 0,
                        octets,
                        more)
                .getMessageId();
    }

    private static HttpResponse<String> get(TextStandin texts, String id) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(texts.address() + "/texts/" + id))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void whatComesInBySmppCanBeReadShortOrLong() throws Exception {
        int port = freePort();
        try (TextStandin texts = new TextStandin(port, 0, folder, "secret")) {
            SMPPSession session = bound(port, "secret");
            String shortOne = send(session, "Ōta 12".getBytes(StandardCharsets.UTF_16BE));
            String words = "łódź ".repeat(60);
            String longOne = send(
                    session,
                    new byte[0],
                    new OptionalParameter.Message_payload(words.getBytes(StandardCharsets.UTF_16BE)));
            session.unbindAndClose();
            assertThat(get(texts, shortOne).body()).isEqualTo("Ōta 12");
            assertThat(get(texts, longOne).body()).isEqualTo(words);
            assertThat(get(texts, "../secret").statusCode()).isEqualTo(404);
            assertThatThrownBy(() -> bound(port, "wrong")).isInstanceOf(IOException.class);
        }
    }
}
