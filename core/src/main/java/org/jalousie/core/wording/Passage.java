package org.jalousie.core.wording;

/**
 * A stretch of the wording that prints for some data only.
 *
 * @param number its number within the wording
 * @param name the field, rule or case that decides it
 * @param inverted whether it prints when the name does not hold
 * @param part which part of the document it stands in
 * @param place the words around its beginning, tags and all
 * @param begins the first words that it prints, as far as they are fixed; may be empty
 */
public record Passage(int number, String name, boolean inverted, String part, String place, String begins) {}
