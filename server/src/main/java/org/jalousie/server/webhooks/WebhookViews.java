package org.jalousie.server.webhooks;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.programs.WebhookTerms;

/** Webhooks as the office sees them. */
final class WebhookViews {
    private WebhookViews() {}

    enum State {
        ON,
        PAUSED,
        ENDED
    }

    /** @param waiting how many notices are still to be taken, {@code givenUp} how many weren't */
    record WebhookItem(
            UUID id, String title, String address, State state, long waiting, long givenUp, Instant createdAt) {}

    /** @param endsAt null for never */
    record SecretItem(
            UUID id,
            String ending,
            Instant createdAt,
            @Schema(types = {"string", "null"}) Instant endsAt) {}

    record WebhookDetail(
            UUID id,
            int revision,
            WebhookTerms terms,
            State state,
            long waiting,
            long givenUp,
            List<SecretItem> secrets,
            String createdBy,
            Instant createdAt) {}

    /** @param secret told this once */
    record FreshSecret(UUID id, String secret, WebhookDetail webhook) {}

    /** @param body as it is sent */
    record NoticeDetail(Notices.SentNotice notice, String body, List<Notices.NoticeTry> tries) {}
}
