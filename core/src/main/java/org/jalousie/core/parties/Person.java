package org.jalousie.core.parties;

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
}
