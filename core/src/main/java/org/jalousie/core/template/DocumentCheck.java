package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DataPlace;
import org.jalousie.core.placement.DocumentPlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.wording.Diagnostic;

/** What stands in the way of publishing in a template's documents besides its wording, and what is left open in them. */
public final class DocumentCheck {
    private final TemplateContent content;
    private final Function<TemplateDocument, Spots> spots;
    private final List<Obstacle> obstacles = new ArrayList<>();

    private DocumentCheck(TemplateContent content, Function<TemplateDocument, Spots> spots) {
        this.content = content;
        this.spots = spots;
    }

    /** @param spots of a document with pages of its own */
    public static List<Obstacle> of(TemplateContent content, Function<TemplateDocument, Spots> spots) {
        DocumentCheck check = new DocumentCheck(content, spots);
        Set<String> titles = new HashSet<>();
        for (TemplateDocument document : content.documents()) {
            if (document.kind() != TemplateDocument.Kind.WORDING
                    && document.title().isBlank()) check.add(document, Message.of("publish.document-untitled"));
            else if (!titles.add(document.title()))
                check.add(document, Message.of("publish.document-twice", "title", document.title()));
            check.when(document);
            if (document.kind() == TemplateDocument.Kind.FIXED) check.places(document);
        }
        if (content.documents().stream().allMatch(one -> one.kind() == TemplateDocument.Kind.ATTACHED))
            check.obstacles.add(Obstacle.at(Obstacle.Subject.DOCUMENT, "", Message.of("publish.document-none")));
        return check.obstacles;
    }

    /** Places that are given when a single agreement is made. */
    public static List<Diagnostic> open(TemplateContent content) {
        List<Diagnostic> open = new ArrayList<>();
        for (TemplateDocument document : content.documents()) {
            for (DocumentPlace place : document.places()) {
                if (!(place.spot() instanceof Spot.Open)) continue;
                String title =
                        field(content, place.field()).map(SigningField::title).orElse(place.field());
                open.add(new Diagnostic(
                        "place-open",
                        "settings",
                        place.field(),
                        Message.of("advice.place-open", "field", title, "document", document.title()),
                        Message.of("advice.place-open.cure"),
                        false));
            }
        }
        return open;
    }

    private void when(TemplateDocument document) {
        String when = document.when();
        if (when.isEmpty()) return;
        boolean known = content.rules().stream()
                        .anyMatch(rule -> rule.name().equals(when)
                                && rule.gives() == FieldType.YES_NO
                                && rule.within().isEmpty())
                || content.fields().stream()
                        .anyMatch(field -> field.isCalled(when) && field.type() == FieldType.YES_NO);
        if (!known) add(document, Message.of("publish.document-when", "document", document.title(), "name", when));
    }

    private void places(TemplateDocument document) {
        Spots on = spots.apply(document);
        for (DocumentPlace place : document.places()) {
            Optional<SigningField> field = field(content, place.field());
            if (field.isEmpty()) continue;
            on.fault(place.spot(), field.get().title())
                    .ifPresent(
                            fault -> obstacles.add(Obstacle.at(Obstacle.Subject.SIGNING_FIELD, place.field(), fault)));
        }
        for (DataPlace place : document.data()) {
            Optional<Field> field = content.fields().stream()
                    .filter(one -> one.isCalled(place.name()))
                    .findFirst();
            String title = field.map(Field::label).orElse(place.name());
            on.fault(place.spot(), title).ifPresent(fault -> add(document, fault));
            if (place.spot() instanceof Spot.Open)
                add(document, Message.of("publish.datum-open", "field", title, "document", document.title()));
            if (!place.size().fitsAPage())
                add(
                        document,
                        Message.of(
                                "publish.field-size",
                                "field",
                                title,
                                "width",
                                place.size().widthMm(),
                                "height",
                                place.size().heightMm()));
            if (!place.print().isEmpty()
                    && field.isPresent()
                    && !field.get().type().hasPrint(place.print()))
                add(
                        document,
                        Message.of(
                                "publish.no-print",
                                "field",
                                place.name(),
                                "print",
                                place.print(),
                                "prints",
                                String.join(", ", field.get().type().prints())));
            if (field.isPresent()
                    && (field.get().type() == FieldType.PICTURE || field.get().type() == FieldType.ITEMS)
                    && place.print().isEmpty())
                add(document, Message.of("publish.data-place-kind", "field", title, "document", document.title()));
        }
    }

    private static Optional<SigningField> field(TemplateContent content, String name) {
        return content.signingFields().stream()
                .filter(one -> one.name().equals(name))
                .findFirst();
    }

    private void add(TemplateDocument document, Message message) {
        obstacles.add(Obstacle.at(Obstacle.Subject.DOCUMENT, document.id(), message));
    }
}
