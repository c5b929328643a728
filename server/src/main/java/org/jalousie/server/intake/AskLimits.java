package org.jalousie.server.intake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import java.util.Locale;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Component;

/** How much may come from one address and to one form: what a flood would be, and no crowd of people is. */
@Component
class AskLimits {
    private static final int MOST_REMEMBERED = 100_000;

    private final Cache<String, Bucket> buckets = Caffeine.newBuilder()
            .maximumSize(MOST_REMEMBERED)
            .expireAfterAccess(Duration.ofHours(6))
            .build();

    /** What somebody who fills a form asks of the server. */
    enum What {
        /** Reading, the state of the form, its text. */
        LOOK(600, Duration.ofMillis(50), 6000, Duration.ofMillis(5)),
        /** A word that is tried. */
        WORD(10, Duration.ofSeconds(20), 200, Duration.ofSeconds(1)),
        FILE(30, Duration.ofSeconds(20), 600, Duration.ofSeconds(1)),
        HAND_IN(30, Duration.ofSeconds(20), 300, Duration.ofSeconds(2)),
        /** A mail that goes to an address which nobody has looked at. */
        MAIL(8, Duration.ofMinutes(3), 200, Duration.ofSeconds(5));

        private final int most;
        private final Duration each;
        private final int mostOfForm;
        private final Duration eachOfForm;

        What(int most, Duration each, int mostOfForm, Duration eachOfForm) {
            this.most = most;
            this.each = each;
            this.mostOfForm = mostOfForm;
            this.eachOfForm = eachOfForm;
        }
    }

    /** @throws Refusal naming how long to wait */
    void take(What what, String address, FormLink link) {
        take(what + " " + address, what.most, what.each);
        take(what + " form " + link.id(), what.mostOfForm, what.eachOfForm);
    }

    /** Mail that one person gets by forms: nobody's mailbox is filled by somebody else. */
    void mailTo(String recipient) {
        take("mail to " + recipient.toLowerCase(Locale.ROOT), 6, Duration.ofMinutes(20));
    }

    private void take(String key, int most, Duration each) {
        Bucket bucket = buckets.get(
                key,
                one -> Bucket.builder()
                        .addLimit(Bandwidth.builder()
                                .capacity(most)
                                .refillGreedy(1, each)
                                .build())
                        .build());
        ConsumptionProbe probe = bucket.tryConsumeAndReturnRemaining(1);
        if (probe.isConsumed()) return;
        long seconds = Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds() + 1;
        throw Refusal.tooMany(Message.of("tries.too-many", "seconds", seconds), Duration.ofSeconds(seconds));
    }
}
