package org.jalousie.core.parties;

/**
 * A role in an agreement, not a person.
 *
 * @param key the word before the dot in a tag, for example {@code lender}
 * @param stage its place in the order, from 1; parties of one stage act at the same time
 * @param optional whether an agreement may go out with nobody in this role
 * @param neededWhen the rule, or the field answered by yes or no, with which the role comes; empty for always
 * @param language BCP 47 tag of the language to speak to them; empty for the agreement's own
 * @param copied whether it gets the signed copy though its duty alone wouldn't bring it one
 * @param identity how its person shows who they are before they see anything
 */
public record Party(
        PartyKey key,
        String label,
        Duty duty,
        int stage,
        PersonSource who,
        Boolean optional,
        String neededWhen,
        String language,
        Boolean copied,
        IdentityCheck identity) {
    public Party {
        // what was stored or sent before there were these leaves them out
        optional = Boolean.TRUE.equals(optional);
        copied = Boolean.TRUE.equals(copied);
        who = who == null ? new PersonSource.ChosenAtUse() : who;
        neededWhen = neededWhen == null ? "" : neededWhen;
        language = language == null ? "" : language;
        identity = identity == null ? IdentityCheck.NONE : identity;
    }

    /** A role that every agreement has. */
    public Party(PartyKey key, String label, Duty duty, int stage, PersonSource who) {
        this(key, label, duty, stage, who, false, "", "", false, IdentityCheck.NONE);
    }

    /** The same role, whose person is found otherwise. */
    public Party foundBy(PersonSource other) {
        return new Party(key, label, duty, stage, other, optional, neededWhen, language, copied, identity);
    }

    /** The same role, which comes with another rule. */
    public Party neededWhen(String rule) {
        return new Party(key, label, duty, stage, who, optional, rule, language, copied, identity);
    }

    /** The same role, whose person shows otherwise who they are. */
    public Party provenBy(IdentityCheck check) {
        return new Party(key, label, duty, stage, who, optional, neededWhen, language, copied, check);
    }
}
