package org.jalousie.core.placement;

import java.util.Locale;

/**
 * What one party's act gives a field to print.
 *
 * @param answer what they gave for it, as it is kept; empty when nothing
 * @param name the person's
 * @param date the day of the act as it prints in the document's language; empty for who only completes details
 * @param language the document's
 */
public record PartyAct(String answer, String name, String date, Locale language) {}
