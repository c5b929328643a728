package org.jalousie.server.agreement;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.server.account.Sight;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is looked for, as statements' conditions, with what whoever asks doesn't see left out. */
@Repository
class Narrowings {
    /** Templates that are looked for one by one; of more, what is hidden is left out where it is met. */
    private static final int MOST_SEEN = 200;

    private final JdbcClient sql;
    private final Sight sight;

    Narrowings(JdbcClient sql, Sight sight) {
        this.sql = sql;
        this.sight = sight;
    }

    Narrowing of(AgreementsAsked asked) {
        Set<UUID> hidden = sight.hidden();
        return Narrowing.of(asked, hidden, hidden.isEmpty() ? Optional.empty() : seen(hidden));
    }

    private Optional<List<UUID>> seen(Set<UUID> hidden) {
        List<UUID> seen = sql.sql("select id from template where id <> all (?) limit ?")
                .params(hidden.toArray(UUID[]::new), MOST_SEEN + 1)
                .query(UUID.class)
                .list();
        return Optional.of(seen).filter(all -> all.size() <= MOST_SEEN);
    }
}
