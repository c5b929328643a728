package org.jalousie.core.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;

/**
 * How a form asks for data: in which sections and order, with what help, and what it doesn't show. What the data are is said by
 * the fields; so one form may feed several templates, and one template may be fed by several forms.
 */
public record FormLayout(List<Section> sections) {
    /** Nothing is arranged yet. */
    public static final FormLayout NONE = new FormLayout(List.of());

    public FormLayout {
        sections = sections == null ? List.of() : List.copyOf(sections);
    }

    /**
     * Questions that belong together.
     *
     * @param title empty for a form of one section without a title
     * @param help said under the title; may be empty
     */
    public record Section(String title, String help, List<Question> questions) {
        public Section {
            title = title == null ? "" : title;
            help = help == null ? "" : help;
            questions = questions == null ? List.of() : List.copyOf(questions);
        }

        private Section with(List<Question> others) {
            return new Section(title, help, others);
        }
    }

    /**
     * One datum that is asked for.
     *
     * @param field the name of its field
     * @param help said under the input in place of the field's own hint; may be empty
     * @param visibility SHOWN when it isn't said
     */
    public record Question(FieldName field, String help, Visibility visibility) {
        public Question {
            help = help == null ? "" : help;
            visibility = visibility == null ? Visibility.SHOWN : visibility;
        }
    }

    /** Whether a form shows a question. */
    public enum Visibility {
        SHOWN,
        /** The answer comes from elsewhere. */
        HIDDEN
    }

    /**
     * The same arrangement for these fields: a question for what is no field any more leaves, each field is asked for once, and
     * one that isn't placed comes last, in the last section.
     */
    public FormLayout arranged(List<Field> fields) {
        Set<FieldName> left = fields.stream().map(Field::name).collect(Collectors.toCollection(HashSet::new));
        List<Section> arranged = new ArrayList<>();
        for (Section section : sections) {
            arranged.add(section.with(section.questions().stream()
                    .filter(question -> left.remove(question.field()))
                    .toList()));
        }
        if (arranged.isEmpty()) arranged.add(new Section("", "", List.of()));
        Section last = arranged.remove(arranged.size() - 1);
        List<Question> questions = new ArrayList<>(last.questions());
        fields.stream()
                .filter(field -> left.remove(field.name()))
                .forEach(field -> questions.add(new Question(field.name(), "", Visibility.SHOWN)));
        arranged.add(last.with(questions));
        return new FormLayout(arranged);
    }

    /** @param names the new name for each */
    public FormLayout renamed(UnaryOperator<FieldName> names) {
        return new FormLayout(sections.stream()
                .map(section -> section.with(section.questions().stream()
                        .map(one -> new Question(names.apply(one.field()), one.help(), one.visibility()))
                        .toList()))
                .toList());
    }

    /** Whether a form with this layout shows a field. */
    public boolean shows(FieldName field) {
        return sections.stream()
                .flatMap(section -> section.questions().stream())
                .noneMatch(question -> question.field().equals(field) && question.visibility() == Visibility.HIDDEN);
    }
}
