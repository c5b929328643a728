package org.jalousie.server.recognition;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Spots;
import tools.jackson.core.type.TypeReference;

/** A file that was made elsewhere, from when it comes until there is an agreement about it. */
@Entity
@Table(name = "finished_file")
class FinishedFile {
    /** How far it has come. */
    enum State {
        READING,
        /** It can't be taken in. */
        REFUSED,
        READ,
        /** Its parties and fields are set by hand, in a template of its own. */
        BY_HAND,
        /** There is an agreement about it. */
        MADE
    }

    @Id
    private UUID id;

    private String name;

    @Enumerated(EnumType.STRING)
    private State state;

    /** Counts what people change, so that a reading that was overtaken is let go. */
    private int revision;

    private String brought;
    private boolean plain;

    @JdbcTypeCode(SqlTypes.JSON)
    private String paper;

    private String reason;

    @JdbcTypeCode(SqlTypes.JSON)
    private String candidates;

    private UUID templateVersionId;
    private String document;

    @JdbcTypeCode(SqlTypes.JSON)
    private String understood;

    private UUID templateId;
    private String agreementNumber;
    private String createdBy;
    private Instant createdAt;

    protected FinishedFile() {}

    FinishedFile(String name, Sha256 brought, String by, Instant now) {
        this.id = UUID.randomUUID();
        this.name = name;
        this.state = State.READING;
        this.brought = brought.hex();
        this.reason = "";
        this.candidates = "[]";
        this.document = "";
        this.agreementNumber = "";
        this.createdBy = by;
        this.createdAt = now;
    }

    /**
     * The pages that it became.
     *
     * @param notes what was done to it on the way
     * @param tagged places for which it had tags, by their fields
     */
    record Paper(Sha256 file, List<String> notes, Map<String, Spots.Box> tagged) {}

    /** A document of a template that it may have been made from. */
    record Candidate(UUID version, DocumentId document, int begins, int ends, double likeness, boolean sure) {}

    /** @param anyway whether it is taken though it can't be made fit for keeping */
    void readAgain(boolean anyway) {
        state = State.READING;
        plain = anyway;
        reason = "";
        revision++;
    }

    void refused(String why) {
        state = State.REFUSED;
        reason = why;
        revision++;
    }

    void read(Paper pages, List<Candidate> found) {
        state = State.READ;
        paper = Json.canonical(pages);
        candidates = Json.canonical(found);
        revision++;
    }

    /** It is taken for a document of a template. */
    void takenFor(UUID version, DocumentId asDocument, Understanding reading) {
        templateVersionId = version;
        document = asDocument.value();
        understood = Json.canonical(reading);
        revision++;
    }

    void byHand(UUID template) {
        state = State.BY_HAND;
        templateId = template;
        revision++;
    }

    void became(AgreementNumber agreement) {
        state = State.MADE;
        agreementNumber = agreement.value();
        revision++;
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    /** Its name without what its ending says. */
    String title() {
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    State state() {
        return state;
    }

    int revision() {
        return revision;
    }

    Sha256 brought() {
        return new Sha256(brought);
    }

    boolean plain() {
        return plain;
    }

    Optional<Paper> paper() {
        return Optional.ofNullable(paper).map(json -> Json.MAPPER.readValue(json, Paper.class));
    }

    String reason() {
        return reason;
    }

    List<Candidate> candidates() {
        return Json.MAPPER.readValue(candidates, new TypeReference<>() {});
    }

    Optional<UUID> templateVersion() {
        return Optional.ofNullable(templateVersionId);
    }

    DocumentId document() {
        return new DocumentId(document);
    }

    Optional<Understanding> understood() {
        return Optional.ofNullable(understood).map(json -> Json.MAPPER.readValue(json, Understanding.class));
    }

    Optional<UUID> template() {
        return Optional.ofNullable(templateId);
    }

    Optional<AgreementNumber> agreement() {
        return AgreementNumber.read(agreementNumber);
    }

    String createdBy() {
        return createdBy;
    }

    Instant createdAt() {
        return createdAt;
    }
}
