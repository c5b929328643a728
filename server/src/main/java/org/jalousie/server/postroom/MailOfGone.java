package org.jalousie.server.postroom;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Nothing stays of the mail about an agreement that is gone. */
@Repository
class MailOfGone implements WhenGone {
    private final JdbcClient sql;

    MailOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("delete from mail where agreement_id = ?").param(gone.id()).update();
    }
}
