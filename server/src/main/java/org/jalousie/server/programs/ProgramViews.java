package org.jalousie.server.programs;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.programs.ProgramTerms;

/** Programs as the office sees them. */
final class ProgramViews {
    private ProgramViews() {}

    /**
     * @param keys how many hold
     * @param endedAt null while it is let in
     * @param lastUsedAt null when it never came
     */
    record ProgramItem(
            UUID id,
            String title,
            int keys,
            @Schema(types = {"string", "null"}) Instant endedAt,
            @Schema(types = {"string", "null"}) Instant lastUsedAt,
            String createdBy,
            Instant createdAt) {}

    /**
     * @param ending the last letters of its secret
     * @param endsAt null for never
     * @param holds whether it can be used now
     */
    record ProgramKey(
            UUID id,
            ProgramKeys.Kind kind,
            String ending,
            String createdBy,
            Instant createdAt,
            @Schema(types = {"string", "null"}) Instant endsAt,
            @Schema(types = {"string", "null"}) Instant lastUsedAt,
            boolean holds) {}

    /** @param endedAt null while it is let in */
    record ProgramDetail(
            UUID id,
            int revision,
            ProgramTerms terms,
            @Schema(types = {"string", "null"}) Instant endedAt,
            String createdBy,
            Instant createdAt,
            List<ProgramKey> keys) {}

    /** @param secret told this once */
    record FreshKey(UUID id, String secret, ProgramDetail program) {}
}
