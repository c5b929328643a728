package org.jalousie.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import tools.jackson.core.type.TypeReference;

/** A form that somebody has begun: answers as they are typed, read by nobody yet. It ends when it is handed in. */
@Entity
@Table(name = "begun_form")
class BegunForm {
    @Id
    private UUID id;

    private String owner;
    private UUID templateVersionId;
    private UUID templateId;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(name = "values")
    private String inputs;

    @JdbcTypeCode(SqlTypes.JSON)
    private String people;

    @JdbcTypeCode(SqlTypes.JSON)
    private String taken = "[]";

    private String language;
    private String begunBy = "";
    private String renews = "";
    private Instant begunAt;
    private Instant changedAt;

    protected BegunForm() {}

    BegunForm(UUID key, String owner, UUID template, UUID version, Instant now) {
        this.id = key;
        this.owner = owner;
        this.templateId = template;
        this.templateVersionId = version;
        this.begunAt = now;
    }

    void fill(BegunFormService.Typed typed, Instant now) {
        inputs = Json.canonical(typed.values());
        people = Json.canonical(typed.people());
        taken = Json.canonical(typed.taken());
        language = typed.language();
        renews = typed.renews();
        changedAt = now;
    }

    /** Somebody goes on with it. @param name who gives it to them */
    void goesOnWith(String mail, String name) {
        owner = mail;
        begunBy = name;
    }

    /** Who has mailed it last; empty for nobody. */
    String begunBy() {
        return begunBy;
    }

    UUID id() {
        return id;
    }

    boolean isOf(String person) {
        return owner.equals(person);
    }

    UUID templateId() {
        return templateId;
    }

    UUID templateVersionId() {
        return templateVersionId;
    }

    Map<FieldName, String> values() {
        return Json.MAPPER.readValue(inputs, new TypeReference<>() {});
    }

    Map<String, IntakeViews.PersonInput> people() {
        return Json.MAPPER.readValue(people, new TypeReference<>() {});
    }

    /** Rows of registers that answers were taken from. */
    List<IntakeViews.BegunTaken> taken() {
        return Json.MAPPER.readValue(taken, new TypeReference<>() {});
    }

    /** In which it is filled; empty for the template's own. */
    String language() {
        return language;
    }

    /** The number of the agreement that it is to renew; empty for none. */
    String renews() {
        return renews;
    }

    Instant changedAt() {
        return changedAt;
    }
}
