package org.jalousie.core.filing.people;

import java.util.Locale;
import org.jalousie.core.parties.Person;

/**
 * Somebody whose data are looked for: a mail address, or a name as it is written.
 *
 * @param text in lower case, with one blank between words
 */
public record Who(String text) {
    /** Whatever is shorter would be in everything. */
    public static final int SHORTEST = 3;

    public static final int LONGEST = 200;

    public Who {
        text = bare(text);
    }

    private static String bare(String text) {
        return text == null
                ? ""
                : text.toLowerCase(Locale.ROOT)
                        .replaceAll("[\\s\\p{Cntrl}]+", " ")
                        .strip();
    }

    /** Whether that is enough, and not too much, to look for somebody by. */
    public boolean isSomebody() {
        return text.length() >= SHORTEST && text.length() <= LONGEST;
    }

    /** Whether it is this one: the same address, or the same name. */
    public boolean is(Person person) {
        return text.equals(bare(person.mail())) || text.equals(bare(person.name()));
    }

    /** Whether it is this name or address. */
    public boolean is(String name) {
        return text.equals(bare(name));
    }

    /** Whether it stands in a text by itself, and not as a piece of a longer word. */
    public boolean isIn(String said) {
        String all = bare(said);
        for (int at = all.indexOf(text); at >= 0 && !text.isEmpty(); at = all.indexOf(text, at + 1)) {
            int end = at + text.length();
            boolean begins = at == 0 || !Character.isLetterOrDigit(all.codePointBefore(at));
            boolean ends = end == all.length() || !Character.isLetterOrDigit(all.codePointAt(end));
            if (begins && ends) return true;
        }
        return false;
    }
}
