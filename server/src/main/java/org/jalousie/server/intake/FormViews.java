package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Visibility;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** Forms as they are shown to the one who fills them. */
@Component
class FormViews {
    private final OfficeDay day;

    FormViews(OfficeDay day) {
        this.day = day;
    }

    /** The form of one template. */
    IntakeViews.Form of(UsableTemplate template, String language, String person) {
        return of(JointForm.alone(template), language, person);
    }

    /**
     * @param language in which the form is shown; where it isn't there in that one, in the template's own
     * @param person who fills it; empty where that isn't known
     */
    IntakeViews.Form of(JointForm form, String language, String person) {
        UsableTemplate template = form.own();
        FormLayout layout = template.content().layout();
        boolean spoken = layout.words().containsKey(language);
        List<String> languages = new ArrayList<>(List.of(template.content().language()));
        layout.words().keySet().stream()
                .sorted()
                .filter(one -> !languages.contains(one))
                .forEach(languages::add);
        List<Field> fields = new ArrayList<>();
        List<IntakeViews.FormSection> sections = new ArrayList<>();
        Map<PartyKey, IntakeViews.ChosenParty> chosen = new LinkedHashMap<>();
        Map<FieldName, String> begins = new LinkedHashMap<>();
        Map<String, String> words = new LinkedHashMap<>();
        boolean depends = form.several();
        for (JointForm.Part part : form.parts()) {
            fields.addAll(part.fields());
            part.layout().sections().forEach(section -> sections.add(section(section, part, form)));
            part.template().content().parties().stream()
                    .filter(party -> party.who().asked())
                    .map(ChosenPeople::view)
                    .forEach(party -> chosen.putIfAbsent(party.party(), party));
            begins.putAll(begins(part.layout(), part.fields(), person));
            part.layout().words().getOrDefault(language, Map.of()).forEach(words::putIfAbsent);
            depends |= Asked.depends(part.layout())
                    || part.layout().questions().anyMatch(one -> !one.totals().isEmpty());
        }
        return new IntakeViews.Form(
                template.templateId(),
                template.name(),
                template.number(),
                spoken ? language : template.content().language(),
                fields,
                sections,
                List.copyOf(chosen.values()),
                begins,
                depends,
                languages,
                spoken ? words : Map.of());
    }

    /** Questions of a further template stand under its name where their section has none. */
    private static IntakeViews.FormSection section(FormLayout.Section section, JointForm.Part part, JointForm form) {
        if (part.template() == form.own()) return section(section);
        if (section.questions().isEmpty()) return new IntakeViews.FormSection("", "", List.of());
        IntakeViews.FormSection own = section(section);
        return own.title().isEmpty() && !own.questions().isEmpty()
                ? new IntakeViews.FormSection(part.template().name(), own.help(), own.questions())
                : own;
    }

    /** All that is known of a file that was made elsewhere: whatever stands in it is asked for, whether or not the form would. */
    IntakeViews.Form ofFinished(UsableTemplate template) {
        return of(template.arranged(FormLayout.NONE), "", "");
    }

    /** A title of questions none of which is shown would stand over nothing; the section keeps its position. */
    static IntakeViews.FormSection without(IntakeViews.FormSection section, Predicate<FieldName> shown) {
        List<IntakeViews.FormQuestion> left = section.questions().stream()
                .filter(one -> shown.test(one.field()))
                .map(FormViews::lookingNowhere)
                .toList();
        boolean nothing = left.isEmpty() && !section.questions().isEmpty();
        return new IntakeViews.FormSection(nothing ? "" : section.title(), nothing ? "" : section.help(), left);
    }

    /** Nobody from outside looks into the office's registers. */
    private static IntakeViews.FormQuestion lookingNowhere(IntakeViews.FormQuestion one) {
        return new IntakeViews.FormQuestion(
                one.field(),
                one.help(),
                one.placeholder(),
                one.before(),
                one.width(),
                one.readOnly(),
                one.tick(),
                one.start(),
                one.totals(),
                "");
    }

    private static IntakeViews.FormSection section(FormLayout.Section section) {
        boolean hidden = !section.questions().isEmpty()
                && section.questions().stream().allMatch(one -> one.visibility() == Visibility.HIDDEN);
        if (hidden) return new IntakeViews.FormSection("", "", List.of());
        return new IntakeViews.FormSection(
                section.title(),
                section.help(),
                section.questions().stream()
                        .filter(one -> one.visibility() != Visibility.HIDDEN)
                        .map(one -> new IntakeViews.FormQuestion(
                                one.field(),
                                one.help(),
                                one.placeholder(),
                                one.before(),
                                one.width(),
                                one.visibility() == Visibility.READ_ONLY,
                                one.tick(),
                                one.start().kind(),
                                one.totals(),
                                one.lookup().register()))
                        .toList());
    }

    /** What a new form has in it, as it is stored. */
    Map<FieldName, String> begins(FormLayout layout, List<Field> fields, String person) {
        Map<FieldName, String> begins = new LinkedHashMap<>();
        for (Field field : fields) {
            Optional<Question> question = layout.question(field.name());
            String value = switch (question.map(one -> one.start().kind()).orElse(FormLayout.Start.Kind.FIXED)) {
                case FIXED -> field.initial();
                case TODAY -> day.today().toString();
                case PERSON -> named(field, person);
                case SERIES, RULE -> "";
            };
            if (!value.isEmpty()) begins.put(field.name(), value);
        }
        return begins;
    }

    private static String named(Field field, String person) {
        if (field.type() != FieldType.NAME) return person;
        try {
            return ValueReader.read(field, person).map(Value::raw).orElse("");
        } catch (ValueReader.Unreadable e) {
            return "";
        }
    }
}
