package org.jalousie.server.signing;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import javax.crypto.Cipher;
import javax.crypto.Mac;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.agreement.AfterEvents;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a participant has typed and not handed in yet: kept under their link, so that it is there after a reload and on another
 * device, and encrypted by the link's secret (AES-GCM, NIST SP 800-38D), so that nobody reads it who has only the database. It is
 * gone when they have acted and when the agreement has ended.
 */
@Component
class BegunAnswers implements AfterEvents {
    private static final Logger LOG = LoggerFactory.getLogger(BegunAnswers.class);
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;

    private final JdbcClient sql;
    private final Clock clock;
    private final JsonMapper json;
    private final SecureRandom random = new SecureRandom();

    BegunAnswers(JdbcClient sql, Clock clock, JsonMapper json) {
        this.sql = sql;
        this.clock = clock;
        this.json = json;
    }

    /** Waits for whoever is changing the agreement, and keeps others from it until the end of the transaction. */
    void afterActs(UUID agreement) {
        sql.sql("select id from agreement where id = ? for share")
                .param(agreement)
                .query(UUID.class)
                .optional();
    }

    void keep(LinkToken token, Map<String, String> answers) {
        sql.sql(
                        "insert into begun_answers (token_hash, answers, kept_at) values (?, ?, ?)"
                                + " on conflict (token_hash) do update set answers = excluded.answers, kept_at = excluded.kept_at")
                .params(
                        token.hash().hex(),
                        sealed(token, json.writeValueAsBytes(new TreeMap<>(answers))),
                        Timestamp.from(clock.instant()))
                .update();
    }

    /** Nothing when there is nothing, and when it can't be read any more. */
    Map<String, String> of(LinkToken token) {
        return sql.sql("select answers from begun_answers where token_hash = ?")
                .param(token.hash().hex())
                .query(byte[].class)
                .optional()
                .map(kept -> opened(token, kept))
                .orElse(Map.of());
    }

    /** Whoever has acted has nothing begun any more, by whichever of their links. */
    void forget(UUID agreement, PartyKey party) {
        sql.sql("delete from begun_answers where token_hash in"
                        + " (select token_hash from link where agreement_id = ? and party = ?)")
                .params(agreement, party.value())
                .update();
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (!agreement.state().ended()) return;
        sql.sql("delete from begun_answers where token_hash in (select token_hash from link where agreement_id = ?)")
                .param(id)
                .update();
    }

    private byte[] sealed(LinkToken token, byte[] plain) {
        byte[] nonce = new byte[NONCE_BYTES];
        random.nextBytes(nonce);
        byte[] cipher = crypt(Cipher.ENCRYPT_MODE, token, nonce, plain);
        return ByteBuffer.allocate(nonce.length + cipher.length)
                .put(nonce)
                .put(cipher)
                .array();
    }

    private Map<String, String> opened(LinkToken token, byte[] kept) {
        try {
            ByteBuffer all = ByteBuffer.wrap(kept);
            byte[] nonce = new byte[NONCE_BYTES];
            all.get(nonce);
            byte[] cipher = new byte[all.remaining()];
            all.get(cipher);
            return json.readValue(crypt(Cipher.DECRYPT_MODE, token, nonce, cipher), new TypeReference<>() {});
        } catch (IllegalStateException | java.nio.BufferUnderflowException | JacksonException e) {
            LOG.warn("answers that were begun can't be read any more");
            return Map.of();
        }
    }

    private static byte[] crypt(int mode, LinkToken token, byte[] nonce, byte[] text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(token.value().getBytes(StandardCharsets.US_ASCII), "HmacSHA256"));
            byte[] key = mac.doFinal("answers that were begun".getBytes(StandardCharsets.US_ASCII));
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(mode, new SecretKeySpec(key, "AES"), new GCMParameterSpec(TAG_BITS, nonce));
            return cipher.doFinal(text);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the answers can't be encrypted or decrypted", e);
        }
    }
}
