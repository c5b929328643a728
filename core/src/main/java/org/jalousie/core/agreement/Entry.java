package org.jalousie.core.agreement;

import java.time.Instant;

/**
 * An event with who caused it and when.
 *
 * @param sequence from 1, without gaps
 * @param actor {@code office:NAME}, {@code party:KEY} or {@code program}
 * @param from network address and browser of a participant, empty for others
 */
public record Entry(int sequence, Instant at, String actor, String from, Event event) {}
