package org.jalousie.server.groups;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.server.Refusal;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** From which templates things are made. */
@Repository
class Whose {
    /** By what begins an address; {@code :key} is text, {@code :id} the same as an id. */
    private static final Map<String, String> BY = Map.of(
            "agreements",
            "select template_id from agreement where number = :key"
                    + " union select template_id from tombstone where number = :key",
            "requests",
            "select template_id from intake_request where number = :key",
            "templates",
            "select :id",
            "dates",
            "select template_id from key_date where id = :id",
            "views",
            "select template_id from archive_view where id = :id",
            "form-links",
            "select template_id from form_link where id = :id",
            "begun-forms",
            "select template_id from begun_form where id = :id",
            "postroom",
            "select a.template_id from mail m join agreement a on a.id = m.agreement_id where m.id = :id"
                    + " union select r.template_id from mail m join intake_request r on r.id = m.about where m.id = :id");

    private static final Map<String, String> BY_OTHERS = Map.of(
            "finished-files",
            "select template_id from finished_file where id = :id and template_id is not null"
                    + " union select v.template_id from finished_file f join template_version v on v.id = f.template_version_id"
                    + " where f.id = :id",
            "scans",
            "select a.template_id from scan s join agreement a on a.id = s.agreement_id where s.id = :id"
                    + " union select a.template_id from scan_page p join agreement a on a.id = p.agreement_id"
                    + " where p.scan_id = :id",
            "runs",
            "select cast(subject as uuid) from brought_table where id = :id and purpose = 'RUN'");

    private final JdbcClient sql;

    Whose(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * None for what is made from none.
     *
     * @throws Refusal for a number that there isn't, or what is no id
     */
    List<UUID> templates(String kind, String key) {
        String asked = kind.equals("tables") ? "runs" : kind;
        String statement = BY.getOrDefault(asked, BY_OTHERS.get(asked));
        if (statement.contains(":key")) {
            List<UUID> found = found(statement, "key", key.replace("\0", ""));
            // what reads like another number to a room is none here
            if (found.isEmpty()) throw GroupSight.notSeen();
            return found;
        }
        try {
            return found(statement, "id", UUID.fromString(key.strip()));
        } catch (IllegalArgumentException e) {
            throw GroupSight.notSeen();
        }
    }

    private List<UUID> found(String statement, String name, Object value) {
        return sql.sql(statement).param(name, value).query(UUID.class).list().stream()
                .filter(one -> one != null)
                .toList();
    }
}
