package org.jalousie.core.intake;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How the numbers of a series are written: {@code yyyy} stands for the year, one run of {@code #} for the number, with as many
 * digits at least. {@code LN-yyyy-####} writes LN-2027-0007.
 */
public record Series(String pattern) {
    private static final Pattern NUMBER = Pattern.compile("#+");
    private static final int LONGEST = 60;

    /** Whether there is one place for the number. */
    public boolean writable() {
        return pattern.length() <= LONGEST && NUMBER.matcher(pattern).results().count() == 1;
    }

    /** Whether it counts anew each year. */
    public boolean yearly() {
        return pattern.contains("yyyy");
    }

    /** @param number from 1 */
    public String written(int year, long number) {
        String inYear = pattern.replace("yyyy", String.format(Locale.ROOT, "%04d", year));
        return NUMBER.matcher(inYear)
                .replaceFirst(found -> Matcher.quoteReplacement(
                        String.format(Locale.ROOT, "%0" + found.group().length() + "d", number)));
    }
}
