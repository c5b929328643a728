package org.jalousie.server.scans;

import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What was printed of an agreement that is gone, and what was scanned of it, goes too: of a file with pages of others too the
 * file itself, since it shows all of them.
 */
@Repository
class ScansOfGone implements WhenGone {
    private final JdbcClient sql;

    ScansOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        sql.sql("update scan set file = '', name = '', agreement_id = null, state = 'READ' where agreement_id = ?"
                        + " or id in (select scan_id from scan_page where agreement_id = ?)")
                .params(gone.id(), gone.id())
                .update();
        sql.sql("delete from scan_page where agreement_id = ?").param(gone.id()).update();
        // pages of the same files that nobody knows whose they are may be its own
        sql.sql("delete from scan_page where agreement_id is null and scan_id in (select id from scan where file = '')")
                .update();
        sql.sql("delete from scan where file = '' and not exists"
                        + " (select 1 from scan_page where scan_id = scan.id and agreement_id is not null)")
                .update();
        sql.sql("delete from paper_print where agreement_id = ?")
                .param(gone.id())
                .update();
    }
}
