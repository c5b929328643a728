package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Service;

/** Where things on a template's fixed documents stand, and what they hang on. */
@Service
class DocumentSpots {
    private final Drafts drafts;
    private final FixedPreviews fixed;

    DocumentSpots(Drafts drafts, FixedPreviews fixed) {
        this.drafts = drafts;
        this.fixed = fixed;
    }

    /** Words that something hangs on, each line of them where it stands. */
    record TiedWords(String words, List<DocumentController.Box> places) {}

    Pages pages(UUID id, String name) {
        return fixed.bare(withPages(id, name));
    }

    List<RuledLines.Line> lines(UUID id, String name) {
        return fixed.lines(fixedDocument(id, name));
    }

    byte[] pdf(UUID id, String name) {
        return fixed.untouched(withPages(id, name));
    }

    private TemplateDocument withPages(UUID id, String name) {
        TemplateDocument document = DocumentService.document(drafts.newest(id).content(), name);
        if (document.file().isEmpty() || document.kind() == TemplateDocument.Kind.WORDING)
            throw Refusal.notFound(Message.of("document.none"));
        return document;
    }

    DocumentController.Tie tie(UUID id, String name, DocumentController.Box box) {
        TemplateDocument document = fixedDocument(id, name);
        Spots spots = fixed.spots(document);
        if (box.page() < 1 || box.page() > spots.pages())
            throw Refusal.notFound(Message.of("document.pages", "pages", spots.pages()));
        Spot spot = spots.tied(new Spots.Box(box.page(), box.x(), box.y(), box.width(), box.height()));
        List<DocumentController.Box> places = spot instanceof Spot.ByWords by ? places(spots, by.words()) : List.of();
        return new DocumentController.Tie(spot, places.isEmpty() ? null : places.get(0));
    }

    List<TiedWords> ties(UUID id, String name) {
        TemplateDocument document = fixedDocument(id, name);
        Spots spots = fixed.spots(document);
        Set<String> words = new LinkedHashSet<>();
        document.places().forEach(one -> add(one.spot(), words));
        document.data().forEach(one -> add(one.spot(), words));
        List<TiedWords> ties = new ArrayList<>();
        for (String some : words) ties.add(new TiedWords(some, places(spots, some)));
        return ties;
    }

    private static void add(Spot spot, Set<String> words) {
        if (spot instanceof Spot.ByWords by) words.add(by.words());
    }

    private static List<DocumentController.Box> places(Spots spots, String words) {
        return spots.wordsAt(words).stream()
                .map(at -> new DocumentController.Box(at.page(), at.x(), at.y(), at.width(), at.height()))
                .toList();
    }

    private TemplateDocument fixedDocument(UUID id, String name) {
        TemplateDocument document = DocumentService.document(drafts.newest(id).content(), name);
        if (document.kind() != TemplateDocument.Kind.FIXED) throw Refusal.notFound(Message.of("document.none"));
        return document;
    }
}
