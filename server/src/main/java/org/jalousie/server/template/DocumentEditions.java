package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.messages.Message;
import org.jalousie.core.pdf.OwnField;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.Refusal;
import org.jalousie.server.paper.Papers;
import org.springframework.stereotype.Service;

/** Newer editions of a template's fixed documents, compared with what stands on the present ones. */
@Service
class DocumentEditions {
    /** What moves less is where it was, in points. */
    private static final double STAYS = 1;

    private final Drafts drafts;
    private final FixedPreviews fixed;
    private final Papers papers;

    DocumentEditions(Drafts drafts, FixedPreviews fixed, Papers papers) {
        this.drafts = drafts;
        this.fixed = fixed;
        this.papers = papers;
    }

    /**
     * What an edition would bring.
     *
     * @param brought its name in the store, for accepting it
     * @param pages how many it has, {@code before} how many there are now
     * @param stays how many things stay where they are
     * @param moved what comes to stand elsewhere, a sentence each
     * @param lost what loses its place, and why
     * @param brings labels of the fields that its own form has and the present one's hasn't
     * @param gone labels of those that it hasn't any more
     * @param notes what was done to the file on the way
     */
    record EditionComparison(
            String brought,
            int pages,
            int before,
            int stays,
            List<String> moved,
            List<String> lost,
            List<String> brings,
            List<String> gone,
            List<String> notes) {}

    private record Standing(String title, Spot spot, BoxSize size) {}

    EditionComparison compare(UUID id, String name, boolean plain, byte[] file) {
        TemplateContent content = drafts.newest(id).content();
        TemplateDocument document = DocumentService.document(content, name);
        if (document.kind() != TemplateDocument.Kind.FIXED) throw Refusal.notFound(Message.of("document.none"));
        Papers.Paper paper = papers.take(file, document.title(), plain);
        Spots before = fixed.spots(document);
        Spots after = new Spots(papers.sizes(paper.file()), () -> papers.words(paper.file()));
        List<Message> moved = new ArrayList<>();
        List<Message> lost = new ArrayList<>();
        int stays = 0;
        for (Standing one : standing(document, content)) {
            if (one.spot() instanceof Spot.Open) continue;
            Optional<Spots.Box> was = before.find(one.spot(), one.size());
            Optional<Spots.Box> is = after.find(one.spot(), one.size());
            if (is.isEmpty()) {
                after.fault(one.spot(), one.title()).ifPresent(lost::add);
            } else if (was.isPresent() && near(was.get(), is.get())) {
                stays++;
            } else {
                moved.add(moved(one.title(), was, is.get().page()));
            }
        }
        Set<String> had = labels(document.brought().map(papers::form).orElse(List.of()));
        Set<String> has = labels(paper.form());
        return new EditionComparison(
                paper.brought().hex(),
                paper.sizes().size(),
                before.pages(),
                stays,
                TemplateViews.said(moved),
                TemplateViews.said(lost),
                without(has, had),
                without(had, has),
                TemplateViews.said(paper.notes()));
    }

    private static Message moved(String title, Optional<Spots.Box> was, int page) {
        if (was.isEmpty()) return Message.of("edition.placed", "title", title, "page", page);
        int from = was.get().page();
        return from == page
                ? Message.of("edition.moved-on-page", "title", title, "page", page)
                : Message.of("edition.moved", "title", title, "from", from, "page", page);
    }

    private static boolean near(Spots.Box one, Spots.Box other) {
        return one.page() == other.page()
                && Math.abs(one.x() - other.x()) < STAYS
                && Math.abs(one.y() - other.y()) < STAYS;
    }

    private static List<Standing> standing(TemplateDocument document, TemplateContent content) {
        List<Standing> all = new ArrayList<>();
        document.places()
                .forEach(place -> content.signingFields().stream()
                        .filter(field -> field.name().equals(place.field()))
                        .findFirst()
                        .map((SigningField field) -> new Standing(
                                field.title(), place.spot(), field.type().size()))
                        .ifPresent(all::add));
        document.data()
                .forEach(place -> all.add(new Standing(
                        content.fields().stream()
                                .filter(field -> field.isCalled(place.name()))
                                .findFirst()
                                .map(Field::label)
                                .orElse(place.name()),
                        place.spot(),
                        place.size())));
        return all;
    }

    private static Set<String> labels(List<OwnField> form) {
        return form.stream().map(OwnField::label).collect(Collectors.toCollection(java.util.LinkedHashSet::new));
    }

    private static List<String> without(Set<String> from, Set<String> those) {
        Set<String> left = new java.util.LinkedHashSet<>(from);
        left.removeAll(new HashSet<>(those));
        return List.copyOf(left);
    }
}
