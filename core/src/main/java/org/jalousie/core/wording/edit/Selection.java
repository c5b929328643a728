package org.jalousie.core.wording.edit;

/**
 * Words chosen on a page, as the page shows them; white space does not count.
 *
 * @param text the words; empty for a place between words
 * @param before some of the words before them
 * @param after some of the words after them
 */
public record Selection(String text, String before, String after) {}
