package org.jalousie.server.webhooks;

import java.time.Clock;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.NoticeKind;
import org.jalousie.core.programs.WebhookTerms;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.OutsideHttp;
import org.jalousie.server.adapters.OutsideProblem;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.trail.Trail;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Webhooks as the office settles them. */
@Service
class WebhookService {
    private static final ListOrder ORDER = new ListOrder(Map.of("title", "title"), "title");
    private static final int MOST_HOURS = 24 * 90;
    private static final int MOST_SECRETS = 5;

    private final Trail trail;
    private final Webhooks webhooks;
    private final WebhookSecrets secrets;
    private final Notices notices;
    private final NoticeWriting writing;
    private final UsableTemplates templates;
    private final OutsideHttp http;
    private final RowLock lock;
    private final Clock clock;

    WebhookService(
            Trail trail,
            Webhooks webhooks,
            WebhookSecrets secrets,
            Notices notices,
            NoticeWriting writing,
            UsableTemplates templates,
            OutsideHttp http,
            RowLock lock,
            Clock clock) {
        this.trail = trail;
        this.webhooks = webhooks;
        this.secrets = secrets;
        this.notices = notices;
        this.writing = writing;
        this.templates = templates;
        this.http = http;
        this.lock = lock;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Page<WebhookViews.WebhookItem> list(String find, String sort, int page) {
        var found = webhooks.find(Page.pattern(find), ORDER.page(page, sort));
        Map<UUID, Notices.Open> open =
                notices.open(found.getContent().stream().map(Webhook::id).toList());
        return new Page<>(
                found.getContent().stream()
                        .map(one -> new WebhookViews.WebhookItem(
                                one.id(),
                                one.terms().title(),
                                one.terms().address(),
                                state(one),
                                open.getOrDefault(one.id(), Notices.Open.NONE).waiting(),
                                open.getOrDefault(one.id(), Notices.Open.NONE).givenUp(),
                                one.createdAt()))
                        .toList(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    @Transactional(readOnly = true)
    WebhookViews.WebhookDetail show(UUID id) {
        return detail(webhook(id));
    }

    @Transactional
    WebhookViews.FreshSecret make(WebhookTerms terms, Optional<Message> outside, String by) {
        check(terms, List.of(), outside);
        Webhook webhook = webhooks.saveAndFlush(new Webhook(terms, by, clock.instant()));
        WebhookSecrets.Fresh fresh = secrets.make(webhook.id());
        note("act.webhooks.made", webhook);
        return new WebhookViews.FreshSecret(fresh.id(), fresh.secret(), detail(webhook));
    }

    @Transactional
    WebhookViews.WebhookDetail settle(UUID id, int revision, WebhookTerms terms, Optional<Message> outside) {
        Webhook webhook = open(id);
        if (webhook.revision() != revision) throw Refusal.conflict(Message.of("webhook.changed"));
        check(terms, webhook.terms().forms(), outside);
        webhook.settle(terms, clock.instant());
        // another address may answer where the one before did not
        notices.back(id);
        webhooks.flush();
        note("act.webhooks.settled", webhook);
        return detail(webhook);
    }

    /**
     * Why an address can't be spoken to; nothing when it can. Names are looked up for it, which may take a while: not in a
     * transaction.
     */
    Optional<Message> outside(WebhookTerms terms) {
        try {
            WebhookTerms.readAddress(terms.address()).ifPresent(http::check);
            return Optional.empty();
        } catch (OutsideProblem problem) {
            return Optional.of(problem.said());
        }
    }

    private void check(WebhookTerms terms, List<UUID> known, Optional<Message> outside) {
        Map<String, Message> faults = new LinkedHashMap<>(terms.faults());
        outside.ifPresent(fault -> faults.putIfAbsent("address", fault));
        templates
                .missing(terms.forms(), known)
                .ifPresent(form -> faults.put("forms", Message.of("program.no-template", "template", form.toString())));
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
    }

    @Transactional
    WebhookViews.WebhookDetail pause(UUID id, boolean now) {
        Webhook webhook = open(id);
        webhook.pause(now, clock.instant());
        if (!now) notices.goOn(id);
        note(now ? "act.webhooks.paused" : "act.webhooks.goes-on", webhook);
        webhooks.flush();
        return detail(webhook);
    }

    /** It is told nothing any more, also of what waits. */
    @Transactional
    WebhookViews.WebhookDetail end(UUID id) {
        Webhook webhook = lock.on(webhook(id));
        webhook.end(clock.instant());
        notices.giveUp(id);
        note("act.webhooks.ended", webhook);
        webhooks.flush();
        return detail(webhook);
    }

    /** @param othersEndIn hours until which the secrets before sign too */
    @Transactional
    WebhookViews.FreshSecret changeSecret(UUID id, int othersEndIn) {
        Webhook webhook = open(id);
        if (othersEndIn < 0 || othersEndIn > MOST_HOURS)
            throw Refusal.malformed(Message.of("key.hours", "most", MOST_HOURS));
        if (secrets.of(id).size() >= MOST_SECRETS)
            throw Refusal.conflict(Message.of("webhook.many-secrets", "most", MOST_SECRETS));
        WebhookSecrets.Fresh fresh = secrets.make(id);
        note("act.webhooks.secret", webhook);
        secrets.endOthers(id, fresh.id(), clock.instant().plus(Duration.ofHours(othersEndIn)));
        return new WebhookViews.FreshSecret(fresh.id(), fresh.secret(), detail(webhook));
    }

    /** Sends a notice that tells of nothing, to see whether it arrives. */
    @Transactional
    WebhookViews.WebhookDetail tryOut(UUID id) {
        Webhook webhook = open(id);
        writing.write(webhook, NoticeKind.TRIAL, "", clock.instant(), Map.of());
        notices.back(id);
        return detail(webhook);
    }

    /** @param notice empty for all that were given up */
    @Transactional
    WebhookViews.WebhookDetail again(UUID id, Optional<UUID> notice) {
        Webhook webhook = open(id);
        if (notices.again(id, notice.orElse(null)) == 0 && notice.isPresent())
            throw Refusal.notFound(Message.of("webhook.no-notice"));
        notices.back(id);
        return detail(webhook);
    }

    @Transactional(readOnly = true)
    Page<Notices.SentNotice> notices(UUID id, Optional<Notices.State> state, int page) {
        return notices.list(webhook(id).id(), state, page);
    }

    @Transactional(readOnly = true)
    WebhookViews.NoticeDetail notice(UUID id, UUID notice) {
        Notices.SentNotice one = notices.notice(webhook(id).id(), notice)
                .orElseThrow(() -> Refusal.notFound(Message.of("webhook.no-notice")));
        return new WebhookViews.NoticeDetail(one, notices.body(notice), notices.tries(notice));
    }

    private Webhook webhook(UUID id) {
        return webhooks.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("webhook.none")));
    }

    private void note(String act, Webhook webhook) {
        trail.note(Message.of(
                act,
                "title",
                webhook.terms().title(),
                "address",
                webhook.terms().address()));
    }

    private Webhook open(UUID id) {
        Webhook webhook = lock.on(webhook(id));
        if (webhook.endedAt().isPresent()) throw Refusal.conflict(Message.of("webhook.ended"));
        return webhook;
    }

    private static WebhookViews.State state(Webhook one) {
        if (one.endedAt().isPresent()) return WebhookViews.State.ENDED;
        return one.paused() ? WebhookViews.State.PAUSED : WebhookViews.State.ON;
    }

    private WebhookViews.WebhookDetail detail(Webhook one) {
        Notices.Open open = notices.open(List.of(one.id())).getOrDefault(one.id(), Notices.Open.NONE);
        return new WebhookViews.WebhookDetail(
                one.id(),
                one.revision(),
                one.terms(),
                state(one),
                open.waiting(),
                open.givenUp(),
                secrets.of(one.id()).stream()
                        .map(held -> new WebhookViews.SecretItem(
                                held.id(),
                                held.ending(),
                                held.createdAt(),
                                held.endsAt().orElse(null)))
                        .toList(),
                one.createdBy(),
                one.createdAt());
    }
}
