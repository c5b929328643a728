package org.jalousie.server.archive.dates;

import java.util.List;
import java.util.UUID;
import org.jalousie.server.agreement.WhenGone;
import org.jalousie.server.postroom.RequestPost;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The days of an agreement that is gone are watched no more, and the mails that told of nothing else are gone. */
@Repository
class DatesOfGone implements WhenGone {
    private final JdbcClient sql;
    private final RequestPost post;

    DatesOfGone(JdbcClient sql, RequestPost post) {
        this.sql = sql;
        this.post = post;
    }

    @Override
    public void gone(Gone gone) {
        List<UUID> mails = sql.sql(
                        "select distinct m.mail_about from key_date_mail m join key_date d on d.id = m.date_id"
                                + " where d.agreement_id = ?")
                .param(gone.id())
                .query(UUID.class)
                .list();
        sql.sql("delete from key_date where agreement_id = ?").param(gone.id()).update();
        for (UUID mail : mails)
            if (sql.sql("select 1 from key_date_mail where mail_about = ?")
                    .param(mail)
                    .query(Integer.class)
                    .list()
                    .isEmpty()) post.forget(mail);
    }
}
