package org.jalousie.core.tables;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.JsonNode;

/** A table as JSON: an array of objects, or one object after the other. A column is a member that any of them has. */
final class JsonTable {
    private JsonTable() {}

    static List<String> heads(Path file) {
        Map<String, Integer> heads = new LinkedHashMap<>();
        each(file, (number, row) -> {
            for (String name : row.propertyNames()) heads.putIfAbsent(name, heads.size());
            if (heads.size() > TableFile.MOST_COLUMNS)
                throw new NotATable(Message.of("table.columns", "most", TableFile.MOST_COLUMNS));
            return true;
        });
        return List.copyOf(heads.keySet());
    }

    static void read(Path file, RowSink sink) {
        List<String> heads = heads(file);
        each(file, (number, row) -> {
            List<Cell> cells = new ArrayList<>(heads.size());
            for (String head : heads) cells.add(JsonCells.of(row.get(head)));
            return cells.stream().allMatch(Cell::isBlank) || sink.row(number, cells);
        });
    }

    private interface Objects {
        boolean row(int number, JsonNode row);
    }

    private static void each(Path file, Objects sink) {
        int number = 0;
        String encoding = Encodings.recognised(file);
        try (JsonParser in = JsonCells.EXACT.createParser(Encodings.open(file, encoding))) {
            for (JsonToken token = in.nextToken(); token != null; token = in.nextToken()) {
                if (token == JsonToken.START_ARRAY && number == 0 || token == JsonToken.END_ARRAY) continue;
                number++;
                if (token != JsonToken.START_OBJECT) throw new NotATable(Message.of("table.json-row", "row", number));
                JsonNode row = in.readValueAsTree();
                if (!sink.row(number, row)) return;
            }
        } catch (JacksonException e) {
            throw new NotATable(Message.of("table.json", "row", number + 1));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
