package org.jalousie.core.placement;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Which of a party's signing fields it is asked for, by what it has answered so far. The signing page judges in the same way in
 * {@code web/src/signingFields/shown.ts}; one list of cases is tried on both.
 */
public final class ShownFields {
    private final Map<String, SigningField> fields = new HashMap<>();
    private final Map<String, String> answers;

    private ShownFields(List<SigningField> fields, Map<String, String> answers) {
        fields.forEach(field -> this.fields.put(field.name(), field));
        this.answers = answers;
    }

    /**
     * The names of those that are asked for. A field that waits for one that isn't in the agreement, or isn't asked for itself,
     * is not; nor are those that wait for each other in a circle.
     *
     * @param fields of one party
     */
    public static Set<String> among(List<SigningField> fields, Map<String, String> answers) {
        ShownFields all = new ShownFields(fields, answers);
        Set<String> shown = new LinkedHashSet<>();
        for (SigningField field : fields) if (all.isShown(field)) shown.add(field.name());
        return shown;
    }

    /** Whether a field that is asked for can't be left empty. @param shown the names of those that are asked for */
    public static boolean required(SigningField field, Set<String> shown, Map<String, String> answers) {
        if (field.type().required()) return true;
        ShownWhen when = field.requiredWhen();
        return !when.always() && shown.contains(when.field()) && when.metBy(answers.getOrDefault(when.field(), ""));
    }

    /**
     * The places that an act with these answers fills in: all but those of fields that were not asked for.
     *
     * @param places of one document, of the one party
     * @param fields of the party, in all documents
     */
    public static List<PlacedField> filledIn(
            List<PlacedField> places, List<SigningField> fields, Map<String, String> answers) {
        Set<String> shown = among(fields, answers);
        return places.stream()
                .filter(place -> !place.field().type().asked()
                        || shown.contains(place.field().answeredBy()))
                .toList();
    }

    private boolean isShown(SigningField field) {
        Set<String> seen = new HashSet<>();
        SigningField now = field;
        while (!now.when().always()) {
            SigningField other = fields.get(now.when().field());
            if (other == null || !seen.add(now.name())) return false;
            if (!now.when().metBy(answers.getOrDefault(other.name(), ""))) return false;
            now = other;
        }
        return true;
    }
}
