package org.jalousie.server.records;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Of an agreement that is gone it stays that its record has been taken in, lest it be made again, and none of its words. */
@Repository
class StepsOfGone implements WhenGone {
    private final JdbcClient sql;

    StepsOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("update record_step set said = '' where agreement = ?")
                .param(gone.number().value())
                .update();
        sql.sql("update followed_record set faults = '[]' where agreement = ?")
                .param(gone.number().value())
                .update();
    }
}
