package org.jalousie.server.archive.retention;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.retention.RetentionRule;

/** What has been kept long enough, what is held, and what is destroyed, as it is shown. */
final class RetentionViews {
    private RetentionViews() {}

    /**
     * An agreement that has been kept long enough.
     *
     * @param counted the day from which its time is counted
     * @param until the last day on which it has to be kept
     */
    record KeptAgreement(
            AgreementNumber number,
            String title,
            UUID templateId,
            String template,
            State state,
            Instant ended,
            LocalDate counted,
            LocalDate until) {}

    /**
     * Why an agreement is kept however long it has been kept already.
     *
     * @param lifted null while it is in force; {@code liftedBy} and {@code liftedBecause} are empty then
     */
    record LegalHold(
            UUID id,
            AgreementNumber number,
            String title,
            String template,
            State state,
            String reason,
            String by,
            Instant at,
            String liftedBy,
            @Schema(types = {"string", "null"}) Instant lifted,
            String liftedBecause) {}

    /**
     * An agreement of which somebody has confirmed that it is destroyed.
     *
     * @param copies whether the copies that were filed outside are taken away, too
     * @param when that is done; until then, and while it waits, it can be taken back
     * @param waitsFor why it is still there although its time has come; empty while it hasn't
     */
    record DestructionConfirmed(
            AgreementNumber number,
            String title,
            String template,
            LocalDate until,
            boolean copies,
            String by,
            Instant at,
            Instant when,
            String waitsFor) {}

    /**
     * What stays of an agreement that was destroyed.
     *
     * @param seal what is said of it under the office's signature (JWS, RFC 7515): the whole tombstone
     * @param readable whether it is as it was written; all but the number is empty where it isn't
     */
    record DestroyedAgreement(
            AgreementNumber number,
            String template,
            @Schema(types = {"string", "null"}) State state,
            @Schema(types = {"string", "null"}) Instant created,
            @Schema(types = {"string", "null"}) Instant ended,
            @Schema(types = {"string", "null"}) LocalDate until,
            int events,
            String lastHash,
            String by,
            @Schema(types = {"string", "null"}) Instant confirmed,
            Instant destroyed,
            boolean copies,
            boolean readable,
            String seal) {}

    /**
     * How long an agreement is kept.
     *
     * @param until the last day on which it has to be kept; null for ever, or while it hasn't ended
     * @param holds all of them, the first first
     * @param going when somebody has confirmed that it is destroyed; null for not
     */
    record AgreementRetention(
            @Schema(types = {"string", "null"}) LocalDate until,
            List<LegalHold> holds,
            @Schema(types = {"object", "null"}) DestructionConfirmed going) {}

    /** How long a template's agreements are kept. @param edition to be sent with a change, so that it is about this */
    record TemplateRetentionView(RetentionRule rule, int edition) {}
}
