package org.jalousie.core.placement;

/** A signing field with its place on a document of one agreement. */
public record GivenPlace(SigningField field, Spot spot) {}
