package org.jalousie.core.tables;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.jalousie.core.messages.Message;

/** A file with a table in it. It is read as a stream each time, so that its size makes no difference to what is held. */
public final class TableFile {
    /** Most columns that a table may have. */
    public static final int MOST_COLUMNS = 500;

    /** Most characters that a cell may have. */
    public static final int LONGEST_CELL = 1_000_000;

    /** A row of heads stands among the first rows. */
    static final int LAST_HEAD_ROW = 1_000;

    private final Path file;
    private final TableStyle.Format format;
    private final AtomicReference<SharedStrings> shared = new AtomicReference<>();

    private TableFile(Path file, TableStyle.Format format) {
        this.file = file;
        this.format = format;
    }

    /**
     * @param file must stay where it is as long as it is read
     * @throws NotATable for a file of another kind
     */
    public static TableFile of(Path file) {
        byte[] first = new byte[8];
        int length;
        try (InputStream in = Files.newInputStream(file)) {
            length = in.readNBytes(first, 0, first.length);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        if (length == 0) throw new NotATable(Message.of("table.empty"));
        if (first[0] == 'P' && first[1] == 'K') return new TableFile(file, TableStyle.Format.XLSX);
        // [MS-CFB] 2.2: the workbooks of old
        if ((first[0] & 0xff) == 0xd0 && (first[1] & 0xff) == 0xcf)
            throw new NotATable(Message.of("table.old-workbook"));
        String text = new String(first, 0, length, StandardCharsets.ISO_8859_1);
        if (text.startsWith("%PDF")) throw new NotATable(Message.of("table.no-table"));
        String bare = text.startsWith("\u00ef\u00bb\u00bf") ? text.substring(3) : text;
        boolean json =
                bare.stripLeading().startsWith("[") || bare.stripLeading().startsWith("{");
        return new TableFile(file, json ? TableStyle.Format.JSON : TableStyle.Format.CSV);
    }

    /** What it seems to be. @throws NotATable when nothing can be made of it */
    public Recognised recognised() {
        return Recognition.of(this);
    }

    /** The same, but with a style that a person has chosen. Only what the style leaves open is looked for. */
    public Recognised recognised(TableStyle chosen) {
        if (chosen.format() != format) throw new NotATable(Message.of("table.other-format"));
        return format == TableStyle.Format.XLSX
                ? SheetTable.recognised(file, chosen)
                : new Recognised(chosen, List.of(), 0, 0, true, true);
    }

    TableStyle.Format format() {
        return format;
    }

    Path path() {
        return file;
    }

    /**
     * The columns' names: what the row of heads says; one without a name is called by its letter, and one that is called like
     * another before it gets a number.
     */
    public List<String> heads(TableStyle style) {
        if (format == TableStyle.Format.JSON) {
            List<String> members = JsonTable.heads(file);
            if (!members.stream().allMatch(TableFile::isText))
                throw new NotATable(Message.of("table.character", "row", 1));
            return members;
        }
        List<String> heads = new ArrayList<>();
        all(style, (number, cells) -> {
            if (number < style.headRow()) return true;
            if (number == style.headRow())
                cells.forEach(cell -> heads.add(cell.text().strip()));
            return false;
        });
        return named(heads);
    }

    /** Tells each row under the heads. @throws NotATable where it can't be read on, naming the row */
    public void rows(TableStyle style, RowSink sink) {
        boolean headed = format != TableStyle.Format.JSON;
        all(style, (number, cells) -> headed && number <= style.headRow() || sink.row(number, cells));
    }

    /** Tells each row, whatever it is. */
    void all(TableStyle style, RowSink sink) {
        RowSink checked = (number, cells) -> {
            if (cells.size() > MOST_COLUMNS) throw new NotATable(Message.of("table.columns", "most", MOST_COLUMNS));
            for (Cell cell : cells) {
                if (cell.text().length() > LONGEST_CELL)
                    throw new NotATable(Message.of("table.cell-long", "row", number, "most", LONGEST_CELL));
                if (!isText(cell.text())) throw new NotATable(Message.of("table.character", "row", number));
            }
            return cells.stream().allMatch(Cell::isBlank) || sink.row(number, cells);
        };
        switch (format) {
            case CSV -> CsvTable.read(file, style, checked);
            case XLSX -> SheetTable.read(file, shared, style, checked);
            case JSON -> JsonTable.read(file, checked);
        }
    }

    /** Whether it can be kept at all: no letter is the number 0, or half of one (Unicode 16.0 §3.9, D75). */
    private static boolean isText(String text) {
        for (int i = 0; i < text.length(); i++) {
            char one = text.charAt(i);
            if (one == 0) return false;
            if (!Character.isSurrogate(one)) continue;
            if (i + 1 == text.length() || !Character.isSurrogatePair(one, text.charAt(i + 1))) return false;
            i++;
        }
        return true;
    }

    private static List<String> named(List<String> heads) {
        List<String> named = new ArrayList<>();
        for (int i = 0; i < heads.size(); i++) {
            String name = heads.get(i).isEmpty() ? letters(i) : heads.get(i).replaceAll("\\s+", " ");
            String one = name;
            for (int more = 2; named.contains(one); more++) one = name + " " + more;
            named.add(one);
        }
        return List.copyOf(named);
    }

    /** A column as spreadsheet programs call it. @param index from 0 */
    public static String letters(int index) {
        StringBuilder out = new StringBuilder();
        for (int i = index; i >= 0; i = i / 26 - 1) out.insert(0, (char) ('A' + i % 26));
        return out.toString();
    }
}
