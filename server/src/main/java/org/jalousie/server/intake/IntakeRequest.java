package org.jalousie.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.server.agreement.Agreements;
import tools.jackson.core.type.TypeReference;

/** A request for an agreement: the filled form, with a number. */
@Entity
@DynamicUpdate // what changes most is short; its files are looked for only where others change
@Table(name = "intake_request")
class IntakeRequest {
    @Id
    private UUID id;

    private String number;
    private UUID templateVersionId;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(name = "values")
    private String inputs;

    @JdbcTypeCode(SqlTypes.JSON)
    private String people;

    private String createdBy;
    private Instant createdAt;
    private String agreementNumber;
    private int attempts;
    private UUID formKey;
    private String language;
    private UUID templateId;
    private String ownerMail = "";
    private String ownerName = "";

    @Enumerated(EnumType.STRING)
    @Column(insertable = false, updatable = false)
    private RequestStage stage = RequestStage.WAITING;

    private UUID partOf;
    private boolean wanted = true;
    private String renews;

    private UUID formLinkId;
    private String askerName = "";
    private String askerMail = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private String finished;

    protected IntakeRequest() {}

    IntakeRequest(
            String number,
            UUID templateId,
            UUID templateVersionId,
            Agreements.Answers answers,
            UUID formKey,
            String language,
            String by,
            Instant now) {
        this.id = UUID.randomUUID();
        this.number = number;
        this.templateId = templateId;
        this.templateVersionId = templateVersionId;
        this.formKey = formKey;
        this.createdBy = by;
        this.createdAt = now;
        this.language = language;
        fill(answers);
    }

    /** It is about a file that was made elsewhere. */
    void about(Agreements.Finished file) {
        finished = Json.canonical(file);
    }

    /** It is a part of another request: of the same form, for a template that the form feeds besides. */
    void partOf(IntakeRequest whole) {
        partOf = whole.id();
    }

    /** The request that it is a part of; empty for a whole one. */
    Optional<UUID> partOf() {
        return Optional.ofNullable(partOf);
    }

    /** Whether the form asks for its agreement, as it is answered now. */
    boolean wanted() {
        return wanted;
    }

    void wanted(boolean now) {
        wanted = now;
    }

    /** It is to take the place of an agreement that runs out. */
    void renews(AgreementNumber agreement) {
        renews = agreement.value();
    }

    /** The agreement that it renews. */
    Optional<AgreementNumber> renews() {
        return AgreementNumber.read(renews);
    }

    UUID templateId() {
        return templateId;
    }

    /** Somebody takes care of it from now on; both parts are empty for nobody. */
    void owned(String mail, String name) {
        ownerMail = mail;
        ownerName = name;
    }

    String ownerMail() {
        return ownerMail;
    }

    String ownerName() {
        return ownerName;
    }

    RequestStage stage() {
        return stage;
    }

    /** Somebody from outside has asked, by a link. */
    void askedBy(UUID link, FormLinkViews.Asker asker) {
        formLinkId = link;
        askerName = asker.name();
        askerMail = asker.mail();
    }

    Optional<UUID> formLinkId() {
        return Optional.ofNullable(formLinkId);
    }

    /** Who asked; both parts are empty where it was the office itself. */
    FormLinkViews.Asker asker() {
        return new FormLinkViews.Asker(askerName, askerMail);
    }

    UUID id() {
        return id;
    }

    /** The file that was made elsewhere; empty where all is made here. */
    Optional<Agreements.Finished> finished() {
        return Optional.ofNullable(finished).map(json -> Json.MAPPER.readValue(json, Agreements.Finished.class));
    }

    final void fill(Agreements.Answers answers) {
        inputs = Json.canonical(answers.data());
        people = Json.canonical(answers.people());
    }

    /** The next agreement made from it is this one of its agreements, from 1. */
    int nextAttempt() {
        return attempts + 1;
    }

    void becomes(AgreementNumber agreement) {
        agreementNumber = agreement.value();
        attempts++;
    }

    String number() {
        return number;
    }

    UUID templateVersionId() {
        return templateVersionId;
    }

    Map<FieldName, String> values() {
        return Json.MAPPER.readValue(inputs, new TypeReference<>() {});
    }

    Map<PartyKey, Person> people() {
        return Json.MAPPER.readValue(people, new TypeReference<>() {});
    }

    /** In which its form was filled; empty for the template's own. */
    String language() {
        return language;
    }

    String createdBy() {
        return createdBy;
    }

    Instant createdAt() {
        return createdAt;
    }

    /** Empty until an agreement is made from it. */
    Optional<AgreementNumber> agreementNumber() {
        return AgreementNumber.read(agreementNumber);
    }
}
