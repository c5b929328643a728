package org.jalousie.core.tables;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jalousie.core.data.Value;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A million different texts, in a process that couldn't hold a third of them. */
class BoundedMemoryTest {
    private static final int ROWS = 100_000;
    private static final int COLUMNS = 10;

    @TempDir
    Path folder;

    @Test
    void aMillionCellsAsTextAreReadInLittleMemory() throws Exception {
        Path file = folder.resolve("large.csv");
        try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
            for (int row = 0; row <= ROWS; row++) {
                for (int column = 0; column < COLUMNS; column++)
                    out.write((column == 0 ? "" : ",") + text(row, column));
                out.write("\r\n");
            }
        }

        assertThat(readElsewhere(file)).isEqualTo("cells " + ROWS * COLUMNS);
    }

    @Test
    void aMillionCellsOfAWorkbookAreReadInLittleMemory() throws Exception {
        Path file = folder.resolve("large.xlsx");
        try (OutputStream out = Files.newOutputStream(file);
                Workbook book = new Workbook(out, "test", "1.0")) {
            Worksheet sheet = book.newWorksheet("Rows");
            for (int row = 0; row <= ROWS; row++)
                for (int column = 0; column < COLUMNS; column++) sheet.value(row, column, text(row, column));
        }

        assertThat(readElsewhere(file)).isEqualTo("cells " + ROWS * COLUMNS);
    }

    private static String text(int row, int column) {
        return "text of row " + row + " in column " + column;
    }

    private String readElsewhere(Path file) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx48m",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Reads.class.getName(),
                        file.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        return said.lines().reduce((before, last) -> last).orElse("");
    }

    /** Reads a table, recognising it first, and writes it as the other kind. */
    static final class Reads {
        private Reads() {}

        public static void main(String[] files) throws IOException {
            TableFile file = TableFile.of(Path.of(files[0]));
            TableStyle style = file.recognised().style();
            int[] cells = {0};
            try (TableWriter out = files[0].endsWith(".csv")
                    ? new SheetWriter(OutputStream.nullOutputStream(), "all")
                    : new CsvWriter(OutputStream.nullOutputStream())) {
                out.heads(file.heads(style));
                file.rows(style, (number, row) -> {
                    List<Optional<Value>> values = new ArrayList<>();
                    for (Cell cell : row) values.add(Optional.of(new Value.Text(cell.text())));
                    cells[0] += row.size();
                    try {
                        out.row(values);
                    } catch (IOException e) {
                        throw new java.io.UncheckedIOException(e);
                    }
                    return true;
                });
            }
            System.out.println("cells " + cells[0]);
        }
    }
}
