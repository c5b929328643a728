package org.jalousie.core.letters;

import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What mails look like.
 *
 * @param office what it is called
 * @param colour of its name and of the link, as {@code #rrggbb}
 * @param logo where its picture is: {@code cid:} in a mail (RFC 2392), {@code data:} on a screen; empty for none
 */
public record OfficeLook(String office, String colour, Optional<String> logo) {
    /** The program's own green. */
    public static final String USUAL_COLOUR = "#1c4740";

    private static final Pattern COLOUR = Pattern.compile("#[0-9a-f]{6}");
    private static final double LEAST_CONTRAST = 4.5;

    /** @throws IllegalArgumentException when it is no colour */
    public OfficeLook {
        if (!COLOUR.matcher(colour).matches()) throw new IllegalArgumentException("no colour: " + colour);
    }

    /** Whether words of this colour can be read on white (WCAG 2.2, 1.4.3: 4.5 to 1 at least). */
    public static boolean isReadable(String colour) {
        return COLOUR.matcher(colour).matches() && 1.05 / (luminance(colour) + 0.05) >= LEAST_CONTRAST;
    }

    /** WCAG 2.2, relative luminance. */
    private static double luminance(String colour) {
        return 0.2126 * part(colour, 1) + 0.7152 * part(colour, 3) + 0.0722 * part(colour, 5);
    }

    private static double part(String colour, int at) {
        double value = Integer.parseInt(colour.substring(at, at + 2), 16) / 255.0;
        return value <= 0.04045 ? value / 12.92 : Math.pow((value + 0.055) / 1.055, 2.4);
    }
}
