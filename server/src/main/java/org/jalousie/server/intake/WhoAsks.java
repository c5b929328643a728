package org.jalousie.server.intake;

import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.LinkTerms;
import org.jalousie.server.template.UsableTemplate;

/**
 * Which questions of a form say who asks, as its template is now: one that isn't asked of everybody (any more) says nothing, and
 * the form asks besides.
 *
 * @param name, {@code mail} the fields; empty where the form asks besides its questions
 */
record WhoAsks(Optional<FieldName> name, Optional<FieldName> mail) {
    static WhoAsks of(LinkTerms terms, UsableTemplate template) {
        return new WhoAsks(
                sure(terms.askerName(), template)
                        .filter(field -> field.type() == FieldType.TEXT || field.type() == FieldType.NAME)
                        .map(Field::name),
                sure(terms.askerMail(), template)
                        .filter(field -> field.type() == FieldType.MAIL_ADDRESS)
                        .map(Field::name));
    }

    /** A field that whoever fills the form has to answer. */
    private static Optional<Field> sure(String name, UsableTemplate template) {
        FormLayout layout =
                template.content().layout().arranged(template.content().fields());
        boolean asked = layout.sections().stream()
                .filter(section -> section.when().isEmpty())
                .flatMap(section -> section.questions().stream())
                .filter(question -> question.when().isEmpty())
                .filter(question -> question.visibility() == FormLayout.Visibility.SHOWN)
                .map(Question::field)
                .anyMatch(field -> field.value().equals(name));
        return template.content().fields().stream()
                .filter(field -> asked && field.required() && field.isCalled(name))
                .findFirst();
    }
}
