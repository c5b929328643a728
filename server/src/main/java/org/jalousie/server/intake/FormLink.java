package org.jalousie.server.intake;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.intake.LinkTerms;
import org.jalousie.core.json.Json;

/** A template's form, shared by a link. */
@Entity
@Table(name = "form_link")
class FormLink {
    @Id
    private UUID id;

    private UUID templateId;
    private String title;
    private String token;
    private String secret;
    private String wordHash;
    private Instant closesAt;
    private Integer most;
    private int taken;
    private boolean closed;
    private boolean colleagues;

    @JdbcTypeCode(SqlTypes.JSON)
    private String terms;

    private String createdBy;
    private Instant createdAt;

    protected FormLink() {}

    /** @param token in its address, {@code secret} by which the server knows what it has sealed for it */
    FormLink(UUID template, String token, String secret, String by, Instant now) {
        this.id = UUID.randomUUID();
        this.templateId = template;
        this.token = token;
        this.secret = secret;
        this.createdBy = by;
        this.createdAt = now;
    }

    void settle(String called, Optional<Instant> closing, Optional<Integer> limit, LinkTerms agreed) {
        title = called;
        closesAt = closing.orElse(null);
        most = limit.orElse(null);
        terms = Json.canonical(agreed);
    }

    /** Whether requesters of the office find it in their room. */
    void forColleagues(boolean found) {
        colleagues = found;
    }

    boolean forColleagues() {
        return colleagues;
    }

    /** @param hash of the word that has to be known; null for none */
    void word(String hash) {
        wordHash = hash;
    }

    void close(boolean over) {
        closed = over;
    }

    void took() {
        taken++;
    }

    /** Why nobody can fill it any more. */
    enum Over {
        CLOSED,
        ENDED,
        FULL
    }

    /** Empty while it can be filled. */
    Optional<Over> over(Instant now) {
        if (closed) return Optional.of(Over.CLOSED);
        if (closesAt != null && !now.isBefore(closesAt)) return Optional.of(Over.ENDED);
        return most != null && taken >= most ? Optional.of(Over.FULL) : Optional.empty();
    }

    UUID id() {
        return id;
    }

    UUID templateId() {
        return templateId;
    }

    String title() {
        return title;
    }

    String token() {
        return token;
    }

    byte[] secret() {
        return secret.getBytes(StandardCharsets.US_ASCII);
    }

    Optional<String> wordHash() {
        return Optional.ofNullable(wordHash);
    }

    Optional<Instant> closesAt() {
        return Optional.ofNullable(closesAt);
    }

    Optional<Integer> most() {
        return Optional.ofNullable(most);
    }

    int taken() {
        return taken;
    }

    boolean closed() {
        return closed;
    }

    LinkTerms terms() {
        return Json.MAPPER.readValue(terms, LinkTerms.class);
    }

    String createdBy() {
        return createdBy;
    }

    Instant createdAt() {
        return createdAt;
    }
}
