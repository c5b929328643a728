package org.jalousie.server.archive.stamps;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What the last look at archive time stamps came to. */
@Repository
class StampRoundStore {
    private final JdbcClient sql;

    StampRoundStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param at when the service was asked for a newer certificate in vain, {@code until} when the one that it has ends */
    record NoNewer(Instant at, Instant until) {}

    /** @param said what isn't as it should be */
    record Round(Instant at, List<String> said, Optional<NoNewer> noNewer) {}

    Optional<Round> last() {
        return sql.sql("select looked_at, said, no_newer_at, no_newer_until from stamp_round")
                .query((row, at) -> new Round(
                        row.getTimestamp(1).toInstant(),
                        List.of((String[]) row.getArray(2).getArray()),
                        noNewer(row.getTimestamp(3), row.getTimestamp(4))))
                .optional();
    }

    private static Optional<NoNewer> noNewer(Timestamp at, Timestamp until) {
        return Optional.ofNullable(at).map(asked -> new NoNewer(asked.toInstant(), until.toInstant()));
    }

    void keep(Round round) {
        Timestamp asked = round.noNewer().map(one -> Timestamp.from(one.at())).orElse(null);
        Timestamp until =
                round.noNewer().map(one -> Timestamp.from(one.until())).orElse(null);
        sql.sql("insert into stamp_round (looked_at, said, no_newer_at, no_newer_until) values (?, ?, ?, ?)"
                        + " on conflict (one) do update set looked_at = excluded.looked_at, said = excluded.said,"
                        + " no_newer_at = excluded.no_newer_at, no_newer_until = excluded.no_newer_until")
                .params(Timestamp.from(round.at()), round.said().toArray(new String[0]), asked, until)
                .update();
    }
}
