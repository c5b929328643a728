package org.jalousie.core.parties;

import java.util.Locale;

/**
 * Somebody who can be reached.
 *
 * @param name as it prints; may be empty until the agreement is sent, as all of these
 * @param phone in the international form, for text messages; usually empty
 * @param language BCP 47 tag of the language to speak to them; empty for the agreement's own
 */
public record Person(String name, String mail, String phone, String language) {
    /** Nobody yet. */
    public static final Person NOBODY = new Person("", "");

    public Person {
        name = name == null ? "" : name;
        mail = mail == null ? "" : mail;
        phone = phone == null ? "" : phone; // what was stored before there were phones and languages has none
        language = language == null ? "" : language;
    }

    public Person(String name, String mail) {
        this(name, mail, "", "");
    }

    /**
     * Whether it is the same human being, as far as an office can tell: one name at one address. Several people may share a
     * mailbox, and several may have one name.
     */
    public boolean isSameAs(Person other) {
        return !mail.isBlank()
                && !name.isBlank()
                && plain(mail).equals(plain(other.mail))
                && plain(name).equals(plain(other.name));
    }

    /** The same person, spoken to in this language unless they have one of their own. */
    Person speaking(String usual) {
        return language.isEmpty() && !usual.isEmpty() ? new Person(name, mail, phone, usual) : this;
    }

    private static String plain(String text) {
        return text.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
    }
}
