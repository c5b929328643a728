package org.jalousie.server.tables;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.Recognised;
import org.jalousie.core.tables.TableStyle;

/**
 * A second table whose rows go with those of the first: each with the row that has the same key. Its columns stand behind those of
 * the first one, but for its key, which stands where the first one has its own.
 *
 * @param name of its file, or of its sheet
 * @param file SHA-256 of it
 * @param heads what all its columns are called
 * @param key its column, from 1, whose value says with which row each goes
 * @param to the first one's column, from 1, that has the same value
 * @param columns how many columns the first one has
 * @param datesSure whether its dates can be read in one way only, {@code numbersSure} its numbers
 */
record SecondTable(
        String name,
        String file,
        TableStyle style,
        List<String> heads,
        int key,
        int to,
        int columns,
        boolean datesSure,
        boolean numbersSure) {
    /** Its rows have numbers after this one. */
    static final int FIRST = 10_000_000;

    /** As it seems to be meant: by columns that are called alike, else by the first ones. */
    static SecondTable seen(String name, String file, Recognised as, List<String> heads, List<String> first) {
        SecondTable seen =
                new SecondTable(name, file, as.style(), heads, 1, 1, first.size(), as.datesSure(), as.numbersSure());
        for (int i = 0; i < heads.size(); i++)
            for (int j = 0; j < first.size(); j++)
                if (bare(heads.get(i)).equals(bare(first.get(j)))) return seen.by(i + 1, j + 1);
        return seen;
    }

    private static String bare(String head) {
        return head.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "");
    }

    SecondTable withoutFile() {
        return new SecondTable(name, "", style, heads, key, to, columns, datesSure, numbersSure);
    }

    SecondTable by(int ownKey, int firstKey) {
        return new SecondTable(name, file, style, heads, ownKey, firstKey, columns, datesSure, numbersSure);
    }

    /** The same with data that are written so, as somebody says. */
    SecondTable writing(TableStyle.DateOrder dates, TableStyle.NumberMarks numbers) {
        return new SecondTable(name, file, style.writing(dates, numbers), heads, key, to, columns, true, true);
    }

    /** Whether its keys are columns that there are. */
    boolean fits() {
        return key >= 1 && key <= heads.size() && to >= 1 && to <= columns;
    }

    /** What its columns are called behind those of the first one. */
    List<String> behind() {
        List<String> behind = new ArrayList<>();
        for (int i = 0; i < heads.size(); i++) if (i != key - 1) behind.add(name + ": " + heads.get(i));
        return behind;
    }

    /** Its row as one of the whole. */
    BroughtRows.FileRow row(int number, List<Cell> cells) {
        List<Cell> whole = new ArrayList<>(columns + heads.size());
        for (int i = 0; i < columns; i++) whole.add(Cell.EMPTY);
        for (int i = 0; i < heads.size(); i++) {
            Cell cell = i < cells.size() ? cells.get(i) : Cell.EMPTY;
            if (i == key - 1) whole.set(to - 1, cell);
            else whole.add(cell);
        }
        return new BroughtRows.FileRow(FIRST + number, whole);
    }
}
