package org.jalousie.core.wording;

/**
 * A clause at one place of a wording.
 *
 * @param clause its name in the library
 * @param begins its first words, as far as they are fixed; may be empty
 */
public record Inclusion(String clause, String begins) {}
