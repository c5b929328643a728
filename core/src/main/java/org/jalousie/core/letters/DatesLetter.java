package org.jalousie.core.letters;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import org.jalousie.core.messages.Catalogue;

/**
 * Tells one of the office which days of agreements come near.
 *
 * @param to what the reader is called; empty where that isn't known
 * @param days the nearest first, at most {@link #MOST}
 * @param more how many there are besides
 * @param office what it is called
 */
public record DatesLetter(String to, List<Coming> days, long more, String office) {
    /** How many one mail tells of; the others are where its link leads. */
    public static final int MOST = 40;

    /**
     * A day.
     *
     * @param left how many days are left; less than nothing for a day that is over
     * @param title what happens on it
     * @param agreement its title, {@code number} its number
     */
    public record Coming(LocalDate day, long left, String title, String agreement, String number) {}

    /** @param count of days in the mail */
    public static String subject(int count) {
        return words().say("dates.mail.subject", "count", count);
    }

    /** @param link to the list of days */
    public LetterText text(String link) {
        return new LetterText.Draft()
                .say(to.isBlank() ? words().say("request-mail.hello") : words().say("mail.hello", "name", to))
                .say(words().say("dates.mail.told", "count", days.size() + more))
                .say(days.stream().map(DatesLetter::line).collect(Collectors.joining("\n")))
                .say(more == 0 ? "" : words().say("dates.mail.more", "count", more))
                .way(link, words().say("dates.mail.open"))
                .aside(words().say("dates.mail.why"))
                .signed(office, words().language());
    }

    private static String line(Coming one) {
        boolean over = one.left() < 0;
        return words().say(
                        over ? "dates.mail.line-over" : "dates.mail.line",
                        "day",
                        one.day(),
                        over ? "ago" : "left",
                        Math.abs(one.left()),
                        "title",
                        one.title(),
                        "agreement",
                        one.agreement(),
                        "number",
                        one.number());
    }

    private static Catalogue words() {
        return Catalogue.ENGLISH;
    }
}
