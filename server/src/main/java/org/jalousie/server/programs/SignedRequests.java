package org.jalousie.server.programs;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.ContentDigest;
import org.jalousie.core.programs.MessageSignature;
import org.jalousie.core.programs.SignedMessage;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.web.KeptBody;
import org.springframework.stereotype.Component;

/**
 * Requests that are signed with a program's key (RFC 9421, hmac-sha256). A signature has to cover the method, the address and the
 * body, to be some minutes old at most, and not to have come before.
 */
@Component
class SignedRequests {
    static final String INPUT = "Signature-Input";
    private static final Duration LEEWAY = Duration.ofMinutes(5);
    private static final int LONGEST_NONCE = 100;

    private final ProgramKeys keys;
    private final Settings settings;
    private final Clock clock;

    SignedRequests(ProgramKeys keys, Settings settings, Clock clock) {
        this.keys = keys;
        this.settings = settings;
        this.clock = clock;
    }

    /** A signed request that holds. @param request with its body, which was read */
    record Signed(ProgramKeys.Known by, HttpServletRequest request) {}

    /** @throws Refusal when none of its signatures is one of ours that holds */
    Signed read(HttpServletRequest request) throws IOException {
        if (KeptBody.isInParts(request)) throw Refusal.unauthorized(Message.of("key.signature-file"));
        List<MessageSignature> all;
        try {
            all = MessageSignature.read(
                    joined(request, INPUT),
                    Optional.ofNullable(joined(request, "Signature")).orElse(""));
        } catch (MessageSignature.Unreadable e) {
            throw Refusal.unauthorized(Message.of("key.signature", "why", e.getMessage()));
        }
        SignedMessage message = message(request);
        for (MessageSignature one : all) {
            Optional<ProgramKeys.Known> known =
                    keys.signing(one.keyId()).filter(key -> one.holds(message, key.secret()));
            if (known.isEmpty()) continue;
            // a body is read for nobody before it is known who sends it
            KeptBody kept = KeptBody.of(request);
            require(one, kept, known.get());
            return new Signed(known.get(), kept);
        }
        throw Refusal.unauthorized(Message.of("key.signature-wrong"));
    }

    private void require(MessageSignature signature, KeptBody request, ProgramKeys.Known key) {
        Set<String> covered = Set.copyOf(signature.components());
        boolean whole = covered.contains("@target-uri");
        if (!covered.contains("@method")) throw lacking("@method");
        if (!whole && !covered.contains("@path")) throw lacking("@path");
        if (!whole && request.getQueryString() != null && !covered.contains("@query")) throw lacking("@query");
        byte[] body = request.body();
        if (body.length > 0 || request.getHeader("Content-Digest") != null) {
            if (!covered.contains("content-digest")) throw lacking("content-digest");
            if (!ContentDigest.holds(joined(request, "Content-Digest"), body))
                throw Refusal.unauthorized(Message.of("key.signature-digest"));
        }
        Instant now = clock.instant();
        boolean timely = signature
                .created()
                .filter(created -> Duration.between(created, now).abs().compareTo(LEEWAY) <= 0)
                .isPresent();
        if (!timely || signature.expires().filter(end -> end.isBefore(now)).isPresent())
            throw Refusal.unauthorized(Message.of(
                    "key.signature-time",
                    "minutes",
                    LEEWAY.toMinutes(),
                    "now",
                    now.truncatedTo(ChronoUnit.SECONDS).toString()));
        boolean changes = !Set.of("GET", "HEAD").contains(request.getMethod());
        String nonce = signature.nonce();
        if (changes && (nonce.isEmpty() || nonce.length() > LONGEST_NONCE || !keys.first(key.key(), nonce)))
            throw Refusal.unauthorized(Message.of("key.signature-nonce"));
    }

    private static Refusal lacking(String component) {
        return Refusal.unauthorized(Message.of("key.signature-covers", "component", component));
    }

    /** Behind a proxy the address by which the office is known counts, not that of this machine. */
    private SignedMessage message(HttpServletRequest request) {
        String query = Optional.ofNullable(request.getQueryString()).orElse("");
        String target = settings.address()
                + request.getRequestURI()
                + (request.getQueryString() == null ? "" : "?" + request.getQueryString());
        Map<String, String> fields = new LinkedHashMap<>();
        for (String name : Collections.list(request.getHeaderNames()))
            fields.put(name.toLowerCase(Locale.ROOT), joined(request, name));
        return new SignedMessage(
                request.getMethod(),
                target,
                Optional.ofNullable(request.getHeader("Host")).orElse(""),
                request.getRequestURI(),
                query,
                fields);
    }

    /** RFC 9421 §2.1: several fields of one name are one, joined by commas. */
    private static String joined(HttpServletRequest request, String name) {
        List<String> values = new ArrayList<>();
        Collections.list(request.getHeaders(name)).forEach(value -> values.add(value.strip()));
        return values.isEmpty() ? null : String.join(", ", values);
    }
}
