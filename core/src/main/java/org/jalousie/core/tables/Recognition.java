package org.jalousie.core.tables;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Finds out how a table's file is written, from what stands in it. */
final class Recognition {
    private static final int FIRST_ROWS = 20;
    private static final int LOOKED_AT = 5_000;
    private static final int SEPARATED = 60;

    private Recognition() {}

    static Recognised of(TableFile file) {
        TableStyle plain = new TableStyle(
                file.format(), "", ",", "", 1, false, TableStyle.DateOrder.YEAR_FIRST, TableStyle.NumberMarks.POINT);
        return switch (file.format()) {
            case CSV -> {
                String encoding = Encodings.recognised(file.path());
                TableStyle text = separated(file, encoding, ",");
                for (String separator : TableStyle.SEPARATORS) {
                    TableStyle other = separated(file, encoding, separator);
                    if (likeliness(file, other) > likeliness(file, text)) text = other;
                }
                yield written(file, new Recognised(text, List.of(), 0, 0, true, true));
            }
            case XLSX -> written(file, SheetTable.recognised(file.path(), plain));
            case JSON -> {
                // what can't be read to its end is no table
                JsonTable.heads(file.path());
                TableStyle objects = new TableStyle(
                        file.format(),
                        Encodings.recognised(file.path()),
                        "",
                        "",
                        0,
                        false,
                        plain.dates(),
                        plain.numbers());
                yield written(file, new Recognised(objects, List.of(), 0, 0, true, true));
            }
        };
    }

    private static TableStyle separated(TableFile file, String encoding, String separator) {
        return new TableStyle(
                file.format(),
                encoding,
                separator,
                "",
                1,
                false,
                TableStyle.DateOrder.YEAR_FIRST,
                TableStyle.NumberMarks.POINT);
    }

    /** How well the first rows agree in being of several columns, then in how many; 0 where they don't or can't be read so. */
    private static int likeliness(TableFile file, TableStyle style) {
        Map<Integer, Integer> rows = new HashMap<>();
        int[] seen = {0};
        try {
            file.all(style, (number, cells) -> {
                rows.merge(cells.size(), 1, Integer::sum);
                return ++seen[0] < SEPARATED;
            });
        } catch (NotATable e) {
            return 0;
        }
        return rows.entrySet().stream()
                .filter(one -> one.getKey() > 1)
                .mapToInt(one -> one.getValue() * (TableFile.MOST_COLUMNS + 1) + one.getKey())
                .max()
                .orElse(0);
    }

    /** The head's row, and how dates and numbers are written. */
    private static Recognised written(TableFile file, Recognised so) {
        TableStyle style = file.format() == TableStyle.Format.JSON
                ? so.style()
                : so.style().headedBy(headRow(file, so.style()));
        WritingSeen seen = new WritingSeen();
        int[] rows = {0};
        try {
            file.rows(style, (number, cells) -> {
                cells.forEach(seen::look);
                return ++rows[0] < LOOKED_AT;
            });
        } catch (NotATable e) {
            // who reads it whole is told; until there, what was seen is enough
        }
        return new Recognised(
                style.writing(seen.dates(), seen.numbers()),
                so.sheets(),
                so.hiddenRows(),
                so.merged(),
                seen.datesSure(),
                seen.numbersSure());
    }

    /** The first row that is nearly as wide as any and has different letters in each cell; a title over the table is narrower. */
    private static int headRow(TableFile file, TableStyle style) {
        List<Integer> numbers = new ArrayList<>();
        List<Integer> widths = new ArrayList<>();
        file.all(style, (number, cells) -> {
            Set<String> different = new HashSet<>();
            boolean letters = true;
            for (Cell cell : cells) {
                if (cell.isBlank()) continue;
                letters &= cell.kind() == Cell.Kind.TYPED && different.add(cell.text());
            }
            numbers.add(number);
            widths.add(letters ? different.size() : 0);
            return numbers.size() < FIRST_ROWS;
        });
        int widest = widths.stream().mapToInt(width -> width).max().orElse(0);
        for (int i = 0; i < widths.size(); i++)
            if (widths.get(i) > 0 && widths.get(i) * 5 >= widest * 3) return numbers.get(i);
        return numbers.isEmpty() ? 1 : numbers.get(0);
    }
}
