package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Start;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.intake.Series;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.template.FormSoFar;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** Reads filled forms: all faults are told at once. */
@Component
class FilledForms {
    private final FormViews forms;
    private final GivenFiles files;
    private final SeriesNumbers series;
    private final OfficeDay day;

    FilledForms(FormViews forms, GivenFiles files, SeriesNumbers series, OfficeDay day) {
        this.forms = forms;
        this.files = files;
        this.series = series;
        this.day = day;
    }

    /**
     * A filled form as it was sent.
     *
     * @param language in which it was shown; empty for the template's own
     * @param person who filled it; empty where that isn't known
     */
    record Sent(
            Map<FieldName, String> values,
            Map<String, IntakeViews.PersonInput> people,
            Typing typing,
            String language,
            String person) {}

    /**
     * @param without parties that have no part, so that nobody is named for them
     * @throws Refusal with what is wrong, by field and by party
     */
    Agreements.Answers read(UsableTemplate template, Sent sent, Set<PartyKey> without, boolean arranged) {
        FormLayout layout = arranged
                ? template.content().layout().arranged(template.content().fields())
                : FormLayout.NONE;
        Map<FieldName, String> inputs = withBegins(layout, template, sent);
        Asked asked = FormSoFar.asked(
                template.content().withLayout(layout), template.rules(), inputs, sent.typing(), day.today());
        Map<String, String> words = layout.words().getOrDefault(sent.language(), Map.of());
        List<Field> fields = named(template.content().fields(), label -> words.getOrDefault(label, label));
        Intake.Reading reading = Intake.read(layout, fields, inputs, sent.typing(), asked);
        Map<String, Message> faults = new LinkedHashMap<>(reading.places());
        files.check(fields, reading.values(), faults);
        Map<PartyKey, Person> chosen = new LinkedHashMap<>();
        for (Party party : template.content().parties()) {
            if (!party.who().asked() || without.contains(party.key())) continue;
            ChosenPeople.read(party, sent.people().get(party.key().value()), faults)
                    .ifPresent(person -> chosen.put(party.key(), person));
        }
        if (!faults.isEmpty())
            throw Refusal.invalid(Message.of("form.faults", "count", JointForms.answers(faults)), faults);
        Map<FieldName, String> raw = reading.raw();
        // what can't be worked out for these data is told to the person who has them at hand
        template.values(raw, day.today(), "").faults().stream().findFirst().ifPresent(fault -> {
            throw Refusal.invalid(fault.sentence());
        });
        return new Agreements.Answers(raw, chosen);
    }

    /** What a form asks for with what was sent. */
    Asked asked(UsableTemplate template, Sent sent) {
        FormLayout layout =
                template.content().layout().arranged(template.content().fields());
        return FormSoFar.asked(
                template.content().withLayout(layout),
                template.rules(),
                withBegins(layout, template, sent),
                sent.typing(),
                day.today());
    }

    /** What the form shows without letting it be typed, or doesn't show, is as it begins unless something else was sent. */
    private Map<FieldName, String> withBegins(FormLayout layout, UsableTemplate template, Sent sent) {
        Map<FieldName, String> inputs = new LinkedHashMap<>(sent.values());
        Map<FieldName, String> begins = forms.begins(layout, template.content().fields(), sent.person());
        Map<FieldName, String> typed = new LinkedHashMap<>();
        for (Field field : template.content().fields()) {
            boolean given = layout.question(field.name()).map(Question::typed).orElse(true);
            String begin = begins.get(field.name());
            if (!given && begin != null && inputs.getOrDefault(field.name(), "").isBlank())
                typed.put(field.name(), begin);
        }
        Intake.stored(template.content().fields(), typed)
                .forEach((name, value) ->
                        inputs.put(new FieldName(name), sent.typing().shown(value)));
        return inputs;
    }

    /** The form with the numbers that an earlier one was given; who corrects it leaves them out or sends them along. */
    Sent keeping(UsableTemplate template, Sent sent, Map<FieldName, String> before) {
        Map<FieldName, String> values = new LinkedHashMap<>(sent.values());
        template.content()
                .layout()
                .questions()
                .filter(one -> one.start().kind() == Start.Kind.SERIES && before.containsKey(one.field()))
                .filter(one ->
                        !one.typed() || values.getOrDefault(one.field(), "").isBlank())
                .forEach(one -> values.put(one.field(), before.get(one.field())));
        return new Sent(values, sent.people(), sent.typing(), sent.language(), sent.person());
    }

    /** A new form: a number that can't be typed is never one that another request has, whoever sends it along. */
    Sent fresh(UsableTemplate template, Sent sent) {
        Map<FieldName, String> values = new LinkedHashMap<>(sent.values());
        template.content()
                .layout()
                .questions()
                .filter(one -> one.start().kind() == Start.Kind.SERIES && !one.typed())
                .forEach(one -> values.remove(one.field()));
        return new Sent(values, sent.people(), sent.typing(), sent.language(), sent.person());
    }

    private static List<Field> named(List<Field> fields, UnaryOperator<String> words) {
        List<Field> named = new ArrayList<>();
        for (Field field : fields)
            named.add(field.labelled(words.apply(field.label())).withItems(named(field.items(), words)));
        return named;
    }

    /** The answers with the next numbers of their series, where the form gives some. */
    Map<FieldName, String> numbered(UsableTemplate template, Map<FieldName, String> values) {
        Map<FieldName, String> all = new LinkedHashMap<>(values);
        Asked asked = FormSoFar.asked(template.content(), template.rules(), values, Typing.PLAIN, day.today());
        template.content()
                .layout()
                .questions()
                .filter(one -> one.start().kind() == Start.Kind.SERIES && !all.containsKey(one.field()))
                .filter(one -> !asked.left().contains(one.field()))
                .forEach(one -> all.put(
                        one.field(),
                        series.next(
                                template.templateId(),
                                one.field(),
                                new Series(one.start().of()),
                                day.today().getYear())));
        return all;
    }
}
