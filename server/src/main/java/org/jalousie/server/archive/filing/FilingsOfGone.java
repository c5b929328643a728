package org.jalousie.server.archive.filing;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Where an agreement that is gone was filed is kept no more. */
@Repository
class FilingsOfGone implements WhenGone {
    private final JdbcClient sql;

    FilingsOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("delete from filing_path where agreement_id = ?")
                .param(gone.id())
                .update();
        sql.sql("delete from filing where agreement_id = ?").param(gone.id()).update();
    }
}
