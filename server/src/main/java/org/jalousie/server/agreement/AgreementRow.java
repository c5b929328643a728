package org.jalousie.server.agreement;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Attention;
import org.jalousie.core.agreement.Chasing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.OfficeCalendar;
import tools.jackson.core.type.TypeReference;

/**
 * What lists show of an agreement: a projection of its events that can be rebuilt from them. What it is found by stays in the
 * database and is not read with it.
 */
@Entity
@Table(name = "agreement")
class AgreementRow {
    @Id
    private UUID id;

    private String number;
    private String title;
    private UUID templateId;
    private UUID templateVersionId;
    private String templateName;
    private String requestNumber;
    private String state;
    private Instant since;
    private Instant changedAt;

    @JdbcTypeCode(SqlTypes.JSON)
    private String route;

    private Instant expiresAt;

    private Instant dueAt;

    private String dueKind;

    @JdbcTypeCode(SqlTypes.JSON)
    private String terms;

    private int attempt;

    private String attention;

    private boolean onPaper;

    protected AgreementRow() {}

    /** Its facts are to be projected before it is kept. @param attempt which agreement of its request it is, from 1 */
    AgreementRow(
            UUID id, Agreement agreement, UUID templateId, UUID templateVersionId, ChasingTerms terms, int attempt) {
        this.id = id;
        this.number = agreement.created().number().value();
        this.templateId = templateId;
        this.templateVersionId = templateVersionId;
        this.templateName = agreement.created().template();
        this.requestNumber = agreement.created().request();
        this.terms = Json.canonical(terms);
        this.attempt = attempt;
    }

    /** Takes over what the events have come to. */
    void project(Agreement agreement, OfficeCalendar calendar, Instant now) {
        title = agreement.title();
        state = agreement.state().name();
        since = agreement.since();
        changedAt = now;
        route = Json.canonical(AgreementViews.route(agreement));
        onPaper = agreement.onPaper();
        attention = Attention.of(agreement).map(Attention::name).orElse(null);
        agreement.chasing().ifPresent(own -> terms = Json.canonical(own.with(terms())));
        expiresAt = agreement.expiresAt().orElse(null);
        dueAgain(agreement, calendar, now);
    }

    /** Works out anew when time alone next makes something happen. */
    void dueAgain(Agreement agreement, OfficeCalendar calendar, Instant now) {
        Optional<Chasing.Due> next = chasing(calendar).next(agreement, now);
        dueAt = next.map(Chasing.Due::at).orElse(null);
        dueKind = next.map(one -> one.kind().name()).orElse(null);
    }

    /** Whose it is among those that have ended. */
    Archived.About about() {
        return new Archived.About(id, templateId, templateVersionId);
    }

    UUID id() {
        return id;
    }

    AgreementNumber number() {
        return new AgreementNumber(number);
    }

    String title() {
        return title;
    }

    UUID templateId() {
        return templateId;
    }

    UUID templateVersionId() {
        return templateVersionId;
    }

    String templateName() {
        return templateName;
    }

    String requestNumber() {
        return requestNumber;
    }

    State state() {
        return State.valueOf(state);
    }

    Instant since() {
        return since;
    }

    Instant changedAt() {
        return changedAt;
    }

    List<AgreementViews.RouteStep> route() {
        return Json.MAPPER.readValue(route, new TypeReference<>() {});
    }

    boolean onPaper() {
        return onPaper;
    }

    Instant expiresAt() {
        return expiresAt;
    }

    /** When time alone next makes something happen; nothing does for one that isn't out. */
    Optional<Instant> dueAt() {
        return Optional.ofNullable(dueAt);
    }

    /** What that is. */
    Optional<Chasing.Kind> dueKind() {
        return Optional.ofNullable(dueKind).map(Chasing.Kind::valueOf);
    }

    /** How time alone goes on with it. */
    Chasing chasing(OfficeCalendar calendar) {
        return new Chasing(terms(), calendar);
    }

    private ChasingTerms terms() {
        return Json.MAPPER.readValue(terms, ChasingTerms.class);
    }
}
