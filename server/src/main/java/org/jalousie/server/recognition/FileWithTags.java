package org.jalousie.server.recognition;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.messages.Told;
import org.jalousie.core.recognition.TagPlaces;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.paper.Papers;
import org.springframework.stereotype.Component;

/**
 * A Word file in which somebody has typed the data and left the tags of signing fields: they become the room that they keep in a
 * template, and their places are known exactly.
 */
@Component
class FileWithTags {
    private final Converter converter;

    FileWithTags(Converter converter) {
        this.converter = converter;
    }

    /** Empty for a file that has no such tags, or others besides: those stay as words, and are seen. */
    Optional<TagPlaces.Found> of(byte[] file) {
        if (!Papers.isWord(file)) return Optional.empty();
        try {
            Wording wording = Wording.compile(WordFile.open(file), Set.of());
            boolean onlyPlaces = !wording.broken()
                    && !wording.boxes().isEmpty()
                    && wording.found().fields().isEmpty()
                    && wording.found().clauses().isEmpty();
            if (!onlyPlaces) return Optional.empty();
            byte[] pdf = converter.toPdf(wording.merge(Map.of(), Locale.ENGLISH));
            return Optional.of(TagPlaces.of(pdf, wording.boxes()));
        } catch (Told e) {
            // what is wrong with it is said when it is taken in as it is
            return Optional.empty();
        }
    }
}
