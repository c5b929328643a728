package org.jalousie.server.template;

import java.time.Clock;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.evidence.Json;
import org.jalousie.core.parties.Party;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.PublishCheck;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.web.Page;
import org.jalousie.server.web.Refusal;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Templates and their versions. */
@Service
public class TemplateService {
    private static final int KEPT_WORDINGS = 60;

    private final Templates templates;
    private final TemplateVersions versions;
    private final FileStore files;
    private final Converter converter;
    private final Clock clock;
    private final Map<String, Wording> compiled = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Wording> eldest) {
            return size() > KEPT_WORDINGS;
        }
    });
    private final Map<String, FieldPlacer.Placed> previews =
            Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
                @Override
                protected boolean removeEldestEntry(Map.Entry<String, FieldPlacer.Placed> eldest) {
                    return size() > 12;
                }
            });

    TemplateService(Templates templates, TemplateVersions versions, FileStore files, Converter converter, Clock clock) {
        this.templates = templates;
        this.versions = versions;
        this.files = files;
        this.converter = converter;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Page<TemplateViews.TemplateItem> list(String find, int page) {
        var found = templates.find(find, PageRequest.of(page, Page.SIZE));
        Map<UUID, List<TemplateVersion>> byTemplate =
                versions.findByTemplateIdIn(found.map(Template::id).getContent()).stream()
                        .collect(Collectors.groupingBy(TemplateVersion::templateId));
        List<TemplateViews.TemplateItem> rows = found.stream()
                .map(template -> TemplateViews.row(template, byTemplate.get(template.id())))
                .toList();
        return new Page<>(rows, found.getTotalElements(), page, Page.SIZE);
    }

    /** Takes in a Word file as a new template. */
    @Transactional
    TemplateViews.TemplateDetail bringIn(String name, byte[] file) {
        if (name.isBlank()) throw Refusal.invalid("Give the template a name.", Map.of("name", "A name is required."));
        Wording wording = Wording.compile(WordFile.open(file), Set.of());
        Template template = templates.save(new Template(name.strip(), clock.instant()));
        TemplateVersion version =
                versions.save(new TemplateVersion(template.id(), 1, files.keep(file), Proposal.first(wording.found())));
        return detail(template, version);
    }

    @Transactional(readOnly = true)
    TemplateViews.TemplateDetail show(UUID id) {
        return detail(template(id), newest(id));
    }

    /** Takes the wording back from the word processor; settings of fields that stay are kept. */
    @Transactional
    TemplateViews.TemplateDetail replaceWording(UUID id, int revision, byte[] file) {
        TemplateVersion version = draft(id, revision);
        Wording wording = Wording.compile(WordFile.open(file), keys(version.content()));
        version.change(files.keep(file), Proposal.renewed(wording.found(), version.content()));
        return changed(id, version);
    }

    @Transactional
    TemplateViews.TemplateDetail settle(UUID id, int revision, TemplateContent content) {
        TemplateVersion version = draft(id, revision);
        requireKeys(content);
        Wording wording = wording(version.wordFile(), keys(content));
        version.change(version.wordFile(), Proposal.renewed(wording.found(), content));
        return changed(id, version);
    }

    @Transactional
    TemplateViews.TemplateDetail publish(UUID id, int revision) {
        TemplateVersion version = draft(id, revision);
        List<String> obstacles =
                PublishCheck.obstacles(wording(version.wordFile(), keys(version.content())), version.content());
        if (!obstacles.isEmpty()) throw Refusal.conflict("It can't be published yet: " + obstacles.get(0));
        version.publish();
        return changed(id, version);
    }

    /** Starts a new version from the published one; agreements already made keep theirs. */
    @Transactional
    TemplateViews.TemplateDetail startDraft(UUID id) {
        TemplateVersion newest = newest(id);
        if (!newest.published()) throw Refusal.conflict("There is a draft already. Go on with that.");
        TemplateVersion draft =
                versions.save(new TemplateVersion(id, newest.number() + 1, newest.wordFile(), newest.content()));
        return changed(id, draft);
    }

    @Transactional(readOnly = true)
    byte[] wordFile(UUID id) {
        return files.get(newest(id).wordFile());
    }

    /** The pages with the names of fields where values will stand. Nothing is kept of it. */
    TemplateViews.Preview preview(UUID id) {
        TemplateVersion version = newest(id);
        FieldPlacer.Placed placed = previewed(version);
        return new TemplateViews.Preview(placed.pages());
    }

    byte[] previewPdf(UUID id) {
        return previewed(newest(id)).pdf();
    }

    private FieldPlacer.Placed previewed(TemplateVersion version) {
        Wording wording = wording(version.wordFile(), keys(version.content()));
        if (!wording.diagnostics().isEmpty())
            throw Refusal.conflict("The pages can be shown when all tags can be read.");
        String key = version.wordFile() + Json.canonical(version.content().fields()) + keys(version.content());
        FieldPlacer.Placed known = previews.get(key);
        if (known != null) return known;
        Map<String, Value> names = new HashMap<>();
        for (Field field : version.content().fields()) {
            names.put(
                    field.name(),
                    field.type() == FieldType.YES_NO
                            ? new Value.YesNo(true)
                            : new Value.Text("[" + field.label() + "]"));
        }
        byte[] word =
                wording.merge(names, Locale.forLanguageTag(version.content().language()));
        // outside of any lock: conversion takes its time, and making the same pages twice does no harm
        FieldPlacer.Placed placed = FieldPlacer.place(converter.toPdf(word), wording.boxes(), List.of());
        previews.put(key, placed);
        return placed;
    }

    /** The newest published version, for a form. */
    @Transactional(readOnly = true)
    public UsableTemplate published(UUID id) {
        return versions.findFirstByTemplateIdAndStateOrderByNumberDesc(id, TemplateVersion.PUBLISHED)
                .map(this::usable)
                .orElseThrow(() -> Refusal.conflict("The template is not published yet. Publish it first."));
    }

    /** A certain version, as an agreement keeps it. */
    @Transactional(readOnly = true)
    public UsableTemplate version(UUID versionId) {
        return versions.findById(versionId)
                .map(this::usable)
                .orElseThrow(() -> Refusal.notFound("There is no such version of a template."));
    }

    /** The name of the template that a version belongs to. */
    @Transactional(readOnly = true)
    public String nameOf(UUID versionId) {
        return versions.findById(versionId)
                .map(version -> template(version.templateId()).name())
                .orElseThrow();
    }

    private UsableTemplate usable(TemplateVersion version) {
        return new UsableTemplate(
                version.id(),
                version.templateId(),
                template(version.templateId()).name(),
                version.number(),
                version.content(),
                wording(version.wordFile(), keys(version.content())));
    }

    private Wording wording(String wordFile, Set<String> parties) {
        return compiled.computeIfAbsent(
                wordFile + new TreeSet<>(parties), key -> Wording.compile(WordFile.open(files.get(wordFile)), parties));
    }

    private TemplateViews.TemplateDetail changed(UUID id, TemplateVersion version) {
        Template template = template(id);
        template.changed(clock.instant());
        return detail(template, version);
    }

    private TemplateViews.TemplateDetail detail(Template template, TemplateVersion version) {
        Wording wording = wording(version.wordFile(), keys(version.content()));
        return TemplateViews.detail(template, version, wording, PublishCheck.obstacles(wording, version.content()));
    }

    private TemplateVersion draft(UUID id, int revision) {
        TemplateVersion version = newest(id);
        if (version.published())
            throw Refusal.conflict("This version is published and can't change. Start a new version first.");
        if (version.revision() != revision) {
            throw Refusal.conflict(
                    "Somebody else has changed this template meanwhile. Reload the page to see it, then make your change again.");
        }
        return version;
    }

    private static void requireKeys(TemplateContent content) {
        for (Party party : content.parties()) {
            if (!party.key().matches("[a-z][a-z0-9_]{0,40}"))
                throw Refusal.invalid(
                        "The party's key \u201c" + party.key() + "\u201d needs small letters, digits and _ only.");
        }
    }

    private static Set<String> keys(TemplateContent content) {
        return content.parties().stream().map(Party::key).collect(Collectors.toSet());
    }

    private Template template(UUID id) {
        return templates.findById(id).orElseThrow(() -> Refusal.notFound("There is no such template."));
    }

    private TemplateVersion newest(UUID id) {
        return versions.findFirstByTemplateIdOrderByNumberDesc(id)
                .orElseThrow(() -> Refusal.notFound("There is no such template."));
    }
}
