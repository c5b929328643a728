package org.jalousie.server.archive.retention;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Of an agreement that is gone its tombstone says who confirmed it; holds that were lifted go with it. */
@Repository
class HoldsOfGone implements WhenGone {
    private final JdbcClient sql;

    HoldsOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("delete from destruction where agreement_id = ?")
                .param(gone.id())
                .update();
        sql.sql("delete from legal_hold where agreement_id = ?")
                .param(gone.id())
                .update();
    }
}
