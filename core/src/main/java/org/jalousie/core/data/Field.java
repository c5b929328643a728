package org.jalousie.core.data;

import java.text.Normalizer;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * One datum that varies from agreement to agreement.
 *
 * @param name what the tag says, for example {@code lender_name}
 * @param label what the form asks for
 * @param hint a sentence under the input; empty when none is needed
 * @param choices the allowed values, for {@link FieldType#CHOICE} only
 * @param items the fields of each item, for {@link FieldType#ITEMS} only
 * @param initial what a new form begins with, as it is stored; empty for nothing, as in every list, picture and file
 * @param ownAnswer whether something that is not among the choices may be answered, for {@link FieldType#CHOICE} only
 * @param files which files may be given, for {@link FieldType#FILE} and {@link FieldType#PICTURE} only
 */
public record Field(
        FieldName name,
        FieldType type,
        String label,
        boolean required,
        String hint,
        List<String> choices,
        List<Field> items,
        String initial,
        Boolean ownAnswer,
        FileLimits files) {
    private static final Set<FieldType> BEGIN_EMPTY = EnumSet.of(FieldType.ITEMS, FieldType.PICTURE, FieldType.FILE);

    public Field {
        choices = choices == null ? List.of() : List.copyOf(choices);
        items = items == null ? List.of() : List.copyOf(items);
        // versions saved before there were any have none
        initial = initial == null || BEGIN_EMPTY.contains(type) ? "" : initial;
        // programs of earlier versions send neither
        ownAnswer = ownAnswer != null && ownAnswer;
        files = files == null ? FileLimits.NONE : files;
    }

    /** A field whose choices are all there are. */
    public Field(
            FieldName name,
            FieldType type,
            String label,
            boolean required,
            String hint,
            List<String> choices,
            List<Field> items,
            String initial) {
        this(name, type, label, required, hint, choices, items, initial, false, FileLimits.NONE);
    }

    /** The same field, where something else than its choices may be answered. */
    public Field withOwnAnswer() {
        return new Field(name, type, label, required, hint, choices, items, initial, true, files);
    }

    /** The same field for files of these kinds. */
    public Field taking(FileLimits limits) {
        return new Field(name, type, label, required, hint, choices, items, initial, ownAnswer, limits);
    }

    /** The same field, which may stay blank. */
    public Field optional() {
        return new Field(name, type, label, false, hint, choices, items, initial, ownAnswer, files);
    }

    /** A field that a form asks for without anything in it. */
    public Field(
            FieldName name,
            FieldType type,
            String label,
            boolean required,
            String hint,
            List<String> choices,
            List<Field> items) {
        this(name, type, label, required, hint, choices, items, "");
    }

    /** A field that is no list of items. */
    public Field(FieldName name, FieldType type, String label, boolean required, String hint, List<String> choices) {
        this(name, type, label, required, hint, choices, List.of());
    }

    /** A list whose items have these fields. */
    public static Field list(FieldName name, List<Field> items) {
        return new Field(name, FieldType.ITEMS, labelFor(name.value()), true, "", List.of(), items);
    }

    /** The same list with these fields in each item. */
    public Field withItems(List<Field> of) {
        return new Field(name, type, label, required, hint, choices, of, initial, ownAnswer, files);
    }

    /** Whether a tag or a rule means it by this name. */
    public boolean isCalled(String word) {
        return name.value().equals(word);
    }

    /** The same field, called so in the form. */
    public Field labelled(String called) {
        return new Field(name, type, called, required, hint, choices, items, initial, ownAnswer, files);
    }

    /** The same field, which a new form shows with this in it. @param with as it is stored */
    public Field beginningWith(String with) {
        return new Field(name, type, label, required, hint, choices, items, with, ownAnswer, files);
    }

    /** The same field by another name. */
    public Field renamed(FieldName to) {
        return new Field(to, type, label, required, hint, choices, items, initial, ownAnswer, files);
    }

    /** A choice's value as it can stand in a tag: "By the borrower's courier" becomes {@code by_the_borrowers_courier}. */
    public static String caseKey(String choice) {
        String plain = Normalizer.normalize(choice, Normalizer.Form.NFD)
                .replaceAll("(?<=\\p{IsLatin})\\p{Mn}+|['\u2019]", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{M}\\p{N}]+", "_");
        String key = Names.normal(Texts.trimmed(plain, c -> c == '_'));
        return Names.isName(key) ? key : "case_" + key;
    }

    /** A field as first proposed from a tag found in the wording: its type guessed from its name, required. */
    public static Field proposedFor(FieldName name, boolean usedAsCondition) {
        FieldType type = usedAsCondition ? FieldType.YES_NO : guessType(name.value());
        return new Field(name, type, labelFor(name.value()), type != FieldType.YES_NO, "", List.of());
    }

    /** A readable label made from a tag's name: {@code lender_name} becomes "Lender name". */
    public static String labelFor(String name) {
        String words = name.replace('_', ' ').replace('-', ' ').trim();
        return words.isEmpty() ? name : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static FieldType guessType(String name) {
        List<String> words = List.of(name.toLowerCase(Locale.ROOT).split("[_-]"));
        if (containsAny(words, "mail", "email")) return FieldType.MAIL_ADDRESS;
        if (containsAny(words, "date", "from", "until", "deadline")) return FieldType.DATE;
        if (containsAny(words, "value", "fee", "price", "amount", "cost", "total")) return FieldType.MONEY;
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
