package org.jalousie.server.archive.stamps;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import org.jalousie.core.evidence.stamps.StampPolicy;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.trail.Trail;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** When the office has its archive time stamps renewed. */
@Repository
class StampPolicies {
    private final JdbcClient sql;
    private final Trail trail;
    private final ZoneId zone;
    private final Clock clock;

    StampPolicies(JdbcClient sql, Trail trail, Settings settings, Clock clock) {
        this.sql = sql;
        this.trail = trail;
        this.zone = settings.office().zone();
        this.clock = clock;
    }

    /** @param edition counts its changes; 0 while nobody has chosen one */
    record Edition(StampPolicy policy, int edition) {}

    Edition now() {
        return sql.sql("select policy, edition from stamp_policy")
                .query((row, at) ->
                        new Edition(Json.MAPPER.readValue(row.getString(1), StampPolicy.class), row.getInt(2)))
                .optional()
                .orElse(new Edition(StampPolicy.USUAL, 0));
    }

    /** Today, where the office is. */
    LocalDate today() {
        return day(clock.instant());
    }

    /** The day of a moment, where the office is. */
    LocalDate day(Instant moment) {
        return LocalDate.ofInstant(moment, zone);
    }

    /**
     * Renews by another from now on.
     *
     * @param edition that was looked at
     * @throws Refusal for what can't be; or when it has been changed since
     */
    @Transactional
    void choose(StampPolicy policy, int edition) {
        Map<String, Message> faults = policy.faults(today());
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        int kept = edition == 0
                ? sql.sql(
                                "insert into stamp_policy (policy, edition) values (cast(? as jsonb), 1) on conflict do nothing")
                        .param(Json.canonical(policy))
                        .update()
                : sql.sql("update stamp_policy set policy = cast(? as jsonb), edition = edition + 1 where edition = ?")
                        .params(Json.canonical(policy), edition)
                        .update();
        if (kept == 0) throw Refusal.conflict(Message.of("stamps.edited-meanwhile"));
        trail.note(Message.of(
                "act.stamps.policy",
                "days",
                policy.renewDays(),
                "algorithm",
                policy.algorithm().standardName()));
    }
}
