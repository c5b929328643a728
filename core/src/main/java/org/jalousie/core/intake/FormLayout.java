package org.jalousie.core.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;

/**
 * How a form asks for data: in which sections and order, with what help, when, and what it begins with. What the data are is said
 * by the fields; so one form may feed several templates, and one template may be fed by several forms.
 *
 * @param further templates of which an agreement is made besides, from the same answers
 * @param words the form's texts in other languages: by BCP 47 tag, each text as it stands in the template and what it is there
 */
public record FormLayout(List<Section> sections, Map<String, Map<String, String>> words, List<Further> further) {
    /** Nothing is arranged yet. */
    public static final FormLayout NONE = new FormLayout(List.of());

    public FormLayout {
        sections = sections == null ? List.of() : List.copyOf(sections);
        words = words == null ? Map.of() : Map.copyOf(words);
        further = further == null ? List.of() : List.copyOf(further);
    }

    /** A form of one template. */
    public FormLayout(List<Section> sections, Map<String, Map<String, String>> words) {
        this(sections, words, List.of());
    }

    /** In the template's own language. */
    public FormLayout(List<Section> sections) {
        this(sections, Map.of());
    }

    /**
     * A template of which an agreement is made besides. Its data that are called like the form's own are the same data; what it
     * needs besides is asked after the form's own questions.
     *
     * @param when the rule, or the yes-or-no answer, on which it is made; empty for always
     */
    public record Further(UUID template, String when) {
        public Further {
            when = when == null ? "" : when;
        }
    }

    /**
     * Questions that belong together.
     *
     * @param title empty for a form of one section without a title
     * @param help said under the title; may be empty
     * @param when the rule, or the yes-or-no answer, on which it is there; empty for always
     */
    public record Section(String title, String help, String when, List<Question> questions) {
        public Section {
            title = title == null ? "" : title;
            help = help == null ? "" : help;
            when = when == null ? "" : when;
            questions = questions == null ? List.of() : List.copyOf(questions);
        }

        /** A section that is always there. */
        public Section(String title, String help, List<Question> questions) {
            this(title, help, "", questions);
        }

        private Section with(List<Question> others) {
            return new Section(title, help, when, others);
        }
    }

    /**
     * One datum that is asked for.
     *
     * @param field the name of its field
     * @param help said under the input in place of the field's own hint; may be empty
     * @param visibility SHOWN when it isn't said
     * @param placeholder shown in the empty input; may be empty
     * @param before text that stands over the question; may be empty
     * @param width its part of the row; on a narrow screen each has a row
     * @param when the rule, or the yes-or-no answer, on which it is asked; empty for always
     * @param tick whether a yes-or-no question is one box to tick, which is there to be ticked where it is required
     * @param start what it begins with
     * @param totals fields of a list's items whose sum is shown under the list
     * @param lookup the register from which it can be answered
     */
    public record Question(
            FieldName field,
            String help,
            Visibility visibility,
            String placeholder,
            String before,
            Width width,
            String when,
            Boolean tick,
            Start start,
            List<FieldName> totals,
            Lookup lookup) {
        public Question {
            help = help == null ? "" : help;
            visibility = visibility == null ? Visibility.SHOWN : visibility;
            placeholder = placeholder == null ? "" : placeholder;
            before = before == null ? "" : before;
            width = width == null ? Width.WHOLE : width;
            when = when == null ? "" : when;
            // who arranges only some of it leaves the rest out
            tick = tick != null && tick;
            start = start == null ? Start.FIXED : start;
            totals = totals == null ? List.of() : List.copyOf(totals);
            lookup = lookup == null ? Lookup.NONE : lookup;
        }

        /** A question whose answer is looked up nowhere. */
        public Question(
                FieldName field,
                String help,
                Visibility visibility,
                String placeholder,
                String before,
                Width width,
                String when,
                Boolean tick,
                Start start,
                List<FieldName> totals) {
            this(field, help, visibility, placeholder, before, width, when, tick, start, totals, Lookup.NONE);
        }

        /** The same question, answered from a register. */
        public Question lookingUp(Lookup in) {
            return new Question(field, help, visibility, placeholder, before, width, when, tick, start, totals, in);
        }

        /** A question as it is before anybody arranges it. */
        public Question(FieldName field, String help, Visibility visibility) {
            this(field, help, visibility, "", "", Width.WHOLE, "", false, Start.FIXED, List.of());
        }

        /** The same question about a field by another name, with other names in its conditions. */
        private Question renamed(UnaryOperator<FieldName> names) {
            return new Question(
                    names.apply(field),
                    help,
                    visibility,
                    placeholder,
                    before,
                    width,
                    FormLayout.renamed(when, names),
                    tick,
                    start.kind() == Start.Kind.RULE
                            ? new Start(start.kind(), FormLayout.renamed(start.of(), names))
                            : start,
                    totals.stream().map(names).toList(),
                    lookup.renamed(names));
        }

        /** Whether somebody from outside is shown it. */
        public boolean outside() {
            return visibility == Visibility.SHOWN || visibility == Visibility.READ_ONLY;
        }

        /** Whether it is typed by who fills the form. */
        public boolean typed() {
            return visibility == Visibility.SHOWN || visibility == Visibility.OFFICE;
        }
    }

