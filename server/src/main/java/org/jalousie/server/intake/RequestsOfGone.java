package org.jalousie.server.intake;

import java.util.List;
import java.util.UUID;
import org.jalousie.server.agreement.WhenGone;
import org.jalousie.server.postroom.RequestPost;
import org.jalousie.server.tables.TablesBrought;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** A request goes with the last of the agreements that were made from it, and with what was filled in beside it. */
@Repository
class RequestsOfGone implements WhenGone {
    private final JdbcClient sql;
    private final RequestPost post;
    private final TablesBrought tables;

    RequestsOfGone(JdbcClient sql, RequestPost post, TablesBrought tables) {
        this.sql = sql;
        this.post = post;
        this.tables = tables;
    }

    private record Part(UUID id, String number) {}

    @Override
    public void gone(Gone gone) {
        // whoever makes another agreement of it holds the whole request, too
        List<UUID> whole = sql.sql("select whole.id from intake_request whole where whole.id ="
                        + " (select coalesce(part_of, id) from intake_request where number = ?) for update")
                .param(gone.request())
                .query(UUID.class)
                .list();
        if (whole.isEmpty() || isNeeded(whole.get(0), gone)) return;
        List<Part> parts = sql.sql("select id, number from intake_request where id = :whole or part_of = :whole"
                        + " order by part_of nulls last")
                .param("whole", whole.get(0))
                .query((row, at) -> new Part(row.getObject(1, UUID.class), row.getString(2)))
                .list();
        for (Part part : parts) {
            for (String table : List.of("taken_row", "request_entry", "request_link"))
                sql.sql("delete from " + table + " where request_id = ?")
                        .param(part.id())
                        .update();
            post.forget(part.id());
            sql.sql("delete from intake_request where id = ?").param(part.id()).update();
            tables.forget(part.number());
        }
    }

    /** Whether another agreement was made from it, or is still to be. */
    private boolean isNeeded(UUID whole, Gone gone) {
        return !sql.sql("select 1 from intake_request r where (r.id = :whole or r.part_of = :whole)"
                        + " and (exists (select 1 from agreement a where a.request_number = r.number and a.id <> :gone)"
                        + " or (r.wanted and r.agreement_number is null)) limit 1")
                .param("whole", whole)
                .param("gone", gone.id())
                .query(Integer.class)
                .list()
                .isEmpty();
    }
}
