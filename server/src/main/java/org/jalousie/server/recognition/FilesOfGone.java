package org.jalousie.server.recognition;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The file that an agreement was made from goes with it. */
@Repository
class FilesOfGone implements WhenGone {
    private final JdbcClient sql;

    FilesOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("delete from finished_file where agreement_number = ?")
                .param(gone.number().value())
                .update();
    }
}
