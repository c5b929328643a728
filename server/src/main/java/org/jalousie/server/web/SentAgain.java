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
import org.jalousie.server.Refusal;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * A POST with an {@code Idempotency-Key} is carried out once, however often it is sent: the answer is the first one's. What was
 * refused has done nothing, and its key can be used again.
 */
final class SentAgain extends OncePerRequestFilter {
    private static final int LARGEST = 1024 * 1024;

    private final KeptAnswers kept;

    SentAgain(KeptAnswers kept) {
        this.kept = kept;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        // strangers are one to us: what one of them was answered is no other's. Who signs in sends a password, which is
        // kept in no form
        return request.getHeader(SendingKey.FIELD) == null
                || !request.getMethod().equals("POST")
                || who == null
                || who instanceof AnonymousAuthenticationToken
                || request.getRequestURI().equals("/api/v1/session");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        try {
            String key = SendingKey.read(request.getHeader(SendingKey.FIELD));
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
        try {
            kept.during(asked, () -> chain.doFilter(request, answer));
        } finally {
            boolean told = answer.getContentSize() <= LARGEST && !SendingKey.isAnsweredOnce(request);
            // what broke may be looked up
            kept.ended(asked, told && answer.getStatus() < 500 ? Optional.of(answer(answer)) : Optional.empty());
            answer.copyBodyToResponse();
        }
    }

    private static KeptAnswers.Answer answer(ContentCachingResponseWrapper answer) {
        return new KeptAnswers.Answer(
                answer.getStatus(),
                Optional.ofNullable(answer.getContentType()).orElse(""),
                Optional.ofNullable(answer.getHeader("Location")).orElse(""),
                answer.getContentAsByteArray());
    }

    private static void repeat(KeptAnswers.Answer before, HttpServletResponse response) throws IOException {
        response.setStatus(before.status());
        if (!before.type().isEmpty()) response.setContentType(before.type());
        if (!before.location().isEmpty()) response.setHeader("Location", before.location());
        response.getOutputStream().write(before.body());
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
