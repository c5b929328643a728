package org.jalousie.server.intake;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.server.agreement.AfterEvents;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps in step how far requests have come: a projection of their agreements, by which lists are narrowed. */
@Component
class RequestStages implements AfterEvents {
    private final JdbcClient sql;

    RequestStages(JdbcClient sql) {
        this.sql = sql;
    }

    /** An agreement was made of it, whose events came before the request knew its number. */
    void madeOf(String request) {
        sql.sql("update intake_request set stage = 'CHECK' where number = ?")
                .param(request)
                .update();
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        // past the entity, which whoever corrects the request just now holds; an agreement that was replaced tells
        // nothing
        String stage = RequestStage.of(agreement.state()).name();
        sql.sql("update intake_request set stage = ? where number = ? and (agreement_number is null"
                        + " or agreement_number = ?) and stage <> ?")
                .params(
                        stage,
                        agreement.created().request(),
                        agreement.created().number().value(),
                        stage)
                .update();
    }
}
