package org.jalousie.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.evidence.Coverage;

/**
 * What a signature or time stamp of a file covers, said in the office's language.
 *
 * @param end how many bytes it covers: these are the file as it was then
 * @param whole whether nothing was added behind it
 * @param certificate of who made it; null when it can't be read
 * @param changes what was changed after it and may not change
 */
@Schema(name = "Coverage")
record CoverageView(
        String field,
        boolean timeStamp,
        int end,
        boolean whole,
        @Schema(types = {"object", "null"}) Coverage.Holder certificate,
        List<ChangeView> changes) {
    /** @param page from 1; 0 for what is no page's */
    @Schema(name = "ChangeAfter")
    record ChangeView(String what, int page) {}

    static List<CoverageView> of(byte[] pdf) {
        return Coverage.of(pdf).stream()
                .map(one -> new CoverageView(
                        one.field(),
                        one.timeStamp(),
                        one.end(),
                        one.whole(),
                        one.certificate().orElse(null),
                        one.changes().stream()
                                .map(change -> new ChangeView(change.what().toString(), change.page()))
                                .toList()))
                .toList();
    }
}
