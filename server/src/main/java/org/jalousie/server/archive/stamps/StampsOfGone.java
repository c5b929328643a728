package org.jalousie.server.archive.stamps;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How the files of an agreement that is gone came to their archive time stamps is kept no more; the stamps stay. */
@Repository
class StampsOfGone implements WhenGone {
    private final JdbcClient sql;

    StampsOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("delete from stamped_file where agreement_id = ?")
                .param(gone.id())
                .update();
    }
}
