package org.jalousie.core.reading;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * One thing to read: a heading, a paragraph, an item, a note, or a table.
 *
 * @param level of a heading, 1 for the highest; of an item how deep it stands, 0 outside a list
 * @param label what stands before the words: a clause's number, an item's mark; empty for nothing
 * @param page the first page that it stands on, from 1; 0 when it has nothing on any
 * @param stretches the words; none for a table
 * @param rows of a table; none for anything else
 */
public record Block(Kind kind, int level, String label, int page, List<Stretch> stretches, List<Row> rows) {
    /** What a block is (ISO 32000-1 §14.8.4.3). */
    public enum Kind {
        HEADING,
        PARAGRAPH,
        ITEM,
        NOTE,
        TABLE
    }

    /** @param page the first page that it stands on, from 1 */
    public record Row(int page, List<Cell> cells) {}

    /**
     * @param heading whether it tells what stands beside or beneath it
     * @param columns how many of them it takes, {@code rows} how many rows
     */
    public record Cell(boolean heading, int columns, int rows, List<Block> blocks) {}

    /** All words in their order, with the labels; what stands in fields and pictures is left out. */
    public String words() {
        Stream<String> own = Stream.concat(
                Stream.of(label.isEmpty() ? "" : label + " "),
                stretches.stream()
                        .filter(run -> run.field().isEmpty() && run.picture() == 0)
                        .map(Stretch::text));
        Stream<String> inner = rows.stream()
                .flatMap(row -> row.cells().stream())
                .flatMap(cell -> cell.blocks().stream())
                .map(Block::words);
        return Stream.concat(Stream.of(own.collect(Collectors.joining())), inner)
                .collect(Collectors.joining(" "));
    }

    /** How many blocks it is, with those that it holds. */
    int size() {
        return 1
                + rows.stream()
                        .flatMap(row -> row.cells().stream())
                        .flatMap(cell -> cell.blocks().stream())
                        .mapToInt(Block::size)
                        .sum();
    }

    boolean empty() {
        return label.isBlank()
                && stretches.stream()
                        .allMatch(run -> run.text().isBlank() && run.field().isEmpty() && run.picture() == 0)
                && rows.isEmpty();
    }
}
