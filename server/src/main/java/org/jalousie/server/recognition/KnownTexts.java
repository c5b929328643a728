package org.jalousie.server.recognition;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.recognition.FileText;
import org.jalousie.core.recognition.Fingerprint;
import org.jalousie.core.recognition.Recogniser;
import org.jalousie.core.recognition.TemplateText;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.paper.Papers;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The texts of all templates that can be filled, by which finished files are recognised. */
@Component
class KnownTexts {
    private static final Logger LOG = LoggerFactory.getLogger(KnownTexts.class);

    /** Marks of texts that are kept in memory, four bytes each. */
    private static final long MOST_MARKS = 10_000_000;

    private final UsableTemplates templates;
    private final TextFingerprints prints;
    private final Papers papers;
    private final Cache<UUID, List<Recogniser.Known<Key>>> known = Caffeine.newBuilder()
            .maximumWeight(MOST_MARKS)
            .weigher((UUID version, List<Recogniser.Known<Key>> texts) -> 50
                    + texts.stream().mapToInt(one -> one.print().marks().length).sum())
            .build();

    KnownTexts(UsableTemplates templates, TextFingerprints prints, Papers papers) {
        this.templates = templates;
        this.prints = prints;
        this.papers = papers;
    }

    /** A document of a version of a template. */
    record Key(UUID version, DocumentId document) {}

    /** What all are known by. Those that nobody has asked for yet are made and kept. */
    List<Recogniser.Known<Key>> all() {
        List<UUID> versions = templates.inUse();
        List<UUID> unknown = versions.stream()
                .filter(version -> known.getIfPresent(version) == null)
                .toList();
        Map<UUID, List<Recogniser.Known<Key>>> found = new HashMap<>();
        if (!unknown.isEmpty())
            prints.of(unknown, Fingerprint.EDITION)
                    .forEach(one -> found.computeIfAbsent(one.version(), any -> new ArrayList<>())
                            .add(new Recogniser.Known<>(new Key(one.version(), one.document()), one.print())));
        List<Recogniser.Known<Key>> all = new ArrayList<>();
        for (UUID version : versions) {
            List<Recogniser.Known<Key>> texts = known.getIfPresent(version);
            if (texts == null) {
                Optional<List<Recogniser.Known<Key>>> now =
                        Optional.ofNullable(found.get(version)).or(() -> readable(version));
                if (now.isEmpty()) continue;
                texts = now.get();
                known.put(version, texts);
            }
            all.addAll(texts);
        }
        return all;
    }

    /** Empty for a template whose texts can't be read: files are recognised by the others. It is tried again the next time. */
    private Optional<List<Recogniser.Known<Key>>> readable(UUID version) {
        try {
            return Optional.of(made(version));
        } catch (RuntimeException e) {
            LOG.warn(
                    "the texts of template version {} can't be read: {}",
                    version,
                    e.getClass().getSimpleName());
            return Optional.empty();
        }
    }

    private List<Recogniser.Known<Key>> made(UUID version) {
        UsableTemplate template = templates.version(version);
        List<Recogniser.Known<Key>> texts = new ArrayList<>();
        for (TemplateDocument document : template.content().documents()) {
            Optional<TemplateText> text = text(template, document);
            if (text.isEmpty()) continue;
            Fingerprint print = Fingerprint.of(text.get());
            prints.keep(version, document.id().value(), Fingerprint.EDITION, print.bytes());
            texts.add(new Recogniser.Known<>(new Key(version, document.id()), print));
        }
        return texts;
    }

    /** The text of a document; empty for one that a finished file can't stand in for. */
    Optional<TemplateText> text(UsableTemplate template, TemplateDocument document) {
        TemplateContent content = template.content();
        return switch (document.kind()) {
            case WORDING ->
                template.wordings()
                        .of(document.id())
                        .filter(wording -> !wording.broken())
                        .map(wording -> TemplateText.of(wording, content));
            case FIXED -> Optional.of(TemplateText.of(pages(document.file().orElseThrow())));
            case ATTACHED, REQUESTED -> Optional.empty();
        };
    }

    /** The words of pages that were taken in. */
    FileText pages(Sha256 file) {
        return FileText.of(papers.words(file), papers.sizes(file), papers.lines(file));
    }
}
