package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.State;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What agreements are found by: a projection of their events and documents, written only where something of it changes. */
@Repository
class FoundBy {
    private final JdbcClient sql;

    FoundBy(JdbcClient sql) {
        this.sql = sql;
    }

    static String mark(State state) {
        return "state " + state;
    }

    /** @param template that it was made from */
    static String mark(UUID template) {
        return "template " + template;
    }

    /** Keeps people, data and state. The agreement's row is there already. */
    void facts(UUID id, UUID template, Agreement agreement) {
        sql.sql("insert into agreement_text as kept (agreement_id, marks, facts) values (?, array[?, ?], ?)"
                        + " on conflict (agreement_id) do update set marks = excluded.marks, facts = excluded.facts"
                        + " where (kept.marks, kept.facts) is distinct from (excluded.marks, excluded.facts)")
                .params(id, mark(agreement.state()), mark(template), Findable.facts(agreement))
                .update();
    }

    /** @param text of its documents */
    void words(UUID id, String text) {
        sql.sql("update agreement_text set words = :words where agreement_id = :id and words <> :words")
                .param("words", Findable.words(text))
                .param("id", id)
                .update();
    }

    /** Agreements of an earlier version of the program, which are found by less. */
    List<UUID> without() {
        return sql.sql("select agreement_id from agreement_text where facts = '' limit 200")
                .query(UUID.class)
                .list();
    }
}
