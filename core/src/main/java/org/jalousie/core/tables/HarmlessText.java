package org.jalousie.core.tables;

import java.util.regex.Pattern;

/**
 * Text that a spreadsheet program would take for a formula gets an apostrophe before it, as such programs do themselves, and loses
 * it when it is read again (OWASP, "CSV Injection").
 */
final class HarmlessText {
    private static final Pattern FORMULA =
            Pattern.compile("'*[=+\\-@\\t\\r\uff1d\uff0b\uff0d\uff20].*", Pattern.DOTALL);
    private static final Pattern QUOTED = Pattern.compile("'+[=+\\-@\\t\\r\uff1d\uff0b\uff0d\uff20].*", Pattern.DOTALL);
    private static final Pattern NUMBER = Pattern.compile("[-+]?\\d{1,40}(\\.\\d{1,40})?");

    private HarmlessText() {}

    /** Whether a spreadsheet program may work something out from it. */
    static boolean isFormula(String text) {
        return FORMULA.matcher(text).matches() && !NUMBER.matcher(text).matches();
    }

    static String of(String text) {
        return isFormula(text) ? "'" + text : text;
    }

    /** What {@link #of} was given. */
    static String asMeant(String text) {
        return QUOTED.matcher(text).matches() ? text.substring(1) : text;
    }
}
