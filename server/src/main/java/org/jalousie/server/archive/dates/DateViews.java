package org.jalousie.server.archive.dates;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.dates.DateSource;
import org.jalousie.core.filing.dates.KeyDate;

/** Watched days as they are shown. */
final class DateViews {
    private DateViews() {}

    /**
     * A watched day.
     *
     * @param left how many days are left; less than nothing for a day that is over
     * @param what happens on it
     * @param every in how many months it comes again; 0 for never
     * @param moved whether somebody has said by hand which day it is
     * @param owner who takes care of it; empty for nobody
     * @param acts what was done about it, the newest first
     * @param renewedBy the agreement that renewed this one; null for none
     * @param renewals requests to renew it, the newest first
     */
    record WatchedDate(
            UUID id,
            LocalDate day,
            long left,
            String what,
            KeyDate.Kind kind,
            int every,
            boolean moved,
            DateStore.State state,
            AgreementNumber number,
            String title,
            UUID templateId,
            String template,
            String request,
            String ownerMail,
            String owner,
            List<DateAct> acts,
            @Schema(types = {"string", "null"}) AgreementNumber renewedBy,
            List<RenewalRequest> renewals) {}

    /** What was done. */
    enum Done {
        SETTLED,
        /** It was open again. */
        REOPENED,
        MOVED,
        RENEWED,
        /** Its template watches it no more. */
        DROPPED
    }

    /** @param day that it was then @param by who did it; empty for what followed by itself */
    record DateAct(Done act, LocalDate day, String note, String by, Instant at) {}

    /** @param agreement null before it is made; {@code state} too */
    record RenewalRequest(
            String request,
            @Schema(types = {"string", "null"}) AgreementNumber agreement,
            @Schema(types = {"string", "null"}) State state) {}

    /**
     * The days of an agreement, and what it renews and is renewed by.
     *
     * @param renews null for nothing
     * @param request whose answers a renewal begins with, by the form of {@code template}
     * @param without what is watched of its template and this agreement has no day for
     * @param goesBy names of the data that its days go by: a renewal asks for them anew
     */
    record AgreementDates(
            List<WatchedDate> dates,
            List<String> without,
            @Schema(types = {"string", "null"}) AgreementNumber renews,
            List<RenewalRequest> renewals,
            String request,
            UUID template,
            List<String> goesBy) {}

    /**
     * Which days of a template's agreements are watched.
     *
     * @param sources days that they can go by
     * @param edition to be sent with a change, so that it is about these
     * @param gone whether all agreements have been gone through since
     */
    record TemplateDatesView(List<KeyDate> dates, List<DateSource> sources, int edition, boolean gone) {}
}
