package org.jalousie.server.webhooks;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Nothing stays of what was told about an agreement that is gone. */
@Repository
class NoticesOfGone implements WhenGone {
    private final JdbcClient sql;

    NoticesOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("delete from webhook_notice where subject in (?, ?)")
                .params(gone.number().value(), gone.request())
                .update();
    }
}
