package org.jalousie.server.template;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.filing.retention.RetentionRule;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.trail.Trail;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How long a template's agreements are kept after they have ended. It is said of the template over all its versions. */
@Service
public class TemplateRetention {
    private final Trail trail;
    private final JdbcClient sql;

    TemplateRetention(Trail trail, JdbcClient sql) {
        this.trail = trail;
        this.sql = sql;
    }

    /** @param edition how often it has been settled anew */
    public record Chosen(RetentionRule rule, int edition) {}

    /** As it is now. @throws Refusal when there is no such template */
    @Transactional(readOnly = true)
    public Chosen of(UUID template) {
        return read(template, "");
    }

    private Chosen read(UUID template, String lock) {
        return sql.sql("select retention, retention_edition from template where id = ?" + lock)
                .param(template)
                .query((row, at) -> new Chosen(rule(row.getString(1)), row.getInt(2)))
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("template.none")));
    }

    private static RetentionRule rule(String json) {
        return Json.MAPPER.readValue(json, RetentionRule.class);
    }

    /** The rules of all templates that have one. */
    @Transactional(readOnly = true)
    public Map<UUID, RetentionRule> all() {
        Map<UUID, RetentionRule> all = new LinkedHashMap<>();
        sql.sql("select id, retention from template where retention_edition > 0 order by id")
                .query(row -> {
                    RetentionRule rule = rule(row.getString(2));
                    if (!rule.isForEver()) all.put(row.getObject(1, UUID.class), rule);
                });
        return all;
    }

    /**
     * Keeps them so long from now on, also those that have ended.
     *
     * @param edition that was looked at
     * @throws Refusal for what can't be; or when it has been settled anew since
     */
    @Transactional
    public void choose(UUID template, RetentionRule rule, int edition) {
        if (rule == null) throw Refusal.malformed(Message.of("retention.no-rule"));
        if (read(template, " for update").edition() != edition) throw Refusal.conflict(Message.of("retention.changed"));
        Map<String, Message> faults = rule.faults();
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        String name = sql.sql(
                        "update template set retention = cast(? as jsonb), retention_edition = retention_edition + 1 where id = ? returning name")
                .params(Json.canonical(rule), template)
                .query(String.class)
                .single();
        trail.note(Message.of("act.retention.rule", "template", name));
    }
}
