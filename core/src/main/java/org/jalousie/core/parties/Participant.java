package org.jalousie.core.parties;

/**
 * Somebody with a part in one agreement.
 *
 * @param person who it is; may still be nobody before sending
 * @param party the key of the party whose part it is, with its label, duty and stage as they were when the agreement was made
 */
public record Participant(Person person, PartyKey party, String label, Duty duty, int stage) {
    public String name() {
        return person.name();
    }

    public String mail() {
        return person.mail();
    }

    /** The same part, filled by somebody else. */
    public Participant with(Person other) {
        return new Participant(other, party, label, duty, stage);
    }
}
