package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.server.template.UsableTemplate;

/**
 * A form with all templates that it feeds. Data of one name are one question, asked where it is met first.
 *
 * @param further those of which an agreement is made besides, in their order
 */
record JointForm(UsableTemplate own, List<Further> further) {
    /** @param when the form's rule or answer on which it is made; empty for always */
    record Further(UsableTemplate template, String when) {}

    /**
     * What one template asks for that none before it does.
     *
     * @param layout of the whole template, with its own questions only in their sections
     * @param first the position of its first section in the whole form
     */
    record Part(UsableTemplate template, String when, FormLayout layout, List<Field> fields, int first) {
        boolean isMade(Asked own) {
            return own.holds(when);
        }
    }

    JointForm {
        further = List.copyOf(further);
    }

    /** A form of one template. */
    static JointForm alone(UsableTemplate own) {
        return new JointForm(own, List.of());
    }

    boolean several() {
        return !further.isEmpty();
    }

    /** The templates with what each asks for, the form's own first. */
    List<Part> parts() {
        List<Part> parts = new ArrayList<>();
        Set<FieldName> seen = new HashSet<>();
        int first = 0;
        for (Further one : all()) {
            List<Field> all = one.template().content().fields();
            List<Field> fields =
                    all.stream().filter(field -> seen.add(field.name())).toList();
            Set<FieldName> names =
                    new HashSet<>(fields.stream().map(Field::name).toList());
            FormLayout arranged = one.template().content().layout().arranged(all);
            FormLayout layout = new FormLayout(
                    arranged.sections().stream()
                            .map(section -> new FormLayout.Section(
                                    section.title(),
                                    section.help(),
                                    section.when(),
                                    section.questions().stream()
                                            .filter(question -> names.contains(question.field()))
                                            .toList()))
                            .toList(),
                    arranged.words());
            parts.add(new Part(one.template(), one.when(), layout, fields, first));
            first += layout.sections().size();
        }
        return parts;
    }

    private List<Further> all() {
        List<Further> all = new ArrayList<>(List.of(new Further(own, "")));
        all.addAll(further);
        return all;
    }

    /** How a datum is asked for, where it is met first. */
    Optional<FormLayout.Question> question(FieldName name) {
        return parts().stream()
                .flatMap(part -> part.layout().question(name).stream())
                .findFirst();
    }

    /** Whether somebody from outside is shown a datum. */
    boolean outside(FieldName name) {
        return question(name).map(FormLayout.Question::outside).orElse(true);
    }
}
