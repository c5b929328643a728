package org.jalousie.server.archive.reports;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** An agreement that is gone counts in no report. */
@Repository
class CountsOfGone implements WhenGone {
    private final JdbcClient sql;

    CountsOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("delete from time_spent where agreement_id = ?")
                .param(gone.id())
                .update();
        sql.sql("delete from ended_agreement where agreement_id = ?")
                .param(gone.id())
                .update();
    }
}
