package org.jalousie.core.parties;

/** A party with the person who fills it in one agreement. Name and mail may still be empty before sending. */
public record Participant(String party, String label, Duty duty, int stage, String name, String mail) {
    /** The same role, filled by somebody else. */
    public Participant withPerson(String newName, String newMail) {
        return new Participant(party, label, duty, stage, newName, newMail);
    }
}
