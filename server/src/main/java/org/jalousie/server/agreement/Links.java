package org.jalousie.server.agreement;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.evidence.Json;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Participants' links: 256 random bits each, stored as a hash, bound to one party of one agreement. */
@Component
public class Links {
    private final LinkRows rows;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Links(LinkRows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** Whose link it is. */
    public record Holder(UUID agreementId, String party) {}

    /** A new link's secret; it is known to nobody but the mail that carries it. */
    @Transactional
    public String issue(UUID agreementId, String party) {
        byte[] secret = new byte[32];
        random.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        rows.save(new LinkRow(hash(token), agreementId, party, clock.instant()));
        return token;
    }

    @Transactional(readOnly = true)
    public Optional<Holder> holder(String token) {
        return rows.findById(hash(token)).map(row -> new Holder(row.agreementId(), row.party()));
    }

    /** Ends all links of an agreement. */
    @Transactional
    void end(UUID agreementId) {
        rows.deleteByAgreementId(agreementId);
    }

    private static String hash(String token) {
        return Json.sha256(token.getBytes(StandardCharsets.US_ASCII));
    }
}
