package org.jalousie.core.letters;

import java.time.LocalDate;
import java.util.Locale;
import org.jalousie.core.messages.Catalogue;

/**
 * The words of mails to one of the office about their own account.
 *
 * @param to what the reader is called
 * @param office what it is called
 */
public record AccountLetter(String to, String office) {
    /** @param until the last day on which the way in is open */
    public LetterText invited(String link, LocalDate until) {
        return hello().say(words().say("account-mail.invited", "office", office))
                .way(link, words().say("account-mail.come-in"))
                .aside(words().say("account-mail.until", "until", until))
                .signed(office, words().language());
    }

    /** @param minutes for which the way in is open */
    public LetterText forgotten(String link, long minutes) {
        return hello().say(words().say("account-mail.forgotten"))
                .way(link, words().say("account-mail.new-password"))
                .aside(words().say("account-mail.forgotten-why", "minutes", minutes))
                .signed(office, words().language());
    }

    /**
     * Tells of a change to how they come in, so that it shows when it wasn't them.
     *
     * @param about one of the occasions that tell of a change
     */
    public LetterText changed(RequestLetter.About about, String link) {
        return hello().say(words().say(key(about, "told")))
                .way(link, words().say("account-mail.look"))
                .aside(words().say("account-mail.changed-why"))
                .signed(office, words().language());
    }

    /** What a mail about an account has as its subject. */
    public static String subject(RequestLetter.About about, String office) {
        return words().say(key(about, "subject"), "office", office);
    }

    private static String key(RequestLetter.About about, String what) {
        return "account-mail." + what + "."
                + about.name().toLowerCase(Locale.ROOT).replace("account_", "");
    }

    private LetterText.Draft hello() {
        return new LetterText.Draft().say(words().say("mail.hello", "name", to));
    }

    private static Catalogue words() {
        return Catalogue.ENGLISH;
    }
}
