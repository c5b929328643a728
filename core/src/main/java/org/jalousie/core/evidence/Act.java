package org.jalousie.core.evidence;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.placement.PlacedField;

/**
 * What one party's act puts into the document.
 *
 * @param values text by form field name
 * @param marked form fields other than the signature's own that show the mark, for example initials
 * @param signature the signing place; empty for a party that only completes details
 * @param caption words under the mark, for example who signed and when
 */
public record Act(
        Map<String, String> values,
        Set<String> marked,
        Optional<String> signature,
        Optional<byte[]> mark,
        String caption) {

    /** Answers with those of the fields that show another one's answer. */
    public static Map<String, String> everywhere(Map<String, String> answers, List<PlacedField> fields) {
        Map<String, String> all = new HashMap<>(answers);
        for (PlacedField placed : fields) {
            String answer = answers.get(placed.field().sameAs());
            if (answer != null) all.put(placed.field().name(), answer);
        }
        return all;
    }
}
