package org.jalousie.core.tables;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jalousie.core.data.Value;

/** A table as RFC 4180 has it: UTF-8 with its mark, so that spreadsheet programs know it; values as they are stored. */
public final class CsvWriter implements TableWriter {
    private final CSVPrinter out;

    public CsvWriter(OutputStream to) throws IOException {
        BufferedWriter text = new BufferedWriter(new OutputStreamWriter(to, StandardCharsets.UTF_8));
        text.write('\ufeff');
        out = new CSVPrinter(text, CSVFormat.RFC4180);
    }

    @Override
    public void heads(List<String> names) throws IOException {
        for (String name : names) out.print(HarmlessText.of(name));
        out.println();
    }

    @Override
    public void row(List<Optional<Value>> cells) throws IOException {
        for (Optional<Value> cell : cells)
            out.print(cell.map(Value::raw).map(HarmlessText::of).orElse(""));
        out.println();
    }

    @Override
    public void close() throws IOException {
        out.close(true);
    }
}
