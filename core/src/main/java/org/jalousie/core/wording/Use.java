package org.jalousie.core.wording;

import java.util.List;

/**
 * One use of a name by the wording.
 *
 * @param print the print that is asked for, or the case of a section; empty for none
 * @param section whether it opens a section
 * @param inside what is used within that section
 */
public record Use(String name, String print, boolean section, List<Use> inside) {}
