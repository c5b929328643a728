package org.jalousie.server.agreement;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Chasing;
import org.jalousie.core.agreement.Readiness;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/** Agreements as the interface to the outside shows them. */
public final class AgreementViews {
    private AgreementViews() {}

    /**
     * One party of the route and where it stands.
     *
     * @param since since when it is their turn, or null
     * @param seen whether they have opened it; null where that wasn't kept
     * @param undelivered since when their address takes no mail, or null
     */
    public record RouteStep(
            PartyKey party,
            String label,
            String name,
            Duty duty,
            int stage,
            Standing standing,
            @Schema(types = {"string", "null"}) Instant since,
            @Schema(types = {"boolean", "null"}) Boolean seen,
            @Schema(types = {"string", "null"}) Instant undelivered) {}

    /** What comes next by itself, and when. */
    public record Next(Chasing.Kind kind, Instant at) {}

    /** @param onPaper whether it is being signed on paper; {@code data} what stands in the columns of the archive that were asked for, as it prints */
    public record AgreementItem(
            AgreementNumber number,
            String title,
            String template,
            String request,
            State state,
            Instant since,
            Instant changedAt,
            @Schema(types = {"string", "null"}) Instant expiresAt,
            @Schema(types = {"object", "null"}) Next next,
            List<RouteStep> route,
            boolean onPaper,
            Map<String, String> data) {}

    /** A value with the label of its field and how it prints. @param raw the form in which it is stored */
    public record Datum(String name, String label, String raw, String printed) {}

    /**
     * Somebody with a part, or a part that this agreement goes without.
     *
     * @param phone for text messages; may be empty, as {@code language}, for the agreement's own
     * @param absence why the agreement goes without this part; empty when it doesn't
     * @param identity how they show who they are
     * @param wordAgreed whether a word was agreed on with them
     * @param shownAt when they last showed who they are; null when they haven't
     * @param keptOut whether they gave too many wrong answers and wait for the office
     * @param optional whether the agreement may go on without this part
     * @param undelivered why a mail to them came back; empty when none did
     */
    public record Part(
            PartyKey party,
            String label,
            Duty duty,
            int stage,
            String name,
            String mail,
            String phone,
            String language,
            String absence,
            IdentityCheck identity,
            boolean wordAgreed,
            @Schema(types = {"string", "null"}) Instant shownAt,
            boolean keptOut,
            boolean optional,
            String undelivered) {}

    /**
     * How this agreement reminds those whose turn it is.
     *
     * @param gaps days from the invitation to the first reminder, from that to the second, and so on
     * @param thenEvery days between all further ones; 0 for none
     * @param warnDays how many days before the end they are warned; 0 for never
     */
    public record ChasingView(List<Integer> gaps, int thenEvery, int warnDays) {
        static ChasingView of(ChasingTerms terms) {
            return new ChasingView(terms.reminders().gaps(), terms.reminders().thenEvery(), terms.warnDays());
        }
    }

    /** A file that a party attached. @param label of the field that asked for it; {@code file} its SHA-256, by which it is fetched */
    public record AttachedView(String label, String name, Sha256 file) {}

    public static List<AttachedView> attached(Agreement agreement) {
        return agreement.attached().stream()
                .map(one -> new AttachedView(
                        one.field().title(), one.file().name(), one.file().file()))
                .toList();
    }

    /** A document that comes with the agreement. @param required whether the agreement waits for it */
    public record Awaited(String id, String title, boolean required) {}

    public record TrailEntry(int sequence, Instant at, String sentence, String from) {}

    /**
     * Something that stands in the way of sending, with where it is settled.
     *
     * @param name of the datum, or the party's key
     */
    public record ToSettle(String text, Readiness.Settled at, String name) {}

    public record Trouble(String reason, Instant since) {}

    /**
     * One agreement in full.
     *
     * @param documents in their order; none while they are being made
     * @param awaited documents that the template leaves to the agreement and that are not there yet
     * @param warnings what looks like a slip and doesn't stand in the way; empty unless it waits for the check
     * @param obstacles what stands in the way of sending; empty unless it waits for the check
     * @param templateId of the template that it was made from
     * @param replaces the number of the agreement whose place it takes; empty for none
     * @param completed what parties completed, by signing field name
     * @param attached files that parties brought
     * @param chainBrokenAt the first event whose link doesn't hold; null when the trail is whole
     */
    public record AgreementDetail(
            AgreementItem row,
            UUID templateId,
            List<Datum> data,
            List<Part> people,
            List<DocumentView> documents,
            List<Awaited> awaited,
            boolean hasRecord,
            List<ToSettle> obstacles,
            List<String> warnings,
            Map<String, String> completed,
            List<AttachedView> attached,
            String endReason,
            String replaces,
            List<TrailEntry> trail,
            @Schema(types = {"integer", "null"}) Integer chainBrokenAt,
            List<Trouble> troubles,
            ChasingView chasing,
            List<QuestionView> questions,
            boolean signedOnPaper) {}

    /** What somebody asks the office. @param number by which it is answered; {@code answer} empty until there is one */
    public record QuestionView(int number, String name, String question, Instant at, String answer) {}

    /** The route as those on it see it: whether others have opened it, or can be reached, is the office's to know. */
    public static List<RouteStep> routeForParticipants(Agreement agreement) {
        return route(agreement).stream()
                .map(one -> new RouteStep(
                        one.party(),
                        one.label(),
                        one.name(),
                        one.duty(),
                        one.stage(),
                        one.standing(),
                        one.since(),
                        null,
                        null))
                .toList();
    }

    public static List<RouteStep> route(Agreement agreement) {
        return agreement.acting().stream()
                .map(one -> new RouteStep(
                        one.party(),
                        one.label(),
                        one.name(),
                        one.duty(),
                        one.stage(),
                        standing(agreement, one),
                        agreement.turnSince(one.party()).orElse(null),
                        agreement.viewed().contains(one.party()),
                        Optional.ofNullable(agreement.undelivered().get(one.party()))
                                .map(Agreement.Undelivered::since)
                                .orElse(null)))
                .toList();
    }

    /** In an agreement that was withdrawn, the stage that would have been next is where it broke. */
    private static Standing standing(Agreement agreement, Participant one) {
        Standing standing = agreement.standing(one.party());
        if (agreement.state() != State.WITHDRAWN || standing == Standing.DONE) return standing;
        int next = agreement.acting().stream()
                .filter(other -> agreement.standing(other.party()) != Standing.DONE)
                .mapToInt(Participant::stage)
                .min()
                .orElse(0);
        return one.stage() == next ? Standing.BROKEN : standing;
    }

    static AgreementItem row(AgreementRow row) {
        return row(row, Map.of());
    }

    static AgreementItem row(AgreementRow row, Map<String, String> data) {
        return new AgreementItem(
                row.number(),
                row.title(),
                row.templateName(),
                row.requestNumber(),
                row.state(),
                row.since(),
                row.changedAt(),
                row.expiresAt(),
                next(row),
                row.route(),
                row.onPaper(),
                data);
    }

    private static Next next(AgreementRow row) {
        return row.dueAt()
                .flatMap(at -> row.dueKind().map(kind -> new Next(kind, at)))
                .orElse(null);
    }
}
