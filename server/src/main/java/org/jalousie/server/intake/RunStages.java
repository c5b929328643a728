package org.jalousie.server.intake;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How far the agreements of runs have come. */
@Service
class RunStages {
    private final JdbcClient sql;

    RunStages(JdbcClient sql) {
        this.sql = sql;
    }

    @Transactional(readOnly = true)
    List<IntakeViews.StageCount> of(UUID table) {
        return sql.sql(
                        "select r.stage, count(*) from brought_row b join intake_request r on r.number = b.plan ->> 'request'"
                                + " where b.table_id = ? and b.outcome = 'DONE' and b.belongs_to is null group by r.stage order by r.stage")
                .param(table)
                .query((row, number) ->
                        new IntakeViews.StageCount(RequestStage.valueOf(row.getString(1)), row.getLong(2)))
                .list();
    }
}
