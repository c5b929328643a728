package org.jalousie.core.agreement;

import java.time.Instant;

/**
 * An event with who caused it and when.
 *
 * @param sequence from 1, without gaps
 */
public record Entry(int sequence, Instant at, Actor actor, Event event) {}
