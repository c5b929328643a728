package org.jalousie.server.records;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.records.RecordStep;
import org.jalousie.core.records.RecordTerms;
import org.jalousie.core.records.TakenFrom;

/** Record systems as the office sees them. */
final class RecordViews {
    private RecordViews() {}

    enum SystemState {
        ON,
        PAUSED,
        ENDED
    }

    /** What is open with a system. @param faulty records that can't be taken in, {@code givenUp} steps that couldn't be written */
    record RecordCounts(long taken, long faulty, long waiting, long givenUp) {
        static final RecordCounts NONE = new RecordCounts(0, 0, 0, 0);
    }

    /** @param fault why it doesn't answer as it should; empty when it does */
    record RecordSystemItem(
            UUID id,
            String title,
            String address,
            SystemState state,
            RecordCounts counts,
            String fault,
            Instant createdAt) {}

    /**
     * @param template what its form's template is called; empty when it can't be filled any more
     * @param hasCredential whether it is spoken to with one, which is never shown again
     * @param lookedAt when its list was looked through last; null for never
     * @param triedAt when it is tried again; null when it answers
     */
    record RecordSystemDetail(
            UUID id,
            int revision,
            RecordTerms terms,
            String template,
            boolean hasCredential,
            SystemState state,
            RecordCounts counts,
            String fault,
            @Schema(types = {"string", "null"}) Instant lookedAt,
            @Schema(types = {"string", "null"}) Instant triedAt,
            String createdBy,
            Instant createdAt) {}

    /** @param step the last one; null before the first. {@code state} whether it was written */
    record RecordRow(
            String key,
            FollowedRecords.State taken,
            String request,
            String agreement,
            @Schema(types = {"string", "null"}) RecordStep step,
            @Schema(types = {"string", "null"}) RecordSteps.State state,
            String fault,
            List<FollowedRecords.RecordFault> faults,
            Instant changedAt) {}

    /** @param doneAt null while it isn't */
    record StepItem(
            RecordStep step,
            String agreement,
            String said,
            Instant at,
            RecordSteps.State state,
            int tries,
            String fault,
            Instant nextAt,
            @Schema(types = {"string", "null"}) Instant doneAt) {}

    /** A record with all that was written back, the newest first. */
    record RecordDetail(RecordRow record, List<StepItem> steps) {}

    /**
     * A field that can be filled.
     *
     * @param list the list of whose items it is; empty for the form's own
     * @param part what it is called within the name or the address that it is a part of; empty for a whole
     */
    record FillableField(String name, String label, String type, boolean required, String list, String part) {}

    /** A place in a record, with what stands there. */
    record RecordValue(String pointer, String value) {}

    /** Rows that go with a record. @param values of the first, by all places that any of them has */
    record RelatedValues(String name, int rows, List<RecordValue> values) {}

    /**
     * A real record as it would be taken in.
     *
     * @param key its; empty where there is none with the status
     * @param found how many have the status, as far as was looked
     * @param lists where lists stand in the record that could be related rows
     * @param proposed what fields could be taken from
     * @param faults what is wrong with it
     */
    record RealRecord(
            String key,
            int found,
            List<String> keys,
            List<RecordValue> values,
            List<RelatedValues> related,
            List<String> lists,
            List<TakenFrom> proposed,
            List<FillableField> fields,
            List<FollowedRecords.RecordFault> faults,
            String status) {}

    /** How often each kind of thing is there, by system. */
    static RecordCounts counts(Map<UUID, RecordCounts> all, UUID system) {
        return all.getOrDefault(system, RecordCounts.NONE);
    }
}
