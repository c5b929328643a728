package org.jalousie.core.tables;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javax.xml.stream.XMLStreamException;
import org.jalousie.core.messages.Message;

/** A sheet of a workbook (ISO/IEC 29500-1 §18.3) as a table: what formulas came to, and joined cells in each row that they cover. */
final class SheetTable {
    private static final int MOST_MERGED = 100_000;

    private SheetTable() {}

    /** What the chosen sheet has, or the first one for none. */
    static Recognised recognised(Path file, TableStyle style) {
        try (Workbook book = Workbook.open(file)) {
            List<String> sheets = List.copyOf(book.sheets().keySet());
            String sheet = sheets.contains(style.sheet()) ? style.sheet() : sheets.get(0);
            int hidden = 0;
            int merged = 0;
            try (Workbook.Part in = book.part(book.sheets().get(sheet))) {
                while (in.next()) {
                    if (in.begins("row") && Workbook.truth(in.attribute("hidden"))) hidden++;
                    if (in.begins("mergeCell")) merged++;
                }
            }
            TableStyle of = new TableStyle(
                    style.format(), "", "", sheet, style.headRow(), style.hidden(), style.dates(), style.numbers());
            return new Recognised(of, sheets, hidden, merged, true, true);
        } catch (XMLStreamException e) {
            throw broken();
        } catch (IOException e) {
            throw unread(e);
        }
    }

    /** @param shared texts that have been read before, or hold them from now on */
    static void read(Path file, AtomicReference<SharedStrings> shared, TableStyle style, RowSink sink) {
        try (Workbook book = Workbook.open(file)) {
            String part = Optional.ofNullable(book.sheets().get(style.sheet()))
                    .orElseThrow(() -> new NotATable(Message.of("table.no-sheet", "sheet", style.sheet())));
            List<Merged> merged = merged(book, part);
            if (shared.get() == null) shared.set(SharedStrings.of(book));
            SheetFormats formats = SheetFormats.of(book);
            try (Workbook.Part in = book.part(part)) {
                rows(in, style, shared.get(), formats, merged, sink);
            }
        } catch (XMLStreamException | IllegalArgumentException e) {
            throw broken();
        } catch (IOException e) {
            throw unread(e);
        }
    }

    private static NotATable broken() {
        return new NotATable(Message.of("table.no-workbook"));
    }

    private static RuntimeException unread(IOException e) {
        return e instanceof java.util.zip.ZipException ? broken() : new UncheckedIOException(e);
    }

    private static void rows(
            Workbook.Part in,
            TableStyle style,
            SharedStrings strings,
            SheetFormats formats,
            List<Merged> merged,
            RowSink sink)
            throws XMLStreamException {
        int row = 0;
        int next = 0;
        List<Merged> open = new ArrayList<>();
        while (in.next()) {
            if (!in.begins("row")) continue;
            String named = in.attribute("r");
            // rows are in their order (ISO/IEC 29500-1 §18.3.1.73); one that says otherwise is the next
            row = Math.max(row + 1, named == null ? 0 : Integer.parseInt(named));
            boolean hidden = Workbook.truth(in.attribute("hidden"));
            List<Cell> cells = cells(in, strings, formats);
            while (next < merged.size() && merged.get(next).top <= row) open.add(merged.get(next++));
            int at = row;
            open.removeIf(one -> one.bottom < at);
            for (Merged one : open) one.spread(at, cells);
            if (hidden && !style.hidden()) continue;
            if (!sink.row(row, cells)) return;
        }
    }

    private static List<Cell> cells(Workbook.Part in, SharedStrings strings, SheetFormats formats)
            throws XMLStreamException {
        List<Cell> cells = new ArrayList<>();
        while (in.next() && !in.ends("row")) {
            if (!in.begins("c")) continue;
            String named = in.attribute("r");
            int column = named == null || column(named) < 0 ? cells.size() : column(named);
            String type = in.attribute("t");
            String cellStyle = in.attribute("s");
            Cell cell = cell(in, type == null ? "n" : type, cellStyle, strings, formats);
            // a cell may have a look and nothing in it, as far as the sheet goes
            if (cell.equals(Cell.EMPTY)) continue;
            if (column >= TableFile.MOST_COLUMNS)
                throw new NotATable(Message.of("table.columns", "most", TableFile.MOST_COLUMNS));
            while (cells.size() < column) cells.add(Cell.EMPTY);
            if (column < cells.size()) cells.set(column, cell);
            else cells.add(cell);
        }
        return cells;
    }

    private static Cell cell(Workbook.Part in, String type, String style, SharedStrings strings, SheetFormats formats)
            throws XMLStreamException {
        String value = "";
        boolean formula = false;
        while (in.next() && !in.ends("c")) {
            if (in.begins("v")) value = in.text();
            else if (in.begins("f")) formula = true;
            else if (in.begins("is")) value = SharedStrings.text(in, "is");
        }
        if (value.isEmpty()) return formula && !type.equals("str") ? Cell.failed("") : Cell.EMPTY;
        return switch (type) {
            case "s" -> Cell.typed(strings.get(Integer.parseInt(value.strip())));
            case "inlineStr", "str" -> Cell.typed(value);
            case "b" -> Cell.known(Workbook.truth(value) ? "yes" : "no");
            case "e" -> Cell.failed(value);
            case "d" -> Cell.known(value.matches(".*T00:00(:00)?(\\.0+)?Z?") ? value.substring(0, 10) : value);
            default -> formats.cell(value, style);
        };
    }

    /** @param cell such as {@code AB12} */
    private static int column(String cell) {
        int column = 0;
        for (int i = 0; i < cell.length() && Character.isLetter(cell.charAt(i)); i++)
            column = column * 26 + Character.toUpperCase(cell.charAt(i)) - 'A' + 1;
        return column - 1;
    }

    private static int row(String cell) {
        return Integer.parseInt(cell.replaceAll("\\D", ""));
    }

    private static List<Merged> merged(Workbook book, String part) throws IOException, XMLStreamException {
        List<Merged> merged = new ArrayList<>();
        try (Workbook.Part in = book.part(part)) {
            while (in.next()) {
                if (!in.begins("mergeCell")) continue;
                String[] ends = String.valueOf(in.attribute("ref")).split(":");
                if (ends.length != 2) continue;
                merged.add(new Merged(row(ends[0]), column(ends[0]), row(ends[1]), column(ends[1])));
                if (merged.size() > MOST_MERGED) throw new NotATable(Message.of("table.merged", "most", MOST_MERGED));
            }
        }
        merged.sort(java.util.Comparator.comparingInt(one -> one.top));
        return merged;
    }

    /** Cells that are joined into one. */
    private static final class Merged {
        private final int top;
        private final int left;
        private final int bottom;
        private final int right;
        private Cell says = Cell.EMPTY;

        Merged(int top, int left, int bottom, int right) {
            this.top = top;
            this.left = left;
            this.bottom = bottom;
            this.right = right;
        }

        void spread(int row, List<Cell> cells) {
            if (row == top && left < cells.size()) says = cells.get(left);
            // a row that has nothing of its own is no row of the table, and a title over all columns makes it no wider
            if (says.isBlank() || cells.isEmpty() || left >= TableFile.MOST_COLUMNS) return;
            while (cells.size() <= left) cells.add(Cell.EMPTY);
            int last = Math.min(right, cells.size() - 1);
            for (int column = left; column <= last; column++) cells.set(column, says);
        }
    }
}
