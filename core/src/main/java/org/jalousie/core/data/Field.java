package org.jalousie.core.data;

import java.util.List;

/**
 * One datum that varies from agreement to agreement.
 *
 * @param name what the tag says, for example {@code lender_name}
 * @param label what the form asks for
 * @param hint a sentence under the input; empty when none is needed
 * @param choices the allowed values, for {@link FieldType#CHOICE} only
 */
public record Field(String name, FieldType type, String label, boolean required, String hint, List<String> choices) {
    public Field {
        choices = List.copyOf(choices);
    }

    /** A field as first proposed from a tag found in the wording: its type guessed from its name, required. */
    public static Field proposedFor(String name, boolean usedAsCondition) {
        FieldType type = usedAsCondition ? FieldType.YES_NO : guessType(name);
        return new Field(name, type, labelFor(name), type != FieldType.YES_NO, "", List.of());
    }

    /** A readable label made from a tag's name: {@code lender_name} becomes "Lender name". */
    public static String labelFor(String name) {
        String words = name.replace('_', ' ').replace('-', ' ').trim();
        return words.isEmpty() ? name : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static FieldType guessType(String name) {
        List<String> words = List.of(name.toLowerCase(java.util.Locale.ROOT).split("[_-]"));
        if (containsAny(words, "mail", "email")) return FieldType.MAIL_ADDRESS;
        if (containsAny(words, "date", "from", "until", "deadline")) return FieldType.DATE;
        if (containsAny(words, "value", "fee", "price", "amount", "cost")) return FieldType.MONEY;
        if (containsAny(words, "address", "description", "objects", "conditions", "notes", "purpose")) {
            return FieldType.LONG_TEXT;
        }
        if (containsAny(words, "number", "count", "days", "copies")) return FieldType.NUMBER;
        return FieldType.TEXT;
    }

    private static boolean containsAny(List<String> words, String... wanted) {
        for (String word : wanted) {
            if (words.contains(word)) return true;
        }
        return false;
    }
}
