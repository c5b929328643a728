package org.jalousie.server.archive.roots;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Where the events that are kept are not those that were there: looked for by the database itself, over all agreements. */
@Repository
class KeptAgainstRoots {
    private final JdbcClient sql;

    KeptAgainstRoots(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param most how many of each kind are told at most */
    List<Message> findings(int most) {
        List<Message> findings = new ArrayList<>(lost(most));
        findings.addAll(broken(most));
        return findings;
    }

    /** Agreements and events that a root covers and that are not there any more, or are others. */
    private List<Message> lost(int most) {
        return sql.sql(
                        "select distinct on (l.agreement) l.agreement, l.events, l.root, a.id is null as gone, e.hash is null as fewer,"
                                + " t.number is not null as stone"
                                + " from daily_root_leaf l left join agreement a on a.number = l.agreement"
                                + " left join agreement_event e on e.agreement_id = a.id and e.sequence = l.events"
                                + " left join tombstone t on t.number = l.agreement and a.id is null"
                                + " where case when t.number is null then e.hash is distinct from l.hash"
                                // of the events before the last one nothing is left to compare with
                                + " when l.events = t.events then t.last_hash <> l.hash"
                                + " when l.events = t.events + 1 then t.hash <> l.hash else l.events > t.events end"
                                + " order by l.agreement, l.events limit ?")
                .param(most)
                .query((row, at) -> {
                    String kind = row.getBoolean(6)
                            ? "archive.roots.tombstone-other"
                            : row.getBoolean(4)
                                    ? "archive.roots.agreement-gone"
                                    : row.getBoolean(5) ? "archive.roots.events-gone" : "archive.roots.event-other";
                    return Message.of(kind, "number", row.getString(1), "event", row.getInt(2), "root", row.getLong(3));
                })
                .list();
    }

    /** Events that are not tied to the one before: the chain is recomputed as {@code EventChain} makes it. */
    private List<Message> broken(int most) {
        return sql.sql("select coalesce(a.number, t.agreement_id::text), min(t.sequence) from"
                        + " (select agreement_id, sequence, entry, hash,"
                        + "  row_number() over each_one as place,"
                        + "  lag(hash, 1, repeat('0', 64)) over each_one as previous"
                        + "  from agreement_event window each_one as (partition by agreement_id order by sequence)) t"
                        + " left join agreement a on a.id = t.agreement_id"
                        + " where t.sequence <> t.place"
                        + " or encode(sha256(convert_to(t.previous || chr(10) || t.entry, 'UTF8')), 'hex') <> t.hash"
                        + " group by 1 order by 1 limit ?")
                .param(most)
                .query((row, at) ->
                        Message.of("archive.roots.chain-broken", "number", row.getString(1), "event", row.getInt(2)))
                .list();
    }
}
