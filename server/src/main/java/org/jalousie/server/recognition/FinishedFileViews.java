package org.jalousie.server.recognition;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.recognition.Reading;

/** Files that were made elsewhere as the interface to the outside shows them. */
final class FinishedFileViews {
    private FinishedFileViews() {}

    /**
     * @param template the name of the template that it is taken for; empty for none
     * @param likeness how much of the words both have, in hundredths; 0 where it is taken for none
     * @param differences places at which it says something else
     * @param missing labels of what the form asks for and it doesn't say
     * @param unsure labels of what was read and may be something else
     * @param without labels of parties that have no place in it
     * @param ready whether an agreement can be made of it without anybody looking
     * @param reason why it can't be taken in
     * @param byHand the template in which its parties and fields are set by hand
     */
    record FinishedFileRow(
            UUID id,
            int revision,
            String name,
            FinishedFile.State state,
            String template,
            int likeness,
            int differences,
            List<String> missing,
            List<String> unsure,
            List<String> without,
            boolean ready,
            String reason,
            @Schema(types = {"string", "null"}) UUID byHand,
            String agreement,
            String createdBy,
            Instant createdAt) {}

    /**
     * A document of a template that a file may have been made from.
     *
     * @param begins how many of its first 25 words the file begins with, {@code ends} of its last
     * @param likeness how much of the words both have, in hundredths
     * @param sure whether nothing else looks like it
     */
    record LikelyTemplate(
            UUID version,
            String document,
            String template,
            String title,
            int begins,
            int ends,
            int likeness,
            boolean sure,
            boolean chosen) {}

    /** Words of a paragraph with one fate. */
    record ReadPiece(Reading.Fate fate, String text) {}

    /** A paragraph of the file against the template. */
    record ReadLine(List<ReadPiece> pieces) {
        static ReadLine of(Reading.Line line) {
            return new ReadLine(line.pieces().stream()
                    .map(piece -> new ReadPiece(piece.fate(), piece.text()))
                    .toList());
        }
    }

    /**
     * What was read for a question of the form.
     *
     * @param words what stands in the file, once for each different reading
     * @param read whether it could be read as an answer; {@code sure} whether it can be nothing else
     */
    record ReadDatum(FieldName field, String label, List<String> words, boolean read, boolean sure) {}

    /** A party of the template. @param placed whether it has a place in the file, or needs none */
    record PartyInFile(String party, String label, boolean placed) {}

    /**
     * A signing field of the template in the file.
     *
     * @param page on which it stands; 0 for one that has no room, or no place at all
     * @param gone whether the file has no place for it
     */
    record FieldInFile(String field, String label, String party, int page, boolean gone) {}

    /**
     * @param lines those that differ from the template, each with the one before and behind it
     * @param read what was read back, where
     * @param notes what was done to it on the way
     */
    record FinishedFileDetail(
            FinishedFileRow row,
            @Schema(types = {"object", "null"}) Pages pages,
            List<LikelyTemplate> candidates,
            List<ReadLine> lines,
            Map<FieldName, String> values,
            List<ReadDatum> read,
            List<PartyInFile> parties,
            List<FieldInFile> fields,
            List<String> notes) {}
}
