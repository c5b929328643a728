package org.jalousie.server.signing;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What was tried by participants' links and refused. It is kept beside the trail and not in it: somebody who tries a thousand
 * times makes one row that says so.
 */
@Repository
class RefusedActs {
    private final JdbcClient sql;
    private final Clock clock;

    RefusedActs(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** What was refused may repeat what somebody sent, and so be as long as they like. */
    private static final int LONGEST = 300;

    /**
     * Attempts of one kind at one part.
     *
     * @param party the part whose link it was
     * @param sentence why the last of them was refused
     * @param from network address and kind of browser of the last
     */
    record RefusedAct(String party, String sentence, String from, int times, Instant first, Instant last) {
        RefusedAct at(String part) {
            return new RefusedAct(part, sentence, from, times, first, last);
        }
    }

    /** Does nothing for a secret that never was one of ours. */
    void keep(LinkToken token, Message said, String from) {
        Timestamp now = Timestamp.from(clock.instant());
        String sentence = said.toString().replaceAll("[\\p{Cntrl}\\p{Cs}]", " ");
        sql.sql("insert into refused_act (agreement_id, party, code, sentence, came_from, times, first_at, last_at)"
                        + " select agreement_id, party, ?, ?, ?, 1, ?, ? from link where token_hash = ?"
                        + " on conflict (agreement_id, party, code) do update set times = refused_act.times + 1,"
                        + " sentence = excluded.sentence, came_from = excluded.came_from, last_at = excluded.last_at")
                .params(
                        said.code(),
                        sentence.substring(
                                0,
                                sentence.offsetByCodePoints(
                                        0, Math.min(sentence.codePointCount(0, sentence.length()), LONGEST))),
                        from,
                        now,
                        now,
                        token.hash().hex())
                .update();
    }

    /** The latest first, each at the key of its part. */
    List<RefusedAct> of(UUID agreement) {
        return sql.sql("select party, sentence, came_from, times, first_at, last_at from refused_act"
                        + " where agreement_id = ? order by last_at desc, party, code")
                .param(agreement)
                .query((row, number) -> new RefusedAct(
                        row.getString("party"),
                        row.getString("sentence"),
                        row.getString("came_from"),
                        row.getInt("times"),
                        row.getTimestamp("first_at").toInstant(),
                        row.getTimestamp("last_at").toInstant()))
                .list();
    }
}
