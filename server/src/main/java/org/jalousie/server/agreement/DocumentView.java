package org.jalousie.server.agreement;

import java.util.List;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.ChangedWording;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.SigningField;

/**
 * A document as the interface to the outside shows it.
 *
 * @param hasWord whether there is a Word file of it
 * @param own whether it came with this agreement, and can be taken out before that is sent
 * @param open fields that have no place on it yet; {@code given} those that got one in this agreement alone
 * @param changed paragraphs whose words are others than the template's, in this agreement alone
 */
public record DocumentView(
        String id,
        String title,
        Document.Kind kind,
        boolean hasWord,
        boolean own,
        List<OpenField> open,
        List<SigningField> given,
        List<ChangedWording.ChangedParagraph> changed,
        Pages pages) {
    /** A signing field without a place. @param title what it is for and whose it is */
    public record OpenField(String title, SigningField field) {}

    public static DocumentView of(Document document) {
        return of(document, document.pages(), false, List.of(), List.of());
    }

    static DocumentView of(Document document, Agreement agreement) {
        boolean own = agreement.added().stream().anyMatch(one -> one.id().equals(document.id()));
        List<SigningField> given = agreement.given().getOrDefault(document.id(), List.of()).stream()
                .map(GivenPlace::field)
                .toList();
        ChangedWording changed = agreement.changed().get(document.id());
        return of(document, shown(document, agreement), own, given, changed == null ? List.of() : changed.paragraphs());
    }

    /** As somebody who takes part sees it: without the data that stand ready for the fields of others. */
    public static DocumentView forParticipants(Document document, Agreement agreement) {
        return of(document, shown(document, agreement).withoutSources(), false, List.of(), List.of());
    }

    /** What was signed on paper is a picture: no places are drawn on it. */
    private static Pages shown(Document document, Agreement agreement) {
        boolean picture = agreement
                .paper()
                .filter(paper -> paper.signed().isPresent()
                        && paper.printedAs(document.id()).isPresent())
                .isPresent();
        return picture ? new Pages(document.pages().sizes(), List.of()) : document.pages();
    }

    private static DocumentView of(
            Document document,
            Pages pages,
            boolean own,
            List<SigningField> given,
            List<ChangedWording.ChangedParagraph> changed) {
        return new DocumentView(
                document.id().value(),
                document.title(),
                document.kind(),
                document.word().isPresent(),
                own,
                document.open().stream()
                        .map(field -> new OpenField(field.title(), field))
                        .toList(),
                given,
                changed,
                pages);
    }
}
