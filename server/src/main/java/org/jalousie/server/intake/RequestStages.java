package org.jalousie.server.intake;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.server.agreement.AfterEvents;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps in step how far requests have come: a projection of their agreements, by which lists are narrowed. */
@Component
// before those that look at all of a request: of two of its agreements that end at one moment, the second waits here
// for the first
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestStages implements AfterEvents {
    private static final String REACHED =
            "update intake_request one set own_stage = ?, stage = ? where number = ? and own_stage <> ?";
    private static final String OF_SEVERAL = " returning part_of is not null"
            + " or exists (select 1 from intake_request part where part.part_of = one.id)";

    private final JdbcClient sql;

    RequestStages(JdbcClient sql) {
        this.sql = sql;
    }

    /** An agreement was made of it, whose events came before the request knew its number. */
    void madeOf(String request) {
        reached(request, RequestStage.CHECK, "");
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        // past the entity, which whoever corrects the request just now holds; an agreement that was replaced tells
        // nothing
        reached(
                agreement.created().request(),
                RequestStage.of(agreement.state()),
                " and (agreement_number is null or agreement_number = ?)",
                agreement.created().number().value());
    }

    /** @param besides what the request fulfils, with {@code values} */
    private void reached(String request, RequestStage stage, String besides, Object... values) {
        boolean ofSeveral = sql.sql(REACHED + besides + OF_SEVERAL)
                .params(stage.name(), stage.name(), request, stage.name())
                .params(values)
                .query(Boolean.class)
                .optional()
                .orElse(false);
        if (ofSeveral) together(request);
    }

    /** A request of several agreements is as far as the one that is furthest behind. */
    void together(String request) {
        sql.sql("update intake_request whole set stage = (select part.own_stage from intake_request part"
                        + " where (part.id = whole.id or part.part_of = whole.id) and part.wanted"
                        + " order by array_position(array['CHECK', 'OUT', 'WAITING', 'ENDED', 'DONE'], part.own_stage)"
                        + " limit 1)"
                        + " where whole.part_of is null and exists (select 1 from intake_request part"
                        + " where part.number = ? and (part.part_of = whole.id or part.id = whole.id))"
                        + " and exists (select 1 from intake_request part where part.part_of = whole.id)")
                .param(request)
                .update();
    }
}