    /** Whether a form shows a question. */
    public enum Visibility {
        SHOWN,
        /** The office answers it; people from outside are not asked. */
        OFFICE,
        /** It can be read and not changed. */
        READ_ONLY,
        /** The answer comes from elsewhere. */
        HIDDEN
    }

    /** A question's part of the row. */
    public enum Width {
        WHOLE,
        TWO_THIRDS,
        HALF,
        THIRD
    }

    /**
     * What a question begins with.
     *
     * @param of a rule's name, or how numbers of a series are written ({@link Series}); empty otherwise
     */
    public record Start(Kind kind, String of) {
        /** What its field says, which may be nothing. */
        public static final Start FIXED = new Start(Kind.FIXED, "");

        public Start {
            kind = kind == null ? Kind.FIXED : kind;
            of = of == null ? "" : of;
        }

        /** Where the answer comes from. */
        public enum Kind {
            FIXED,
            /** The day on which the form is opened. */
            TODAY,
            /** The name of the person who fills it, where that is known. */
            PERSON,
            /** The next number of a series, given when the form is handed in. */
            SERIES,
            /** What a rule works out from the other answers. */
            RULE
        }
    }

    /** All questions in their order. */
    public Stream<Question> questions() {
        return sections.stream().flatMap(section -> section.questions().stream());
    }

    /** The question about a field; empty for one that is not asked for. */
    public Optional<Question> question(FieldName field) {
        return questions().filter(one -> one.field().equals(field)).findFirst();
    }

    /**
     * The same arrangement for these fields: a question for what is no field any more leaves, each field is asked for once, and
     * one that isn't placed comes last, in the last section that is always there.
     */
    public FormLayout arranged(List<Field> fields) {
        Set<FieldName> left = fields.stream().map(Field::name).collect(Collectors.toCollection(HashSet::new));
        List<Section> arranged = new ArrayList<>();
        for (Section section : sections) {
            arranged.add(section.with(section.questions().stream()
                    .filter(question -> left.remove(question.field()))
                    .toList()));
        }
        List<Question> unplaced = fields.stream()
                .filter(field -> left.remove(field.name()))
                .map(field -> new Question(field.name(), "", Visibility.SHOWN))
                .toList();
        // what nobody has placed yet must not come and go with a section
        int last = arranged.size() - 1;
        while (last >= 0 && !arranged.get(last).when().isEmpty()) last--;
        if (last >= 0) {
            List<Question> questions = new ArrayList<>(arranged.get(last).questions());
            questions.addAll(unplaced);
            arranged.set(last, arranged.get(last).with(questions));
        } else if (arranged.isEmpty() || !unplaced.isEmpty()) {
            arranged.add(new Section("", "", unplaced));
        }
        return new FormLayout(arranged, words, further);
    }

    /** @param names the new name for each */
    public FormLayout renamed(UnaryOperator<FieldName> names) {
        return new FormLayout(
                sections.stream()
                        .map(section -> new Section(
                                section.title(),
                                section.help(),
                                renamed(section.when(), names),
                                section.questions().stream()
                                        .map(one -> one.renamed(names))
                                        .toList()))
                        .toList(),
                words,
                further.stream()
                        .map(one -> new Further(one.template(), renamed(one.when(), names)))
                        .toList());
    }

    /** The same without further templates. */
    public FormLayout alone() {
        return new FormLayout(sections, words);
    }

    private static String renamed(String when, UnaryOperator<FieldName> names) {
        return when.isEmpty() ? "" : names.apply(new FieldName(when)).value();
    }

    /** Whether a form with this layout shows a field. */
    public boolean shows(FieldName field) {
        return question(field).map(one -> one.visibility() != Visibility.HIDDEN).orElse(true);
    }
}
