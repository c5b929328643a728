package org.jalousie.server.signing;

import java.util.List;
import org.jalousie.server.agreement.WhenGone;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** No link leads to an agreement that is gone, and nothing is known of who came by one. */
@Repository
class LinksOfGone implements WhenGone {
    /** What was typed goes with its link. */
    private static final List<String> OF_AGREEMENT =
            List.of("identity_code", "identity_shown", "agreed_word", "attached_file", "refused_act", "link");

    private final JdbcClient sql;

    LinksOfGone(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public void gone(Gone gone) {
        for (String table : OF_AGREEMENT)
            sql.sql("delete from " + table + " where agreement_id = ?")
                    .param(gone.id())
                    .update();
    }
}
