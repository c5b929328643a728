package org.jalousie.server.agreement;

import java.sql.Timestamp;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.State;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.springframework.data.domain.PageRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Whom agreements wait for, found by their mail address: a projection of the events. */
@Repository
class WaitedFor {
    private final JdbcClient sql;

    WaitedFor(JdbcClient sql) {
        this.sql = sql;
    }

    /** Something that waits for somebody. @param party the key of the part, the one that leads what is done in one act */
    record Waits(UUID agreement, PartyKey party) {}

    /** Takes over what an agreement has come to. */
    void project(UUID id, Agreement agreement) {
        sql.sql("delete from waited_for where agreement_id = ?").param(id).update();
        if (agreement.state() != State.OUT) return;
        for (Participant one : agreement.asked())
            sql.sql("insert into waited_for (agreement_id, party, mail, since) values (?, ?, ?, ?)")
                    .params(
                            id,
                            one.party().value(),
                            plain(one.mail()),
                            Timestamp.from(agreement.turnSince(one.party()).orElse(agreement.since())))
                    .update();
    }

    /** What waits for an address, longest first. */
    List<Waits> of(String mail, PageRequest page) {
        return sql.sql(
                        "select agreement_id, party from waited_for where mail = ? order by since, agreement_id, party limit ? offset ?")
                .params(plain(mail), page.getPageSize(), page.getOffset())
                .query((row, number) -> new Waits(row.getObject(1, UUID.class), new PartyKey(row.getString(2))))
                .list();
    }

    long count(String mail) {
        return sql.sql("select count(*) from waited_for where mail = ?")
                .param(plain(mail))
                .query(Long.class)
                .single();
    }

    private static String plain(String mail) {
        return mail.strip().toLowerCase(Locale.ROOT);
    }
}
