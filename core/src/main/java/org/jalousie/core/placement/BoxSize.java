package org.jalousie.core.placement;

/** The room that a signing field takes, in millimetres. */
public record BoxSize(double widthMm, double heightMm) {}
