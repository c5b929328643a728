package org.jalousie.core.letters;

import java.time.LocalDate;
import java.util.Locale;
import org.jalousie.core.messages.Catalogue;

/**
 * The words of mails about a request, which may have no agreement yet.
 *
 * @param to what the reader is called; empty where that isn't known
 * @param form what the form is called
 * @param number of the request; empty before there is one
 * @param office what it is called
 * @param language of the reader, a BCP 47 tag
 */
public record RequestLetter(String to, String form, String number, String office, String language) {
    /** What a mail about a request is about. */
    public enum About {
        /** To who asked: it has come. */
        TAKEN,
        /** To the office: somebody has asked. */
        CAME,
        /** To who has begun a form and goes on later. */
        LEFT,
        /** To one of the office, who goes on with a form that they or a colleague have begun. */
        BEGUN,
        /** To who asked: it is done. */
        DONE,
        /** To who asked: it came to nothing. */
        ENDED,
        /** To somebody of the office, who takes care of it from now on. */
        OWNED,
        /** To its owner: somebody said something. */
        SAID,
        /** To one of the office: days of agreements come near; {@link DatesLetter} words it. */
        DATES,
        /** To who is let in; {@link AccountLetter} words this and those below. */
        ACCOUNT_INVITED,
        /** To one of the office: a way in for who has forgotten the password. */
        ACCOUNT_FORGOTTEN,
        /** To one of the office: their password is another one. */
        ACCOUNT_PASSWORD,
        /** To one of the office: what they need beside a password is another. */
        ACCOUNT_FACTOR;

        /** Whether this record words it. */
        public boolean ofRequest() {
            return compareTo(DATES) < 0;
        }

        private String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public String subject(About about) {
        return words().say("request-mail.subject." + about.code(), "form", form, "number", number);
    }

    /**
     * @param link where it goes on; empty for none
     * @param answers all of them as one block; empty for none
     */
    public LetterText text(About about, String link, String answers) {
        return written(words().say("request-mail." + about.code(), "form", form, "number", number), link, answers);
    }

    /** The mail by which somebody goes on with a form. @param until the last day on which it can be */
    public LetterText left(String link, LocalDate until) {
        return written(words().say("request-mail.left", "form", form, "until", until), link, "");
    }

    /** The mail by which one of the office goes on with a form that was begun there. @param by who has begun it */
    public LetterText begun(String by, String link) {
        return written(words().say("request-mail.begun", "form", form, "by", by), link, "");
    }

    /** What one of the office told another. @param by who, {@code said} what; empty for nothing */
    public LetterText told(About about, String by, String said, String link) {
        String told = words().say("request-mail." + about.code(), "form", form, "number", number, "by", by);
        return written(said.isBlank() ? told : told + "\n\n" + said, link, "");
    }

    private LetterText written(String told, String link, String answers) {
        return new LetterText.Draft()
                .say(to.isBlank() ? words().say("request-mail.hello") : words().say("mail.hello", "name", to))
                .say(told)
                .way(link, words().say("request-mail.open"))
                .say(answers.strip())
                .signed(office, words().language());
    }

    private Catalogue words() {
        return Catalogue.of(language);
    }
}
