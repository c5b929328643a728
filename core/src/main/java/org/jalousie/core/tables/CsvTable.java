package org.jalousie.core.tables;

import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jalousie.core.messages.Message;

/** A table as text, RFC 4180: with other separators, line ends and encodings too. */
final class CsvTable {
    private CsvTable() {}

    static void read(Path file, TableStyle style, RowSink sink) {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(style.separator())
                .setIgnoreEmptyLines(false)
                .get();
        int[] last = {0};
        try (Reader in = Encodings.open(file, style.encoding());
                CSVParser parser =
                        CSVParser.builder().setReader(in).setFormat(format).get()) {
            for (CSVRecord row : parser) {
                last[0] = Math.toIntExact(row.getRecordNumber());
                List<Cell> cells = new ArrayList<>(row.size());
                for (String cell : row) cells.add(Cell.typed(HarmlessText.asMeant(cell)));
                if (!sink.row(last[0], cells)) return;
            }
        } catch (CharacterCodingException e) {
            throw notIn(style, last[0] + 1);
        } catch (CSVException e) {
            throw quotes(last[0] + 1);
        } catch (UncheckedIOException e) {
            if (e.getCause() instanceof CharacterCodingException) throw notIn(style, last[0] + 1);
            if (e.getCause() instanceof CSVException) throw quotes(last[0] + 1);
            throw e;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static NotATable notIn(TableStyle style, int row) {
        return new NotATable(Message.of("table.encoding", "encoding", style.encoding(), "row", row));
    }

    private static NotATable quotes(int row) {
        return new NotATable(Message.of("table.quotes", "row", row));
    }
}
