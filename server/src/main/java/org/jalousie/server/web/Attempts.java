package org.jalousie.server.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import java.util.List;
import java.util.function.Function;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Component;

/**
 * Slows guessing down without locking anybody out: every try takes a token from three buckets, whether the account exists or
 * not, and gets it back when it was right. They fill up again by themselves. Who guesses from one address holds up that
 * address; who guesses from many at one account makes its owner wait seconds, not minutes.
 */
@Component
public class Attempts {
    private static final int MOST_REMEMBERED = 100_000;

    private final Cache<String, Bucket> addressAndAccount = buckets();
    private final Cache<String, Bucket> address = buckets();
    private final Cache<String, Bucket> account = buckets();

    private static Cache<String, Bucket> buckets() {
        return Caffeine.newBuilder()
                .maximumSize(MOST_REMEMBERED)
                .expireAfterAccess(Duration.ofHours(2))
                .build();
    }

    /** Tokens taken for one try. */
    public record Attempt(List<Bucket> from) {
        /** It was no guess. */
        public void succeeded() {
            from.forEach(bucket -> bucket.addTokens(1));
        }
    }

    /** @throws Refusal naming how long to wait, the same for accounts that exist and that don't */
    public Attempt signIn(String from, String mail) {
        return take(
                find(addressAndAccount, from + " " + mail, 6, Duration.ofSeconds(10)),
                find(address, from, 40, Duration.ofSeconds(2)),
                find(account, mail, 60, Duration.ofSeconds(2)));
    }

    /** A code beside a password that was right: five at once, then one each five minutes, wherever they come from. */
    public Attempt code(String mail) {
        return take(find(account, "code " + mail, 5, Duration.ofMinutes(5)));
    }

    /** A mail that somebody who isn't signed in asks for; they are counted whether it goes or not. */
    public Attempt mailed(String from, String mail) {
        return take(
                find(address, "mail " + from, 20, Duration.ofSeconds(30)),
                find(account, "mail " + mail, 3, Duration.ofMinutes(5)));
    }

    /** A passkey that is asked for or shown; one that was right counts half. */
    public Attempt passkey(String from) {
        return take(find(address, "passkey " + from, 60, Duration.ofSeconds(2)));
    }

    /** Somebody is sent to an identity provider, which is asked for it. */
    public Attempt provider(String from) {
        return take(find(address, "provider " + from, 20, Duration.ofSeconds(3)));
    }

    /** A try at opening a link; only wrong ones count. */
    public Attempt link(String from) {
        return take(find(address, "link " + from, 60, Duration.ofSeconds(1)));
    }

    private static Bucket find(Cache<String, Bucket> among, String key, int most, Duration each) {
        Function<String, Bucket> fresh = one -> Bucket.builder()
                .addLimit(
                        Bandwidth.builder().capacity(most).refillGreedy(1, each).build())
                .build();
        return among.get(key, fresh);
    }

    private static Attempt take(Bucket... buckets) {
        for (int i = 0; i < buckets.length; i++) {
            ConsumptionProbe probe = buckets[i].tryConsumeAndReturnRemaining(1);
            if (probe.isConsumed()) continue;
            for (int taken = 0; taken < i; taken++) buckets[taken].addTokens(1);
            long seconds = Math.max(
                    1, Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds() + 1);
            throw Refusal.tooMany(Message.of("tries.too-many", "seconds", seconds), Duration.ofSeconds(seconds));
        }
        return new Attempt(List.of(buckets));
    }
}
