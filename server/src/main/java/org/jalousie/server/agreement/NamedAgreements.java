package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.filing.SearchWords;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Agreements in which somebody may be named, for whoever looks for all that is kept of a person. */
@Service
public class NamedAgreements {
    private final JdbcClient sql;

    NamedAgreements(JdbcClient sql) {
        this.sql = sql;
    }

    /** Those that have all of somebody's words, in any order, as they are found by their ids. @param most at most how many */
    @Transactional(readOnly = true)
    public List<UUID> with(String who, int most) {
        String words = String.join(" ", SearchWords.of(who));
        if (words.isEmpty()) return List.of();
        return sql.sql("select agreement_id from agreement_text where search @@ plainto_tsquery('simple', ?)"
                        + " order by agreement_id limit ?")
                .params(words, most)
                .query(UUID.class)
                .list();
    }
}
