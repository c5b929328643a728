package org.jalousie.core.parties;

/**
 * Somebody with a part in one agreement.
 *
 * @param person who it is; may still be nobody before sending
 * @param party the key of the party whose part it is, with its label, duty and stage as they were when the agreement was made
 * @param optional whether the agreement may go out with nobody in this part
 * @param leftOutBy what the rule is called that leaves this part out of the agreement; empty when none does
 * @param house whether it is somebody of the office's own, and not the other side
 * @param copied whether the signed copy goes to them though their duty alone wouldn't bring it
 * @param identity how they show who they are before they see anything
 */
public record Participant(
        Person person,
        PartyKey party,
        String label,
        Duty duty,
        int stage,
        boolean optional,
        String leftOutBy,
        boolean house,
        boolean copied,
        IdentityCheck identity) {
    public Participant {
        leftOutBy = leftOutBy == null ? "" : leftOutBy;
        identity =
                identity == null ? IdentityCheck.NONE : identity; // what was stored before there were checks has none
    }

    /** A part that the agreement has, whoever fills it. */
    public Participant(Person person, PartyKey party, String label, Duty duty, int stage) {
        this(person, party, label, duty, stage, false, "", false, false, IdentityCheck.NONE);
    }

    public String name() {
        return person.name();
    }

    public String mail() {
        return person.mail();
    }

    /** Whether nobody has been named for it at all. */
    public boolean vacant() {
        return person.name().isBlank() && person.mail().isBlank();
    }

    /** Whether the signed copy goes to them. Who only completes details or approves gets none (common practice, no source). */
    public boolean getsCopy() {
        return copied || duty == Duty.SIGNS || duty == Duty.RECEIVES_COPY;
    }

    /** The same part, filled by somebody else. */
    public Participant with(Person other) {
        return new Participant(other, party, label, duty, stage, optional, leftOutBy, house, copied, identity);
    }

    /** The same part, whose person shows otherwise who they are. */
    public Participant provenBy(IdentityCheck check) {
        return new Participant(person, party, label, duty, stage, optional, leftOutBy, house, copied, check);
    }
}
