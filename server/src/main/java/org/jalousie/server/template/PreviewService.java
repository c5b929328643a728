package org.jalousie.server.template;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.provenance.Provenance;
import org.jalousie.core.template.OutlineNames;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.web.PrintedView;
import org.springframework.stereotype.Service;

/**
 * The pages of a draft with the names of fields where values will stand. Nothing is kept of them but those seen last. No
 * transaction is open here: making pages takes its time, and a connection to the database is not held over it.
 */
@Service
class PreviewService {
    /** Bytes of pages kept in memory: some hundred agreements, or a few with many pictures. */
    private static final long MOST_HELD = 40L * 1024 * 1024;

    private final Drafts drafts;
    private final DraftWording wordings;
    private final Preparations preparations;
    private final Converter converter;
    private final FixedPreviews fixed;
    private final Cache<String, Previewed> previews = Caffeine.newBuilder()
            .maximumWeight(MOST_HELD)
            .weigher((String key, Previewed one) ->
                    one.placed.pdf().length + (one.printed.size() + one.lines.size()) * PrintedPlace.WEIGHT)
            .build();

    private record Previewed(FieldPlacer.Placed placed, List<PrintedPlace> printed, List<RuledLines.Line> lines) {}

    PreviewService(
            Drafts drafts, DraftWording wordings, Preparations preparations, Converter converter, FixedPreviews fixed) {
        this.wordings = wordings;
        this.fixed = fixed;
        this.drafts = drafts;
        this.preparations = preparations;
        this.converter = converter;
    }

    /** Where the signing fields stand, and what the data have put there. */
    TemplateViews.Preview preview(UUID id, String name) {
        TemplateVersion version = drafts.newest(id);
        Optional<Sha256> file = wordings.named(version, name);
        if (file.isEmpty()) return ofDocument(version, name);
        Previewed previewed = previewed(version, file.get());
        return new TemplateViews.Preview(previewed.placed.pages(), PrintedView.of(previewed.printed), previewed.lines);
    }

    byte[] previewPdf(UUID id, String name) {
        TemplateVersion version = drafts.newest(id);
        Optional<Sha256> file = wordings.named(version, name);
        if (file.isPresent()) return previewed(version, file.get()).placed.pdf();
        TemplateDocument document = DocumentService.document(version.content(), name);
        return document.kind() == TemplateDocument.Kind.FIXED
                ? fixed.of(document, version.content(), OutlineNames.of(version.content()))
                        .made()
                        .pdf()
                : fixed.untouched(document);
    }

    private TemplateViews.Preview ofDocument(TemplateVersion version, String name) {
        TemplateDocument document = DocumentService.document(version.content(), name);
        if (document.kind() == TemplateDocument.Kind.ATTACHED)
            return new TemplateViews.Preview(fixed.bare(document), List.of(), List.of());
        if (document.kind() != TemplateDocument.Kind.FIXED) throw Refusal.notFound(Message.of("document.none"));
        FixedPreviews.Previewed previewed = fixed.of(document, version.content(), OutlineNames.of(version.content()));
        return new TemplateViews.Preview(
                previewed.made().pages(), PrintedView.of(previewed.printed()), fixed.lines(document));
    }

    private Previewed previewed(TemplateVersion version, Sha256 file) {
        TemplateContent content = version.content();
        Preparations.Kept kept = preparations.kept(file, content);
        Wording wording = kept.wording();
        if (wording.broken()) throw Refusal.conflict(Message.of("template.pages-unreadable"));
        Map<String, Value> names = OutlineNames.of(content);
        // the wording's own name and what is printed in it: a field's hint changes no page
        String key = kept.name() + names + content.language();
        Previewed known = previews.getIfPresent(key);
        if (known != null) return known;
        Wording.Merged merged = wording.outline(names, Locale.forLanguageTag(content.language()));
        // outside of any lock: conversion takes its time, and making the same pages twice does no harm
        byte[] pdf = converter.toPdf(merged.file());
        FieldPlacer.Placed placed = FieldPlacer.place(pdf, wording.boxes(), wording.onEachPage(), Set.of(), List.of());
        Previewed previewed = new Previewed(placed, Provenance.of(merged.printed(), pdf), RuledLines.of(pdf));
        previews.put(key, previewed);
        return previewed;
    }
}
