package org.jalousie.core.parties;

/**
 * A role in an agreement, not a person.
 *
 * @param key the word before the dot in a tag, for example {@code lender}
 * @param stage its place in the order, from 1; parties of one stage act at the same time
 */
public record Party(PartyKey key, String label, Duty duty, int stage, PersonSource who) {}
