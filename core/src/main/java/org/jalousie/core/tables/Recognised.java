package org.jalousie.core.tables;

import java.util.List;

/**
 * What a table's file was taken for.
 *
 * @param sheets that a workbook has, by name; none for other files
 * @param hiddenRows how many rows the sheet hides
 * @param merged how many joined cells it has; each of their rows is taken to say what the joined cell says
 * @param datesSure whether no other order of a date's numbers is possible with what was seen
 * @param numbersSure whether no other marks of numbers are possible with what was seen
 */
public record Recognised(
        TableStyle style, List<String> sheets, int hiddenRows, int merged, boolean datesSure, boolean numbersSure) {
    public Recognised {
        sheets = List.copyOf(sheets);
    }
}
