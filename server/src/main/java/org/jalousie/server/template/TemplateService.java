package org.jalousie.server.template;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.AnswersTable;
import org.jalousie.core.template.Obstacle;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.adapters.FontFinder;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Templates and their versions. */
@Service
class TemplateService implements UsableTemplates {
    private static final ListOrder ORDER = new ListOrder(Map.of("changed", "changedAt", "name", "name"), "-changed");

    private final Templates templates;
    private final TemplateVersions versions;
    private final Drafts drafts;
    private final DraftHistory history;
    private final Preparations preparations;
    private final PublishedVersions compiledVersions;
    private final FileStore files;
    private final FontFinder fonts;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Sight sight;

    TemplateService(
            Templates templates,
            TemplateVersions versions,
            Drafts drafts,
            DraftHistory history,
            Preparations preparations,
            PublishedVersions compiledVersions,
            FileStore files,
            FontFinder fonts,
            TransactionTemplate transaction,
            Clock clock,
            Sight sight) {
        this.sight = sight;
        this.fonts = fonts;
        this.transaction = transaction;
        this.templates = templates;
        this.versions = versions;
        this.drafts = drafts;
        this.history = history;
        this.preparations = preparations;
        this.compiledVersions = compiledVersions;
        this.files = files;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Page<TemplateViews.TemplateItem> list(String find, boolean retired, String sort, int page) {
        var found = templates.find(Page.pattern(find), retired, sight.unknownOrOne(), ORDER.page(page, sort));
        List<UUID> ids = found.map(Template::id).getContent();
        Map<UUID, TemplateVersion> newest = versions.newest(ids).stream()
                .collect(Collectors.toMap(TemplateVersion::templateId, Function.identity()));
        Map<UUID, Integer> published = versions.published(ids).stream()
                .collect(Collectors.toMap(TemplateVersions.Published::getId, TemplateVersions.Published::getNumber));
        List<TemplateViews.TemplateItem> rows = found.stream()
                .map(template -> TemplateViews.row(
                        template,
                        newest.get(template.id()),
                        published.getOrDefault(template.id(), 0),
                        sight.of(template.id())))
                .toList();
        return new Page<>(rows, found.getTotalElements(), page, Page.SIZE);
    }

    /** Takes in a Word file as a new template. It is read, and fonts are asked for, before a transaction is open. */
    TemplateViews.TemplateDetail bringIn(String name, byte[] file) {
        requireName(name);
        Wording read = Wording.compile(WordFile.open(file), Set.of(), AnswersTable.NOTHING_ASKED);
        fonts.learn(Wordings.only(read));
        TemplateContent none = Proposal.first(read.found());
        Sha256 kept = files.keep(file);
        return transaction.execute(status -> {
            Template template = templates.save(new Template(name.strip(), clock.instant()));
            TemplateVersion version = versions.save(new TemplateVersion(template.id(), 1, kept, none));
            // once more with the library at hand, for what its clauses use
            version.change(kept, preparations.renewed(kept, none));
            return drafts.detail(template, version);
        });
    }

    /** No transaction is open over all of it: a wording is compiled here when it is looked at first, and fonts are asked for. */
    TemplateViews.TemplateDetail show(UUID id) {
        return drafts.detail(drafts.template(id), drafts.newest(id));
    }

    @Transactional
    TemplateViews.TemplateDetail settle(UUID id, int revision, TemplateContent said, String by) {
        TemplateVersion version = drafts.draft(id, revision);
        TemplateContent content = DocumentService.arranged(version.content(), said);
        Wordings wordings = preparations.wordings(version.wordFile(), content);
        history.rememberTyping(version, content, by);
        TemplateContent released =
                Proposal.released(version.content(), content, wordings.found().fields());
        version.change(version.wordFile(), preparations.renewed(version.wordFile(), released));
        return drafts.changed(id, version);
    }

    /** Takes the last change of the draft back, of whatever it was. */
    @Transactional
    TemplateViews.TemplateDetail takeBack(UUID id, int revision) {
        TemplateVersion draft = drafts.draft(id, revision);
        history.takeBack(draft);
        return drafts.changed(id, draft);
    }

    /** Makes the change again that was taken back last. */
    @Transactional
    TemplateViews.TemplateDetail makeAgain(UUID id, int revision) {
        TemplateVersion draft = drafts.draft(id, revision);
        history.makeAgain(draft);
        return drafts.changed(id, draft);
    }

    @Transactional
    TemplateViews.TemplateDetail rename(UUID id, String name) {
        requireName(name);
        Template template = drafts.template(id);
        template.rename(name.strip());
        return drafts.changed(id, drafts.newest(id));
    }

    @Transactional
    TemplateViews.TemplateDetail publish(UUID id, int revision, String by) {
        TemplateVersion version = drafts.draft(id, revision);
        TemplateContent content = version.content();
        Wordings wordings = preparations.wordings(version);
        List<Obstacle> obstacles = drafts.obstacles(id, wordings, content, preparations.rules(content));
        if (!obstacles.isEmpty())
            throw Refusal.conflict(
                    Message.of("publish.not-yet", "obstacle", obstacles.get(0).message()));
        Map<String, Sha256> held = new HashMap<>(preparations.clauseFiles(content));
        held.keySet().retainAll(wordings.found().clauses());
        version.publish(held, by, clock.instant());
        return drafts.changed(id, version);
    }

    /** Starts a new version from the published one; agreements already made keep theirs. */
    @Transactional
    TemplateViews.TemplateDetail startDraft(UUID id) {
        TemplateVersion newest = drafts.newest(id);
        if (!newest.published()) throw Refusal.conflict(Message.of("template.draft-there"));
        TemplateVersion draft = versions.save(new TemplateVersion(
                id, newest.number() + 1, newest.wordFile(), newest.content().holding(Map.of())));
        return drafts.changed(id, draft);
    }

    /** Makes a template of its own from this one's newest version. */
    @Transactional
    TemplateViews.TemplateDetail duplicate(UUID id, String name) {
        requireName(name);
        TemplateVersion from = drafts.newest(id);
        Template template = templates.save(new Template(name.strip(), clock.instant()).inGroupOf(drafts.template(id)));
        TemplateVersion version = versions.save(new TemplateVersion(
                template.id(), 1, from.wordFile(), from.content().holding(Map.of())));
        return drafts.detail(template, version);
    }

    /** Takes a template out of use; agreements made from it go on. */
    @Transactional
    TemplateViews.TemplateDetail retire(UUID id) {
        drafts.template(id).retire(clock.instant());
        return show(id);
    }

    @Transactional
    TemplateViews.TemplateDetail bringBack(UUID id) {
        drafts.template(id).bringBack();
        return show(id);
    }

    @Transactional(readOnly = true)
    @Override
    public UsableTemplate published(UUID id) {
        if (drafts.template(id).retired()) throw Refusal.conflict(Message.of("template.retired"));
        return versions.newestPublished(id)
                .map(this::version)
                .orElseThrow(() -> Refusal.conflict(Message.of("template.not-published")));
    }

    @Transactional(readOnly = true)
    @Override
    public Map<UUID, String> fillable(Collection<UUID> ids) {
        Set<UUID> published = versions.published(ids).stream()
                .map(TemplateVersions.Published::getId)
                .collect(Collectors.toSet());
        return templates.findAllById(published).stream()
                .filter(template -> !template.retired())
                .collect(Collectors.toMap(Template::id, Template::name));
    }

    @Transactional(readOnly = true)
    @Override
    public UsableTemplate newest(UUID id) {
        return usable(drafts.newest(id));
    }

    @Transactional(readOnly = true)
    @Override
    public UsableTemplate version(UUID versionId) {
        return compiledVersions
                .known(versionId)
                .map(compiled -> usable(versionId, compiled))
                .or(() -> versions.findById(versionId).map(this::usable))
                .orElseThrow(() -> Refusal.notFound(Message.of("template.version-unknown")));
    }

    @Transactional(readOnly = true)
    @Override
    public TemplateContent content(UUID versionId) {
        return compiledVersions
                .known(versionId)
                .map(PublishedVersions.Compiled::content)
                .or(() -> versions.findById(versionId).map(TemplateVersion::content))
                .orElseThrow(() -> Refusal.notFound(Message.of("template.version-unknown")));
    }

    @Transactional(readOnly = true)
    @Override
    public UUID templateOf(UUID versionId) {
        return compiledVersions
                .known(versionId)
                .map(PublishedVersions.Compiled::of)
                .or(() -> versions.findById(versionId).map(TemplateVersion::templateId))
                .orElseThrow(() -> Refusal.notFound(Message.of("template.version-unknown")));
    }

    @Transactional(readOnly = true)
    @Override
    public Map<UUID, String> namesOf(Collection<UUID> versionIds) {
        return versions.named(versionIds).stream()
                .collect(Collectors.toMap(TemplateVersions.Named::getId, TemplateVersions.Named::getName));
    }

    @Transactional(readOnly = true)
    @Override
    public List<UUID> inUse() {
        return versions.inUse();
    }

    @Transactional
    @Override
    public void addSpecimen(UUID id, Specimen specimen, String by) {
        TemplateVersion draft = drafts.draft(id);
        List<Specimen> kept = new ArrayList<>(draft.content().specimens());
        kept.add(specimen);
        history.remember(draft, Message.of("step.specimen-kept", "name", specimen.name()), by);
        draft.change(draft.wordFile(), draft.content().withSpecimens(kept));
        drafts.changed(id, draft);
    }

    private UsableTemplate usable(TemplateVersion version) {
        return usable(version.id(), compiledVersions.of(version));
    }

    /** What was published never changes; what its template is called may. */
    private UsableTemplate usable(UUID versionId, PublishedVersions.Compiled compiled) {
        return new UsableTemplate(
                versionId,
                compiled.of(),
                drafts.template(compiled.of()).name(),
                compiled.number(),
                compiled.content(),
                compiled.wordings(),
                compiled.rules());
    }

    static void requireName(String name) {
        if (name.isBlank())
            throw Refusal.invalid(Message.of("template.no-name"), Map.of("name", Message.of("template.name-required")));
    }
}
