package org.jalousie.server.archive.reports;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.reports.InVain;
import org.jalousie.core.reports.TimeSpent;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Takes over, once for each agreement as it ends, what reports count. */
@Repository
class Reported implements AfterEvents {
    private final JdbcClient sql;
    private final Agreements agreements;

    Reported(JdbcClient sql, Agreements agreements) {
        this.sql = sql;
        this.agreements = agreements;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (agreement.state().ended()) keep(id, agreement, history);
    }

    /** Takes over one that an earlier version of the program didn't. */
    @Transactional
    void keep(UUID id) {
        List<Entry> history = agreements.history(id);
        keep(id, Agreement.of(history), history);
    }

    private void keep(UUID id, Agreement agreement, List<Entry> history) {
        Optional<InVain> inVain = InVain.of(history);
        Timestamp ended = Timestamp.from(agreement.since());
        int fresh = sql.sql(
                        "insert into ended_agreement (agreement_id, template_id, number, title, template_name, how, ended_at,"
                                + " part, ended_by, reason) select id, template_id, ?, ?, template_name, ?, ?, ?, ?, ?"
                                + " from agreement where id = ? on conflict do nothing")
                .params(
                        agreement.created().number().value(),
                        agreement.title(),
                        agreement.state().name(),
                        ended,
                        inVain.map(InVain::part).orElse(""),
                        inVain.map(InVain::by).orElse(""),
                        inVain.map(InVain::reason).orElse(""),
                        id)
                .update();
        if (fresh == 0) return;
        for (TimeSpent one : TimeSpent.of(history, asked(agreement.created().request())))
            sql.sql("insert into time_spent (agreement_id, template_id, phase, party, label, stage, ended_at, spent)"
                            + " select id, template_id, ?, ?, ?, ?, ?, ? from agreement where id = ?")
                    .params(
                            one.phase().name(),
                            one.part().map(part -> part.party().value()).orElse(""),
                            one.part().map(TimeSpent.Part::label).orElse(""),
                            one.part().map(TimeSpent.Part::stage).orElse(0),
                            ended,
                            one.length().toMillis(),
                            id)
                    .update();
    }

    private Optional<Instant> asked(String request) {
        return sql.sql("select created_at from intake_request where number = ?")
                .param(request)
                .query((row, at) -> row.getTimestamp(1).toInstant())
                .optional();
    }

    /** Some that have ended and aren't taken over, by their ids. @param after the last that was had before */
    List<UUID> left(Optional<UUID> after, int most) {
        return sql.sql("select id from agreement a where state in ('COMPLETED', 'DECLINED', 'WITHDRAWN', 'EXPIRED')"
                        + " and id > ? and not exists (select 1 from ended_agreement e where e.agreement_id = a.id)"
                        + " order by id limit ?")
                .params(after.orElse(new UUID(0, 0)), most)
                .query(UUID.class)
                .list();
    }
}
