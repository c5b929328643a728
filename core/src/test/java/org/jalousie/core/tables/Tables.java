package org.jalousie.core.tables;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Small tables for tests. */
final class Tables {
    private Tables() {}

    static TableFile csv(Path folder, String text) {
        return file(folder, text.getBytes(StandardCharsets.UTF_8));
    }

    static TableFile csv(Path folder, String text, String encoding) {
        return file(folder, text.getBytes(Charset.forName(encoding)));
    }

    static TableFile file(Path folder, byte[] bytes) {
        try {
            Path file = Files.createTempFile(folder, "table", "");
            Files.write(file, bytes);
            return TableFile.of(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Each row's texts, as the file seems to be written. */
    static List<List<String>> read(TableFile file) {
        return read(file, file.recognised().style());
    }

    static List<List<String>> read(TableFile file, TableStyle style) {
        List<List<String>> rows = new ArrayList<>();
        file.rows(
                style,
                (number, cells) -> rows.add(cells.stream().map(Cell::text).toList()));
        return rows;
    }
}
