package org.jalousie.server.registers;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.filing.SearchWords;
import org.jalousie.core.filing.people.Who;
import org.jalousie.core.json.Json;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Rows of registers in which somebody stands. */
@Service
public class PersonsRows {
    private final JdbcClient sql;

    PersonsRows(JdbcClient sql) {
        this.sql = sql;
    }

    /** A row. @param register the title of its register @param gone whether it was taken out */
    public record PersonsRow(
            UUID registerId, String register, UUID id, String label, boolean gone, Map<String, String> values) {}

    /** @param most at most how many */
    @Transactional(readOnly = true)
    public List<PersonsRow> of(Who who, int most) {
        return sql
                .sql("select g.id, g.title, r.id, r.label, r.gone, r.\"values\" from register_row r"
                        + " join register g on g.id = r.register_id where r.search @@ plainto_tsquery('simple', ?)"
                        + " order by g.title, r.label, r.id limit ?")
                .params(String.join(" ", SearchWords.of(SortKey.folded(who.text()))), most * 4)
                .query((row, at) -> new PersonsRow(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getObject(3, UUID.class),
                        row.getString(4),
                        row.getBoolean(5),
                        values(row.getString(6))))
                .list()
                .stream()
                .filter(row -> row.values().values().stream().anyMatch(who::isIn))
                .limit(most)
                .toList();
    }

    private static Map<String, String> values(String json) {
        return new TreeMap<>(Json.MAPPER.readValue(json, new TypeReference<Map<String, String>>() {}));
    }
}
