package org.jalousie.server.agreement;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jalousie.server.account.Sight;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is looked for, as statements' conditions, with what whoever asks doesn't see left out. */
@Repository
class Narrowings {
    private final JdbcClient sql;
    private final Sight sight;

    Narrowings(JdbcClient sql, Sight sight) {
        this.sql = sql;
        this.sight = sight;
    }

    Narrowing of(AgreementsAsked asked) {
        Set<UUID> hidden = sight.hidden();
        return Narrowing.of(asked, hidden, hidden.isEmpty() ? List.of() : seen(hidden));
    }

    private List<UUID> seen(Set<UUID> hidden) {
        return sql.sql("select id from template where id <> all (?)")
                .param(hidden.toArray(UUID[]::new))
                .query(UUID.class)
                .list();
    }
}
