package org.jalousie.core.data;

import java.text.Normalizer;
import java.util.regex.Pattern;

/**
 * Names of data, rules and parties as tags and expressions spell them. The Mustache specification leaves names open; FEEL
 * (OMG DMN 1.4 §10.3.1.2, "name start char") takes letters of any script, and so does a PDF field's name (ISO 32000-1
 * §12.7.3.2, any text without a full stop). Signs and spaces would be read as operators by FEEL.
 */
public final class Names {
    /** A name as a regular expression, to be put into longer ones. */
    public static final String NAME = "\\p{L}[\\p{L}\\p{M}\\p{N}_]*";

    private static final Pattern WHOLE = Pattern.compile(NAME);
    private static final Pattern DOTTED = Pattern.compile(NAME + "(\\." + NAME + ")?");

    /** What prints as nothing or as a space, and is not seen in a tag: spaces of any kind, joiners, soft hyphens. */
    private static final String UNSEEN =
            "[\\s\\u00a0\\u00ad\\u1680\\u180e\\u2000-\\u200f\\u2028-\\u202f\\u205f-\\u2064\\u3000\\ufeff]";

    private static final Pattern ANY = Pattern.compile(UNSEEN + "+");

    private Names() {}

    /** Whether this can name a field, a rule or a party. */
    public static boolean isName(String text) {
        return WHOLE.matcher(text).matches();
    }

    /** Whether this is a name, or two of them with a full stop between. */
    public static boolean isDotted(String text) {
        return DOTTED.matcher(text).matches();
    }

    /** One spelling for letters that can be written in two ways (Unicode Annex 15, form C). */
    public static String normal(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFC);
    }

    /** A text without the spaces around it, whichever kind of space they are. */
    public static String stripped(String text) {
        return Texts.trimmed(text, c -> c <= Character.MAX_VALUE && isBlank((char) c));
    }

    /** Whether one character shows nothing on paper, or only a space. */
    public static boolean isBlank(char c) {
        return Character.isWhitespace(c)
                || c == '\u00a0'
                || c == '\u00ad'
                || c == '\u180e'
                || c >= '\u2000' && c <= '\u200f'
                || c >= '\u2028' && c <= '\u202f'
                || c >= '\u205f' && c <= '\u2064'
                || c == '\u3000'
                || c == '\u1680'
                || c == '\ufeff';
    }

    /** Whether a text shows nothing on paper. */
    public static boolean isBlank(String text) {
        return text.chars().allMatch(c -> isBlank((char) c));
    }

    /** A text with every space of any kind as one plain space. */
    public static String spaced(String text) {
        return ANY.matcher(text).replaceAll(" ").strip();
    }

    /** A name made of any words, for example "Lender's name" becomes {@code Lender_s_name}; empty when no letter is in it. */
    public static String from(String words) {
        String joined = normal(words).replaceAll("[^\\p{L}\\p{M}\\p{N}_]+", "_").replaceFirst("^[^\\p{L}]+", "");
        String name = Texts.trimmed(joined, c -> c == '_');
        return isName(name) ? name : "";
    }
}
