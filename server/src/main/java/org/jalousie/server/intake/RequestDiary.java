package org.jalousie.server.intake;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What happened with requests, and what the office said about them: written down once, changed by nobody. */
@Component
class RequestDiary {
    private final JdbcClient sql;
    private final Clock clock;

    RequestDiary(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** What an entry tells. */
    enum Kind {
        CAME,
        CORRECTED,
        /** Somebody takes care of it from now on; {@code said} is their name, empty for nobody. */
        OWNED,
        /** An agreement was made of it; {@code said} is its number. */
        MADE,
        /** A further agreement took the place of one that came to nothing; {@code said} are both numbers, the new one first. */
        REPLACED,
        /** A comment. */
        SAID
    }

    /** @param by who did it */
    record DiaryEntry(Instant at, String by, Kind kind, String said) {}

    @Transactional(propagation = Propagation.MANDATORY)
    public void write(UUID request, String by, Kind kind, String said) {
        sql.sql("insert into request_entry (request_id, at, by_name, kind, said) values (?, ?, ?, ?, ?)")
                .params(request, Timestamp.from(clock.instant()), by, kind.name(), said)
                .update();
    }

    /** In the order in which they happened. */
    @Transactional(readOnly = true)
    public List<DiaryEntry> of(UUID request) {
        return sql.sql("select at, by_name, kind, said from request_entry where request_id = ? order by id")
                .param(request)
                .query((row, number) -> new DiaryEntry(
                        row.getTimestamp(1).toInstant(),
                        row.getString(2),
                        Kind.valueOf(row.getString(3)),
                        row.getString(4)))
                .list();
    }
}
