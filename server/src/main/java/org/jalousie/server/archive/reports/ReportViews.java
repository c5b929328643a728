package org.jalousie.server.archive.reports;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.reports.TimeSpent;

/** Reports as they are shown. */
final class ReportViews {
    private ReportViews() {}

    /**
     * How long a part of the way took, of agreements of one template that were completed in the time asked for; in days of 24 hours.
     *
     * @param party the key of the part whose turn it was; empty for what is no part's turn
     * @param label what the part is called, in the newest of them
     * @param many of how many agreements
     * @param median half of them took at most so long
     * @param ninth nine of ten took at most so long
     */
    record SpentRow(
            UUID templateId,
            String template,
            TimeSpent.Phase phase,
            String party,
            String label,
            long many,
            double median,
            double ninth,
            double longest) {}

    /**
     * Agreements of one template that are out now, and, of one template alone, what waits for one part.
     *
     * @param party the key of the part that is waited for; empty for the whole template
     * @param upToWeek how many have been out for less than 7 days; {@code upToFortnight} for less than 14, {@code upToMonth} for less
     *     than 30
     * @param median half of them have been out at most so long, in days of 24 hours
     */
    record OutRow(
            UUID templateId,
            String template,
            String party,
            String label,
            long many,
            long upToWeek,
            long upToFortnight,
            long upToMonth,
            long longer,
            double median,
            double longest) {}

    /** How agreements of one template ended in the time asked for. */
    record EndedRow(UUID templateId, String template, long completed, long declined, long withdrawn, long expired) {}

    /**
     * An agreement that came to nothing.
     *
     * @param part who declined, or was waited for
     * @param by who declined or withdrew it; empty for one that expired
     */
    record EndedInVain(
            AgreementNumber number,
            String title,
            String template,
            State how,
            Instant at,
            String part,
            String by,
            String reason) {}

    /**
     * Requests by one form.
     *
     * @param form what the shared form is called; empty for the template's own
     * @param months how many came in each of the report's months
     * @param waiting of which nothing was made yet; {@code going} whose agreement isn't complete, {@code inVain} whose agreement came to
     *     nothing
     */
    record AskedRow(
            UUID templateId,
            String template,
            String form,
            List<Long> months,
            long total,
            long waiting,
            long going,
            long done,
            long inVain) {}

    /** @param months without gaps, as ISO 8601 writes them (2027-03), in the office's time zone */
    record AskedReport(List<String> months, List<AskedRow> rows) {}
}
