package org.jalousie.server.webhooks;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.programs.WebhookTerms;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
import org.jalousie.server.web.SendingKey;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Webhooks over HTTP. */
@RestController
@RequestMapping("/api/v1/webhooks")
class WebhookController {
    private final WebhookService service;

    WebhookController(WebhookService service) {
        this.service = service;
    }

    record NewWebhook(WebhookTerms terms) {}

    /** @param revision that it is based on */
    record SettledWebhook(int revision, WebhookTerms terms) {}

    /** @param othersEndIn hours until which the secrets before sign too, 0 for at once */
    record WantedSecret(int othersEndIn) {}

    /** Webhooks by their names. */
    @GetMapping
    Page<WebhookViews.WebhookItem> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return service.list(find, sort, page);
    }

    /** Makes one with its first secret, which is told this once. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    WebhookViews.FreshSecret make(
            @RequestBody NewWebhook webhook, @AuthenticationPrincipal SignedIn by, HttpServletRequest request) {
        SendingKey.answersOnce(request);
        return service.make(webhook.terms(), service.outside(webhook.terms()), by.displayName());
    }

    /** A webhook, with its secrets that sign now. */
    @GetMapping("/{id}")
    WebhookViews.WebhookDetail show(@PathVariable UUID id) {
        return service.show(id);
    }

    /** Settles what is told where. */
    @PutMapping("/{id}")
    WebhookViews.WebhookDetail settle(@PathVariable UUID id, @RequestBody SettledWebhook webhook) {
        return service.settle(id, webhook.revision(), webhook.terms(), service.outside(webhook.terms()));
    }

    /** It is told nothing any more. What it was told stays known. */
    @DeleteMapping("/{id}")
    WebhookViews.WebhookDetail end(@PathVariable UUID id) {
        return service.end(id);
    }

    /** Notices wait until it goes on. */
    @PostMapping("/{id}/pause")
    WebhookViews.WebhookDetail pause(@PathVariable UUID id) {
        return service.pause(id, true);
    }

    /** Lets a paused webhook go on. */
    @DeleteMapping("/{id}/pause")
    WebhookViews.WebhookDetail goOn(@PathVariable UUID id) {
        return service.pause(id, false);
    }

    /** A new secret, which is told this once; those before sign too for a while. */
    @PostMapping("/{id}/secrets")
    @ResponseStatus(HttpStatus.CREATED)
    WebhookViews.FreshSecret changeSecret(
            @PathVariable UUID id, @RequestBody WantedSecret secret, HttpServletRequest request) {
        SendingKey.answersOnce(request);
        return service.changeSecret(id, secret.othersEndIn());
    }

    /** Sends a notice that tells of nothing. */
    @PostMapping("/{id}/trial")
    WebhookViews.WebhookDetail tryOut(@PathVariable UUID id) {
        return service.tryOut(id);
    }

    /** The newest first. */
    @GetMapping("/{id}/notices")
    Page<Notices.SentNotice> notices(
            @PathVariable UUID id,
            @RequestParam(required = false) Notices.State state,
            @RequestParam(defaultValue = "0") int page) {
        return service.notices(id, Optional.ofNullable(state), page);
    }

    /** A notice: what is sent, how often it was tried, what was answered. */
    @GetMapping("/{id}/notices/{notice}")
    WebhookViews.NoticeDetail notice(@PathVariable UUID id, @PathVariable UUID notice) {
        return service.notice(id, notice);
    }

    /** Sends a notice once more, with the id that it has. */
    @PostMapping("/{id}/notices/{notice}/sending")
    WebhookViews.WebhookDetail again(@PathVariable UUID id, @PathVariable UUID notice) {
        return service.again(id, Optional.of(notice));
    }

    /** Sends all once more that were given up. */
    @PostMapping("/{id}/notices/sending")
    WebhookViews.WebhookDetail allAgain(@PathVariable UUID id) {
        return service.again(id, Optional.empty());
    }
}
