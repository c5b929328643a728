package org.jalousie.core.evidence;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.InitialsPlace;
import org.jalousie.core.placement.PartyAct;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.Printed;
import org.jalousie.core.placement.SigningField;

/**
 * What one party's act puts into the file of one document.
 *
 * @param values text by form field name
 * @param marked form fields other than the signature's own that show the mark, for example initials
 * @param signature the signing place; empty for who signs nothing in this document
 * @param caption words under the mark, for example who signed and when
 * @param shownBy how it was known who they are
 * @param initials form fields that show a picture of their own
 */
public record ActInFile(
        Map<String, String> values,
        Set<String> marked,
        Optional<String> signature,
        Optional<byte[]> mark,
        String caption,
        IdentityCheck shownBy,
        Map<String, byte[]> initials) {
    /** What somebody does who was asked for nothing but their link. */
    public ActInFile(
            Map<String, String> values,
            Set<String> marked,
            Optional<String> signature,
            Optional<byte[]> mark,
            String caption) {
        this(values, marked, signature, mark, caption, IdentityCheck.NONE, Map.of());
    }

    /**
     * A party's mark as it is put beside what they signed.
     *
     * @param caption words under it; {@code shownBy} how it was known who they are
     * @param initials their picture; empty where the mark stands for them too
     */
    public record MarkWithCaption(byte[] picture, String caption, IdentityCheck shownBy, Optional<byte[]> initials) {
        /** The mark of somebody who was asked for nothing but their link. */
        public MarkWithCaption(byte[] picture, String caption) {
            this(picture, caption, IdentityCheck.NONE, Optional.empty());
        }
    }

    /**
     * Asks each of a party's fields what it prints.
     *
     * @param fields of the document, of all parties
     * @param answers what the party typed, by field name
     * @param date the day of the act as it prints; empty for who only completes details
     * @param language in which the document prints numbers and dates
     * @param mark empty for who only completes details
     */
    public static ActInFile of(
            List<PlacedField> fields,
            PartyKey party,
            Map<String, String> answers,
            String name,
            String date,
            Locale language,
            Optional<MarkWithCaption> mark) {
        Map<String, String> values = new HashMap<>();
        Set<String> marked = new HashSet<>();
        Map<String, byte[]> initials = new HashMap<>();
        Optional<byte[]> own = mark.flatMap(MarkWithCaption::initials);
        Optional<String> place = Optional.empty();
        for (PlacedField placed : fields) {
            SigningField field = placed.field();
            if (!field.party().equals(party)) continue;
            String answer = answers.getOrDefault(field.answeredBy(), "");
            Printed printed = field.type().printed(new PartyAct(answer, name, date, language));
            if (printed instanceof Printed.Words words) {
                if (!words.text().isEmpty()) values.put(field.name(), words.text());
            } else if (mark.isPresent() && printed instanceof Printed.Signature && place.isEmpty()) {
                place = Optional.of(field.name());
            } else if (own.isPresent() && field.type() instanceof InitialsPlace) {
                initials.put(field.name(), own.get());
            } else if (mark.isPresent()) {
                marked.add(field.name());
            }
        }
        return new ActInFile(
                values,
                marked,
                place,
                mark.map(MarkWithCaption::picture),
                mark.map(MarkWithCaption::caption).orElse(""),
                mark.map(MarkWithCaption::shownBy).orElse(IdentityCheck.NONE),
                initials);
    }

    /** Whether the file stays as it is. */
    public boolean isEmpty() {
        return values.isEmpty() && marked.isEmpty() && initials.isEmpty() && signature.isEmpty();
    }
}
