package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.filing.dates.DateSource;
import org.jalousie.core.filing.dates.KeyDate;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Which days of a template's agreements are watched. It is said of the template over all its versions. */
@Service
public class TemplateDates {
    private static final TypeReference<List<KeyDate>> DATES = new TypeReference<>() {};

    private final TemplateVersions versions;
    private final JdbcClient sql;
    private final Jobs jobs;

    TemplateDates(TemplateVersions versions, JdbcClient sql, Jobs jobs) {
        this.versions = versions;
        this.sql = sql;
        this.jobs = jobs;
    }

    /**
     * @param edition how often they have been settled anew
     * @param done up to which edition all agreements were gone through
     */
    public record Chosen(List<KeyDate> dates, int edition, int done) {
        /** One of them. */
        public Optional<KeyDate> date(String key) {
            return dates.stream().filter(one -> one.key().equals(key)).findFirst();
        }
    }

    /** As they are now. @throws Refusal when there is no such template */
    @Transactional(readOnly = true)
    public Chosen of(UUID template) {
        return read(template, "");
    }

    /** As they are until the end of the transaction. */
    @Transactional(propagation = Propagation.MANDATORY)
    public Chosen held(UUID template) {
        return read(template, " for share");
    }

    private Chosen read(UUID template, String lock) {
        return sql.sql("select dates, dates_edition, dates_done from template where id = ?" + lock)
                .param(template)
                .query((row, at) ->
                        new Chosen(Json.MAPPER.readValue(row.getString(1), DATES), row.getInt(2), row.getInt(3)))
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("template.none")));
    }

    /** The days that they can go by. */
    @Transactional(readOnly = true)
    public List<DateSource> sources(UUID template) {
        return versions.findFirstByTemplateIdAndStateOrderByNumberDesc(template, TemplateVersion.PUBLISHED)
                .or(() -> versions.findFirstByTemplateIdOrderByNumberDesc(template))
                .map(TemplateVersion::content)
                .map(content -> DateSource.of(content.fields(), content.rules()))
                .orElseThrow(() -> Refusal.notFound(Message.of("template.none")));
    }

    /**
     * Watches these from now on. Agreements that are complete are gone through again, by a job.
     *
     * @param edition that was looked at
     * @throws Refusal for what can't be, by its place as {@code dates.0.title}; or when they have been settled anew since
     */
    @Transactional
    public void choose(UUID template, List<KeyDate> wanted, int edition) {
        Chosen before = read(template, " for update");
        if (before.edition() != edition) throw Refusal.conflict(Message.of("dates.changed"));
        if (wanted.size() > KeyDate.MOST) throw Refusal.invalid(Message.of("dates.too-many", "most", KeyDate.MOST));
        Set<String> known = sources(template).stream().map(DateSource::name).collect(Collectors.toSet());
        // what only earlier versions have is still in their agreements
        before.dates().forEach(one -> known.add(one.from()));
        Map<String, Message> faults = new LinkedHashMap<>();
        List<KeyDate> chosen = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            KeyDate one = wanted.get(i);
            String place = "dates." + i + ".";
            one.faults().forEach((at, fault) -> faults.put(place + at, fault));
            if (!one.from().isEmpty() && !known.contains(one.from()))
                faults.put(place + "from", Message.of("dates.unknown-source", "name", one.from()));
            boolean kept = before.date(one.key()).filter(one::goesOn).isPresent()
                    && chosen.stream().noneMatch(other -> other.key().equals(one.key()));
            chosen.add(kept ? one : one.keyed(UUID.randomUUID().toString()));
        }
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        if (chosen.equals(before.dates())) return;
        sql.sql("update template set dates = cast(? as jsonb), dates_edition = dates_edition + 1 where id = ?")
                .params(Json.canonical(chosen), template)
                .update();
        jobs.soon(JobKind.DATES, template.toString());
    }

    /** All agreements have been gone through for an edition, unless there is a newer one. */
    @Transactional
    public void done(UUID template, int edition) {
        sql.sql("update template set dates_done = ? where id = ? and dates_edition = ?")
                .params(edition, template, edition)
                .update();
    }
}
