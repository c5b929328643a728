package org.jalousie.standins;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.mail.Message;
import jakarta.mail.Session;
import jakarta.mail.Transport;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.Properties;
import java.util.UUID;
import org.jalousie.standins.mail.MailStandin;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MailStandinTest {
    private static final UUID ID = UUID.fromString("11111111-2222-3333-4444-555555555555");

    @TempDir
    Path folder;

    private static void send(int port) throws Exception {
        Properties properties = new Properties();
        properties.put("mail.smtp.host", "127.0.0.1");
        properties.put("mail.smtp.port", String.valueOf(port));
        MimeMessage message = new MimeMessage(Session.getInstance(properties)) {
            @Override
            protected void updateMessageID() throws jakarta.mail.MessagingException {
                setHeader("Message-ID", "<" + ID + "@museum.example.org>");
            }
        };
        message.setFrom(new InternetAddress("office@museum.example.org"));
        message.setRecipient(Message.RecipientType.TO, new InternetAddress("ida@lender.example.org"));
        message.setSubject("Hello");
        message.setText("The words.");
        Transport.send(message);
    }

    private static HttpResponse<String> get(MailStandin mail, String path) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(mail.address() + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void whatComesInBySmtpIsListedReadAndKeptOverARestart() throws Exception {
        try (MailStandin mail = new MailStandin(0, 0, 0, folder)) {
            assertThat(get(mail, "/messages").body()).isEqualTo("[]");
            send(mail.smtpPort());
            assertThat(get(mail, "/messages").body()).isEqualTo("[1]");
            assertThat(get(mail, "/messages/1").body())
                    .contains("Subject: Hello")
                    .contains("The words.");
            assertThat(get(mail, "/messages/by-id/" + ID).statusCode()).isEqualTo(200);
            assertThat(get(mail, "/messages/by-id/" + UUID.randomUUID()).statusCode())
                    .isEqualTo(404);
        }
        try (MailStandin again = new MailStandin(0, 0, 0, folder)) {
            send(again.smtpPort());
            assertThat(get(again, "/messages").body()).isEqualTo("[2,1]");
            assertThat(get(again, "/messages/../../etc/passwd").statusCode()).isNotEqualTo(500);
        }
    }
}
