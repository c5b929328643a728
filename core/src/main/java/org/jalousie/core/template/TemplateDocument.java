package org.jalousie.core.template;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.placement.DataPlace;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.DocumentPlace;

/**
 * One of the documents that a template's agreements have, in their order.
 *
 * @param title what it is called beside the others; empty for the first wording, which is called as its template is
 * @param when the rule or yes/no question with which it comes; empty when it always does
 * @param file what it is made from; none for the template's first wording, and for one that comes with the single agreement
 * @param brought the file as it was brought in
 * @param required whether an agreement waits for one that comes with it
 * @param places of signing fields on its pages
 * @param data that are printed on its pages
 */
public record TemplateDocument(
        DocumentId id,
        String title,
        Kind kind,
        String when,
        Optional<Sha256> file,
        Optional<Sha256> brought,
        boolean required,
        List<DocumentPlace> places,
        List<DataPlace> data) {
    /** Where a document comes from. */
    public enum Kind {
        /** A Word file with tags: the template's own, or one that came as a further document. */
        WORDING,
        /** Pages that are always the same, with what is put on them. */
        FIXED,
        /** A file that goes along untouched, with the signatures that it has. */
        ATTACHED,
        /** Comes with the single agreement. */
        REQUESTED
    }

    /** The wording, which is all that most templates have. */
    public static final TemplateDocument OWN_WORDING = new TemplateDocument(
            DocumentId.WORDING, "", Kind.WORDING, "", Optional.empty(), Optional.empty(), false, List.of(), List.of());

    public TemplateDocument {
        title = title == null ? "" : title;
        when = when == null ? "" : when;
        file = file == null ? Optional.empty() : file;
        brought = brought == null ? Optional.empty() : brought;
        places = places == null ? List.of() : List.copyOf(places);
        data = data == null ? List.of() : List.copyOf(data);
    }

    /** Whether it is a wording that came besides the template's own. */
    public boolean furtherWording() {
        return kind == Kind.WORDING && !id.equals(DocumentId.WORDING);
    }

    /** The same document made from another file. */
    public TemplateDocument madeFrom(Sha256 other) {
        return new TemplateDocument(id, title, kind, when, Optional.of(other), brought, required, places, data);
    }

    /** Whether it comes with these data. @param values by field, rule and choice */
    public boolean comesWith(Map<String, Value> values) {
        return when.isEmpty() || values.get(when) instanceof Value.YesNo answer && answer.yes();
    }

    /** What it is called. @param template the name of its template */
    public String titleIn(String template) {
        return title.isBlank() ? template : title;
    }

    /** The same document with other things on its pages. */
    public TemplateDocument with(List<DocumentPlace> newPlaces, List<DataPlace> newData) {
        return new TemplateDocument(id, title, kind, when, file, brought, required, newPlaces, newData);
    }

    /** The same document, made from what another one is made from. */
    public TemplateDocument madeFrom(TemplateDocument other) {
        return new TemplateDocument(id, title, other.kind, when, other.file, other.brought, required, places, data);
    }

    /** The same document coming with another rule. */
    TemplateDocument when(String rule) {
        return new TemplateDocument(id, title, kind, rule, file, brought, required, places, data);
    }
}
