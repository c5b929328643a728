package org.jalousie.server.webhooks;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.programs.CloudEvent;
import org.jalousie.core.programs.ContentDigest;
import org.jalousie.core.programs.MessageSignature;
import org.jalousie.core.programs.NextTry;
import org.jalousie.core.programs.SignedMessage;
import org.jalousie.core.programs.WebhookTerms;
import org.jalousie.server.adapters.OutsideHttp;
import org.jalousie.server.adapters.OutsideProblem;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.springframework.stereotype.Component;

/**
 * Sends notices: one job for each webhook, so that one whose program doesn't answer holds up no other. The oldest go first; one
 * that isn't taken is tried again later while the next ones go on.
 */
@Component
class NoticeWork implements JobWork {
    private static final Duration LIMIT = Duration.ofSeconds(10);
    private static final Duration AT_ONCE = Duration.ofSeconds(20);
    private static final int MOST_AT_ONCE = 100;
    private static final int MOST_REFUSALS = 3;
    private static final int MOST_ANSWER = 1_000;
    private static final List<String> COVERED = List.of("@method", "@target-uri", "content-type", "content-digest");

    private final Webhooks webhooks;
    private final WebhookSecrets secrets;
    private final Notices notices;
    private final OutsideHttp outside;
    private final Clock clock;

    NoticeWork(Webhooks webhooks, WebhookSecrets secrets, Notices notices, OutsideHttp outside, Clock clock) {
        this.webhooks = webhooks;
        this.secrets = secrets;
        this.notices = notices;
        this.outside = outside;
        this.clock = clock;
    }

    @Override
    public JobKind kind() {
        return JobKind.WEBHOOK;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        long start = System.nanoTime();
        int refused = 0;
        for (int sent = 0; sent < MOST_AT_ONCE && System.nanoTime() - start < AT_ONCE.toNanos(); sent++) {
            // it may have been paused, ended or changed since the last one
            Optional<Webhook> webhook = webhooks.findById(id)
                    .filter(one -> !one.paused() && one.endedAt().isEmpty());
            Optional<Notices.Due> due = webhook.flatMap(one -> notices.next(id));
            if (due.isEmpty()) return false;
            Notices.NoticeTry tried = send(webhook.get(), due.get());
            boolean taken = tried.taken();
            Optional<Instant> next = taken
                    ? Optional.empty()
                    : NextTry.after(due.get().tries() + 1)
                            .map(delay -> clock.instant().plus(delay));
            notices.tried(
                    due.get(),
                    tried,
                    taken ? Notices.State.TAKEN : next.isPresent() ? Notices.State.WAITING : Notices.State.GIVEN_UP,
                    next);
            refused = taken ? 0 : refused + 1;
            if (tried.status() == null || refused == MOST_REFUSALS) {
                NextTry.after(notices.away(id))
                        .or(() -> Optional.of(Duration.ofDays(1)))
                        .ifPresent(delay -> notices.waits(id, clock.instant().plus(delay)));
                return false;
            }
            if (taken) notices.back(id);
        }
        return false;
    }

    private Notices.NoticeTry send(Webhook webhook, Notices.Due notice) {
        Instant at = clock.instant();
        long start = System.nanoTime();
        Integer status = null;
        String fault = "";
        String answered = "";
        try {
            OutsideHttp.Answer answer = outside.send(request(webhook, notice, at), LIMIT, MOST_ANSWER);
            status = answer.status();
            // what isn't text is shown as such, and a database keeps no NUL
            answered = new String(answer.body(), StandardCharsets.UTF_8).replace('\0', '\uFFFD');
        } catch (OutsideProblem problem) {
            fault = problem.getMessage();
        }
        return new Notices.NoticeTry(at, status, fault, answered, (int) ((System.nanoTime() - start) / 1_000_000));
    }

    /** Signed with each secret that holds now (RFC 9421), the body by its digest (RFC 9530). */
    private OutsideHttp.Request request(Webhook webhook, Notices.Due notice, Instant at) {
        URI address = WebhookTerms.readAddress(webhook.terms().address()).orElseThrow();
        byte[] body = notice.body().getBytes(StandardCharsets.UTF_8);
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("Content-Type", CloudEvent.TYPE);
        fields.put("Content-Digest", ContentDigest.of(body));
        SignedMessage message = new SignedMessage(
                "POST",
                address.toString(),
                address.getRawAuthority(),
                address.getRawPath(),
                Optional.ofNullable(address.getRawQuery()).orElse(""),
                Map.of("content-type", CloudEvent.TYPE, "content-digest", ContentDigest.of(body)));
        MessageSignature.Fields signed =
                MessageSignature.sign(message, COVERED, at, Optional.empty(), secrets.signing(webhook.id()));
        fields.put("Signature-Input", signed.input());
        fields.put("Signature", signed.signature());
        return new OutsideHttp.Request("POST", address, fields, body);
    }
}
