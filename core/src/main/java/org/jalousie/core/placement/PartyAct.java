package org.jalousie.core.placement;

/**
 * What one party's act gives a field to print.
 *
 * @param answer what they typed for it; empty when nothing
 * @param name the person's
 * @param date the day of the act as it prints in the document's language; empty for who only completes details
 */
public record PartyAct(String answer, String name, String date) {}
