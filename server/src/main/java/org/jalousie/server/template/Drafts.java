package org.jalousie.server.template;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.Advice;
import org.jalousie.core.template.DocumentCheck;
import org.jalousie.core.template.LookupCheck;
import org.jalousie.core.template.Obstacle;
import org.jalousie.core.template.PublishCheck;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Wordings;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.FontFinder;
import org.jalousie.server.registers.RegisterLookups;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.web.DiagnosticView;
import org.springframework.stereotype.Component;

/** The newest version of a template, looked up, guarded against two people at once, and shown. Used within a transaction. */
@Component
class Drafts {
    private static final Set<String> EAST_ASIAN = Set.of("Han", "Hiragana", "Katakana", "Hangul", "Bopomofo", "Yi");

    private final Templates templates;
    private final TemplateVersions versions;
    private final DraftHistory history;
    private final Preparations preparations;
    private final FontFinder fonts;
    private final FixedPreviews fixed;
    private final FurtherTemplates further;
    private final RegisterLookups registers;
    private final RowLock lock;
    private final Clock clock;

    Drafts(
            Templates templates,
            TemplateVersions versions,
            DraftHistory history,
            Preparations preparations,
            FontFinder fonts,
            FixedPreviews fixed,
            FurtherTemplates further,
            RegisterLookups registers,
            RowLock lock,
            Clock clock) {
        this.templates = templates;
        this.versions = versions;
        this.history = history;
        this.preparations = preparations;
        this.fonts = fonts;
        this.fixed = fixed;
        this.further = further;
        this.registers = registers;
        this.lock = lock;
        this.clock = clock;
    }

    Template template(UUID id) {
        return templates.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("template.none")));
    }

    /** The draft as it is, for a change that doesn't depend on what a person saw. */
    TemplateVersion draft(UUID id) {
        TemplateVersion version = newest(id);
        lock.on(version);
        return draft(id, version.revision());
    }

    TemplateVersion newest(UUID id) {
        return versions.findFirstByTemplateIdOrderByNumberDesc(id)
                .orElseThrow(() -> Refusal.notFound(Message.of("template.none")));
    }

    TemplateVersion version(UUID id, int number) {
        return versions.findByTemplateIdOrderByNumberDesc(id).stream()
                .filter(one -> one.number() == number)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("template.no-version", "number", number)));
    }

    /** The draft as the person saw it; otherwise a refusal that says what to do. */
    TemplateVersion draft(UUID id, int revision) {
        TemplateVersion version = newest(id);
        // whoever comes second waits here, and then sees what the first has changed
        lock.on(version);
        if (version.published()) throw Refusal.conflict(Message.of("template.published"));
        if (version.revision() != revision) {
            throw Refusal.conflict(Message.of("template.changed-meanwhile"));
        }
        return version;
    }

    TemplateViews.TemplateDetail changed(UUID id, TemplateVersion version) {
        Template template = template(id);
        template.changed(clock.instant());
        return detail(template, version);
    }

    /** What stands in the way of publishing, in the template and on this machine. */
    List<Obstacle> obstacles(UUID id, Wordings wordings, TemplateContent content, RuleSet rules) {
        List<Obstacle> obstacles = new ArrayList<>(PublishCheck.obstacles(wordings, content, rules));
        obstacles.addAll(further.obstacles(id, content));
        obstacles.addAll(lookups(content));
        obstacles.addAll(DocumentCheck.of(content, fixed::spots));
        fonts(wordings, obstacles);
        return obstacles;
    }

    private List<Obstacle> lookups(TemplateContent content) {
        return LookupCheck.of(content, registers.terms(LookupCheck.registers(content)));
    }

    private void fonts(Wordings wordings, List<Obstacle> obstacles) {
        for (String script : fonts.unprintable(wordings.scripts())) {
            obstacles.add(Obstacle.wording(Message.of(
                    "publish.no-font",
                    "script",
                    script.replace('_', ' '),
                    "letters",
                    wordings.scripts().get(script),
                    "package",
                    EAST_ASIAN.contains(script) ? "fonts-noto-cjk" : "fonts-noto-core")));
        }
    }

    TemplateViews.TemplateDetail detail(Template template, TemplateVersion version) {
        TemplateContent content = version.content();
        Wordings wordings = preparations.wordings(version);
        RuleSet rules = preparations.rules(content);
        List<Obstacle> obstacles = new ArrayList<>(PublishCheck.ofSettings(wordings, content, rules));
        obstacles.addAll(further.obstacles(template.id(), content));
        obstacles.addAll(lookups(content));
        obstacles.addAll(DocumentCheck.of(content, fixed::spots));
        fonts(wordings, obstacles);
        return new TemplateViews.TemplateDetail(
                template.id(),
                template.name(),
                version.number(),
                version.published() ? "PUBLISHED" : "DRAFT",
                template.retired(),
                template.singleUse(),
                version.revision(),
                TemplateViews.settings(content),
                DiagnosticView.of(wordings.diagnostics()),
                obstacles.stream().map(TemplateViews.ObstacleView::of).toList(),
                DiagnosticView.of(Advice.of(wordings, content, rules, fonts.replaced(wordings.fonts()))),
                TemplateViews.WordingParts.of(wordings),
                RuleFaultView.of(rules.faults()),
                RuleResults.of(content, rules),
                history.nextBack(version),
                history.nextAgain(version),
                template.changedAt());
    }
}
