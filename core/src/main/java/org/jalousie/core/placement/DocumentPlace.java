package org.jalousie.core.placement;

/**
 * A place of a signing field on a fixed document; its size is its field's.
 *
 * @param field the name of the signing field; several places of one field show its one answer
 */
public record DocumentPlace(String field, Spot spot) {}
