package org.jalousie.server.template;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jalousie.core.filing.columns.ArchiveColumn;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Which of a template's data are columns of the archive. It is said of the template over all its versions. */
@Service
public class TemplateColumns {
    private static final TypeReference<List<ArchiveColumn>> COLUMNS = new TypeReference<>() {};

    private final TemplateVersions versions;
    private final JdbcClient sql;
    private final Jobs jobs;
    private final Cache<UUID, List<ArchiveColumn>> offered =
            Caffeine.newBuilder().maximumSize(500).build();

    TemplateColumns(TemplateVersions versions, JdbcClient sql, Jobs jobs) {
        this.versions = versions;
        this.sql = sql;
        this.jobs = jobs;
    }

    /** @param edition how often they have been chosen anew */
    public record Chosen(List<ArchiveColumn> columns, int edition) {
        /** Their names. */
        public List<ColumnKey> keys() {
            return columns.stream().map(ArchiveColumn::key).toList();
        }
    }

    /** As they are until the end of the transaction. */
    @Transactional(propagation = Propagation.MANDATORY)
    public Chosen held(UUID template) {
        return read(template, " for share");
    }

    private Chosen read(UUID template, String lock) {
        return sql.sql("select columns, columns_edition from template where id = ?" + lock)
                .param(template)
                .query((row, at) -> new Chosen(Json.MAPPER.readValue(row.getString(1), COLUMNS), row.getInt(2)))
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("template.none")));
    }

    /** In their order, called as the newest version calls them. @throws Refusal when there is no such template */
    @Transactional(readOnly = true)
    public List<ArchiveColumn> of(UUID template) {
        List<ArchiveColumn> chosen = read(template, "").columns();
        if (chosen.isEmpty()) return chosen;
        Map<ColumnKey, ArchiveColumn> now =
                offered(template).stream().collect(Collectors.toMap(ArchiveColumn::key, Function.identity()));
        // what the newest version doesn't have any more is in agreements of earlier ones
        return chosen.stream().map(one -> now.getOrDefault(one.key(), one)).toList();
    }

    /** Everything that can be a column. */
    @Transactional(readOnly = true)
    public List<ArchiveColumn> offered(UUID template) {
        Optional<TemplateVersion> published =
                versions.findFirstByTemplateIdAndStateOrderByNumberDesc(template, TemplateVersion.PUBLISHED);
        if (published.isPresent())
            return offered.get(
                    published.get().id(), id -> columns(published.get().content()));
        return versions.findFirstByTemplateIdOrderByNumberDesc(template)
                .map(draft -> columns(draft.content()))
                .orElseThrow(() -> Refusal.notFound(Message.of("template.none")));
    }

    private static List<ArchiveColumn> columns(TemplateContent content) {
        return ArchiveColumn.offered(content.fields(), content.parties());
    }

    /** Makes these the columns. What has been filed is gone through again, by a job. @throws Refusal for too many, or what can't be one */
    @Transactional
    public void choose(UUID template, List<ColumnKey> keys) {
        List<ColumnKey> wanted = keys.stream().distinct().toList();
        if (wanted.size() > ArchiveColumn.MOST)
            throw Refusal.invalid(Message.of("archive.columns.too-many", "most", ArchiveColumn.MOST));
        Chosen before = read(template, " for update");
        Map<ColumnKey, ArchiveColumn> known = new HashMap<>();
        before.columns().forEach(one -> known.put(one.key(), one));
        offered(template).forEach(one -> known.put(one.key(), one));
        List<ArchiveColumn> chosen = new ArrayList<>();
        for (ColumnKey key : wanted) {
            if (!known.containsKey(key)) throw Refusal.invalid(Message.of("archive.columns.none", "column", key));
            chosen.add(known.get(key));
        }
        boolean others = !before.keys().stream()
                .sorted()
                .toList()
                .equals(wanted.stream().sorted().toList());
        sql.sql("update template set columns = cast(? as jsonb), columns_edition = columns_edition + ? where id = ?")
                .params(Json.canonical(chosen), others ? 1 : 0, template)
                .update();
        if (others) jobs.soon(JobKind.COLUMNS, template.toString());
    }

    /** What templates are called. */
    @Transactional(readOnly = true)
    public Map<UUID, String> names(Collection<UUID> templates) {
        Map<UUID, String> names = new HashMap<>();
        if (!templates.isEmpty())
            sql.sql("select id, name from template where id in (:ids)")
                    .param("ids", templates)
                    .query(row -> {
                        names.put(row.getObject(1, UUID.class), row.getString(2));
                    });
        return names;
    }
}
