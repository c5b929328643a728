package org.jalousie.server.clause;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.server.web.DiagnosticView;

/** Clauses as the interface to the outside shows them. */
final class ClauseViews {
    private ClauseViews() {}

    record ClauseItem(UUID id, String name, int version, String note, String changedBy, Instant changedAt) {}

    record ClauseVersionView(int number, String note, String createdBy, Instant createdAt) {}

    /** @param fields names that its tags use */
    record ClauseDetail(
            UUID id,
            String name,
            List<ClauseVersionView> versions,
            List<String> fields,
            List<DiagnosticView> diagnostics) {}
}
