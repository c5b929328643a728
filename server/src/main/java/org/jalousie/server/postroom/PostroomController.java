package org.jalousie.server.postroom;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Sight;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The list of mail; and the mail itself when it goes to the stand-in. */
@RestController
@RequestMapping("/api/v1/postroom")
class PostroomController {
    private static final ListOrder ORDER =
            new ListOrder(Map.of("created", "createdAt", "recipient", "recipient"), "-created");

    private final Mails mails;
    private final Settings settings;
    private final HttpClient http = HttpClient.newHttpClient();
    private final Sight sight;

    PostroomController(Mails mails, Settings settings, Sight sight) {
        this.sight = sight;
        this.mails = mails;
        this.settings = settings;
    }

    /** One mail. @param because what was said of one that came back */
    record MailRow(
            UUID id,
            String kind,
            boolean byText,
            String recipient,
            String subject,
            String state,
            Instant createdAt,
            @Schema(types = {"string", "null"}) Instant sentAt,
            @Schema(types = {"string", "null"}) Instant goesAt,
            String because) {}

    record MailText(String from, String to, String subject, String text, List<String> attachments) {}

    /** Mail that went out. */
    @GetMapping
    Page<MailRow> list(@RequestParam(defaultValue = "") String sort, @RequestParam(defaultValue = "0") int page) {
        var found = sight.seesAll()
                ? mails.findAll(ORDER.page(page, sort))
                : mails.seen(sight.hidden(), ORDER.page(page, sort));
        return new Page<>(
                found.map(mail -> new MailRow(
                                mail.id(),
                                mail.kindName(),
                                mail.byText(),
                                mail.recipient(),
                                mail.subject(),
                                mail.state(),
                                mail.createdAt(),
                                mail.sentAt(),
                                mail.goesAt(),
                                Objects.requireNonNullElse(mail.returnedBecause(), "")))
                        .getContent(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    /** The mail as the stand-in received it; there is none to show where mail really goes out. */
    @GetMapping("/{id}")
    MailText read(@PathVariable UUID id) {
        Mail mail = mails.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("mail.none")));
        String standin = mail.byText() ? settings.texts().postroom() : settings.postroom();
        if (standin.isBlank()) throw Refusal.notFound(Message.of("mail.for-real"));
        if (mail.byText()) {
            String text = new String(
                    received(standin + "/texts/" + Objects.requireNonNullElse(mail.carrierId(), "none")),
                    StandardCharsets.UTF_8);
            return new MailText(settings.texts().sender(), mail.recipient(), mail.subject(), text, List.of());
        }
        byte[] received = received(standin + "/messages/by-id/" + id);
        try {
            MimeMessage message =
                    new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(received));
            StringBuilder text = new StringBuilder();
            List<String> attachments = new ArrayList<>();
            collect(message, text, attachments);
            return new MailText(
                    message.getFrom()[0].toString(),
                    message.getAllRecipients()[0].toString(),
                    message.getSubject(),
                    text.toString(),
                    attachments);
        } catch (IOException | MessagingException e) {
            throw Refusal.conflict(Message.of("mail.stand-in-away"));
        }
    }

    private byte[] received(String address) {
        try {
            HttpResponse<byte[]> response = http.send(
                    HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofByteArray());
            if (response.statusCode() != 200) throw Refusal.notFound(Message.of("mail.not-arrived"));
            return response.body();
        } catch (IOException e) {
            throw Refusal.conflict(Message.of("mail.stand-in-away"));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted", e);
        }
    }

    private static void collect(Part part, StringBuilder text, List<String> attachments)
            throws MessagingException, IOException {
        if (part.getContent() instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                BodyPart next = parts.getBodyPart(i);
                collect(next, text, attachments);
            }
        } else if (part.getFileName() != null) {
            attachments.add(jakarta.mail.internet.MimeUtility.decodeText(part.getFileName()));
        } else if (part.isMimeType("text/plain") && part.getContent() instanceof String words) {
            text.append(words);
        }
    }
}
