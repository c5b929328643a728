package org.jalousie.server.intake;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.server.account.Sight;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Which rows of registers answers were taken from, and what they said then. */
@Component
class TakenRows {
    private final JdbcClient sql;
    private final Sight sight;

    TakenRows(JdbcClient sql, Sight sight) {
        this.sight = sight;
        this.sql = sql;
    }

    /** @param said answers by field, as they are stored; for a list, those of one item */
    record Taken(FieldName question, UUID row, Map<FieldName, String> said) {}

    List<Taken> of(UUID request) {
        return sql.sql("select question, row_id, said from taken_row where request_id = ? order by question, row_id")
                .param(request)
                .query((row, number) -> new Taken(
                        new FieldName(row.getString(1)),
                        row.getObject(2, UUID.class),
                        Json.MAPPER.readValue(row.getString(3), new TypeReference<Map<FieldName, String>>() {})))
                .list();
    }

    /** In place of what was taken before. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(UUID request, List<Taken> all) {
        sql.sql("delete from taken_row where request_id = ?").param(request).update();
        for (Taken one : all)
            sql.sql("insert into taken_row (request_id, question, row_id, said) values (?, ?, ?, ?::jsonb)"
                            + " on conflict (request_id, question, row_id) do nothing")
                    .params(request, one.question().value(), one.row(), Json.canonical(one.said()))
                    .update();
    }

    /** Requests for which a row was taken, the newest first. */
    Page<UUID> requests(UUID row, int page) {
        int from = Page.request(page).getPageNumber() * Page.SIZE;
        String which = " from intake_request r where r.id in (select request_id from taken_row where row_id = ?)"
                + " and r.template_id <> all (?)";
        UUID[] hidden = sight.hidden().toArray(UUID[]::new);
        return new Page<>(
                sql.sql("select r.id" + which + " order by r.created_at desc, r.id limit ? offset ?")
                        .params(row, hidden, Page.SIZE, from)
                        .query(UUID.class)
                        .list(),
                sql.sql("select count(*)" + which)
                        .params(row, hidden)
                        .query(Long.class)
                        .single(),
                page,
                Page.SIZE);
    }
}
