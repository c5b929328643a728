package org.jalousie.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.Part;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * A POST with an {@code Idempotency-Key} is carried out once, however often it is sent: the answer is the first one's. What was
 * refused has done nothing, and its key can be used again. As draft-ietf-httpapi-idempotency-key-header has it; the key may also
 * stand without its quotation marks.
 */
final class SentAgain extends OncePerRequestFilter {
    static final String FIELD = "Idempotency-Key";
    private static final int LONGEST = 200;
    private static final int LARGEST = 1024 * 1024;

    private final KeptAnswers kept;

    SentAgain(KeptAnswers kept) {
        this.kept = kept;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return request.getHeader(FIELD) == null
                || !request.getMethod().equals("POST")
                || SecurityContextHolder.getContext().getAuthentication() == null;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        try {
            String key = key(request.getHeader(FIELD));
            HttpServletRequest again;
            String fingerprint;
            try {
                again = KeptBody.isInParts(request) ? request : KeptBody.of(request);
                fingerprint = fingerprint(again);
            } catch (RequestLimits.TooLarge large) {
                ProblemBody.write(response, 413, RequestLimits.sentence(large.most));
                return;
            } catch (IOException | ServletException | IllegalStateException unreadable) {
                // whoever reads it next says what is wrong with it; nothing comes of it
                chain.doFilter(request, response);
                return;
            }
            KeptAnswers.Asked asked = new KeptAnswers.Asked(who.getName(), key, fingerprint);
            Optional<KeptAnswers.Answer> before =
                    kept.begin(asked, request.getRequestURI().endsWith("/form/answers"));
            if (before.isPresent()) {
                repeat(before.get(), response);
                return;
            }
            goOn(asked, again, response, chain);
        } catch (Refusal refusal) {
            ProblemBody.write(response, refusal);
        }
    }

    private void goOn(
            KeptAnswers.Asked asked, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ContentCachingResponseWrapper answer = new ContentCachingResponseWrapper(response);
        boolean answered = false;
        try {
            boolean done = kept.during(asked, () -> chain.doFilter(request, answer));
            // what was refused after something was done is told again, too; what broke may be looked up
            answered = (answer.getStatus() < 300 || done && answer.getStatus() < 500)
                    && answer.getContentSize() <= LARGEST;
        } finally {
            if (answered)
                kept.answered(
                        asked,
                        new KeptAnswers.Answer(
                                answer.getStatus(),
                                Optional.ofNullable(answer.getContentType()).orElse(""),
                                Optional.ofNullable(answer.getHeader("Location"))
                                        .orElse(""),
                                answer.getContentAsByteArray()));
            else kept.nothingDone(asked);
            answer.copyBodyToResponse();
        }
    }

    private static void repeat(KeptAnswers.Answer before, HttpServletResponse response) throws IOException {
        response.setStatus(before.status());
        if (!before.type().isEmpty()) response.setContentType(before.type());
        if (!before.location().isEmpty()) response.setHeader("Location", before.location());
        response.getOutputStream().write(before.body());
    }

    private static String key(String field) {
        String text = field.strip();
        if (text.length() > 1 && text.startsWith("\"") && text.endsWith("\""))
            text = text.substring(1, text.length() - 1);
        if (text.isEmpty() || text.length() > LONGEST || !text.chars().allMatch(one -> one > ' ' && one < 127))
            throw Refusal.malformed(Message.of("again.form", "most", LONGEST));
        return text;
    }

    /** What tells one request from another. */
    private static String fingerprint(HttpServletRequest request) throws IOException, ServletException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        all.write((request.getRequestURI() + "?" + request.getQueryString() + "\n").getBytes(StandardCharsets.UTF_8));
        if (request instanceof KeptBody body) {
            all.write(body.body());
        } else {
            for (Part part : request.getParts()) {
                all.write(
                        (part.getName() + "\n" + part.getSubmittedFileName() + "\n").getBytes(StandardCharsets.UTF_8));
                try (InputStream in = part.getInputStream()) {
                    all.write(Sha256.of(in.readAllBytes()).hex().getBytes(StandardCharsets.US_ASCII));
                }
            }
        }
        return Sha256.of(all.toByteArray()).hex();
    }

    /** How long whoever asks again while the first is being worked on should wait. */
    static final Duration A_MOMENT = Duration.ofSeconds(1);
}
