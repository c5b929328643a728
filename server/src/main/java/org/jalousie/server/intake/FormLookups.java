package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.registers.RegisterLookups;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;

/** Answers of forms that are taken from registers. */
@Component
class FormLookups {
    private final RegisterLookups registers;

    FormLookups(RegisterLookups registers) {
        this.registers = registers;
    }

    /**
     * A row that was taken for an answer, as it is sent.
     *
     * @param row its id or its key
     * @param said the answers that it gave; null for those that it gives now, which fill what was left blank
     */
    record Sent(FieldName question, String row, Map<FieldName, String> said) {}

    /** What a row gives. @throws Refusal where nothing is looked up, or there is no such row */
    RegisterLookups.TakenAnswers take(JointForm form, FieldName question, String row) {
        Lookup lookup = lookup(form, question);
        return registers
                .taken(lookup, question, fields(form), row, language(form))
                .orElseThrow(() -> Refusal.invalid(
                        Message.of("lookup.no-row", "row", row, "register", lookup.register()),
                        Map.of(
                                question.value(),
                                Message.of("lookup.no-row", "row", row, "register", lookup.register()))));
    }

    private static Lookup lookup(JointForm form, FieldName question) {
        return form.question(question)
                .map(FormLayout.Question::lookup)
                .filter(Lookup::present)
                .orElseThrow(() -> Refusal.malformed(Message.of("lookup.none", "question", question)));
    }

    private static List<Field> fields(JointForm form) {
        return form.parts().stream().flatMap(part -> part.fields().stream()).toList();
    }

    private static Locale language(JointForm form) {
        return Locale.forLanguageTag(form.own().content().language());
    }

    /** A filled form with what rows give that were named and not filled in, and what is to be kept of them. */
    record Filled(FilledForms.Sent sent, List<TakenRows.Taken> taken) {}

    Filled filled(JointForm form, FilledForms.Sent sent, List<Sent> rows) {
        Map<FieldName, String> values = new LinkedHashMap<>(sent.values());
        List<TakenRows.Taken> taken = new ArrayList<>();
        for (Sent one : rows) {
            RegisterLookups.TakenAnswers now = take(form, one.question(), one.row());
            if (one.said() == null && now.gone()) throw Refusal.conflict(Message.of("register.row-gone"));
            taken.add(new TakenRows.Taken(one.question(), now.row(), one.said() == null ? now.answers() : one.said()));
            if (one.said() != null) continue;
            Field field = field(form, one.question());
            if (field.type() == FieldType.ITEMS) values.put(field.name(), withItem(field, values, now, sent));
            else
                now.answers().forEach((name, raw) -> {
                    if (values.getOrDefault(name, "").isBlank()) values.put(name, typed(field(form, name), raw, sent));
                });
        }
        return new Filled(
                new FilledForms.Sent(values, sent.people(), sent.typing(), sent.language(), sent.person()), taken);
    }

    private static Field field(JointForm form, FieldName name) {
        return fields(form).stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow(() -> Refusal.malformed(Message.of("form.no-field", "field", name)));
    }

    /** An answer that a row gives, as it would be typed. @param question for which the row is taken */
    static String typed(JointForm form, FieldName question, FieldName name, String raw, Typing typing) {
        Field asked = field(form, question);
        List<Field> of = asked.type() == FieldType.ITEMS ? asked.items() : fields(form);
        return of.stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .flatMap(one -> ValueReader.stored(one, raw))
                .map(typing::shown)
                .orElse("");
    }

    private static String typed(Field field, String raw, FilledForms.Sent sent) {
        return ValueReader.stored(field, raw)
                .map(value -> sent.typing().shown(value))
                .orElse("");
    }

    private static String withItem(
            Field list, Map<FieldName, String> values, RegisterLookups.TakenAnswers row, FilledForms.Sent sent) {
        List<Map<String, Object>> items = items(values.getOrDefault(list.name(), ""));
        String item = typed(list, Json.MAPPER.writeValueAsString(List.of(row.answers())), sent);
        items.addAll(items(item));
        return Json.MAPPER.writeValueAsString(items);
    }

    /** What can't be read is told by whoever reads the form. */
    private static List<Map<String, Object>> items(String text) {
        if (text.isBlank()) return new ArrayList<>();
        try {
            return new ArrayList<>(Json.MAPPER.readValue(text, new TypeReference<List<Map<String, Object>>>() {}));
        } catch (JacksonException e) {
            throw Refusal.invalid(Message.of("value.items-json"));
        }
    }

    /** What was taken for a form, with what is another one in the registers by now. */
    List<IntakeViews.TakenView> views(JointForm form, List<TakenRows.Taken> taken) {
        List<IntakeViews.TakenView> views = new ArrayList<>();
        for (TakenRows.Taken one : taken) {
            Optional<Lookup> lookup = form.question(one.question())
                    .map(FormLayout.Question::lookup)
                    .filter(Lookup::present);
            Optional<RegisterLookups.TakenAnswers> now = lookup.flatMap(of ->
                    registers.taken(of, one.question(), fields(form), one.row().toString(), language(form)));
            if (now.isEmpty()) continue;
            views.add(new IntakeViews.TakenView(
                    one.question(),
                    one.row(),
                    lookup.get().register(),
                    now.get().label(),
                    now.get().gone(),
                    one.said(),
                    changes(form, one, now.get())));
        }
        return views;
    }

    private static List<IntakeViews.TakenChange> changes(
            JointForm form, TakenRows.Taken taken, RegisterLookups.TakenAnswers now) {
        Field question = field(form, taken.question());
        List<Field> of = question.type() == FieldType.ITEMS ? question.items() : fields(form);
        Printer printer = Printer.in(language(form));
        List<IntakeViews.TakenChange> changes = new ArrayList<>();
        for (FieldName name : overtaken(taken, now)) {
            Optional<Field> field =
                    of.stream().filter(one -> one.name().equals(name)).findFirst();
            if (field.isEmpty()) continue;
            changes.add(new IntakeViews.TakenChange(
                    name,
                    field.get().label(),
                    printed(printer, field.get(), taken.said().getOrDefault(name, "")),
                    printed(printer, field.get(), now.answers().getOrDefault(name, ""))));
        }
        return changes;
    }

    /** The answers that the row would give otherwise now. What it gave nothing for then is no change. */
    private static Set<FieldName> overtaken(TakenRows.Taken taken, RegisterLookups.TakenAnswers now) {
        Set<FieldName> names = new HashSet<>();
        now.answers().forEach((name, is) -> {
            if (taken.said().containsKey(name) && !taken.said().get(name).equals(is)) names.add(name);
        });
        return names;
    }

    private static String printed(Printer printer, Field field, String raw) {
        return ValueReader.stored(field, raw)
                .map(value -> printer.print(value, ""))
                .orElse("");
    }

    /** The answers of a request, with what a row gives by now. @throws Refusal for an item that was changed by hand */
    FilledForms.Sent renewed(JointForm form, TakenRows.Taken taken, List<IntakeRequest> group) {
        Agreements.Answers answers = RequestGroups.answers(group);
        Map<String, IntakeViews.PersonInput> people = ChosenPeople.inputs(answers.people());
        return new FilledForms.Sent(renewed(form, taken, answers.data()), people, Typing.PLAIN, "", "");
    }

    /**
     * Answers with what a row gives by now.
     *
     * @param answers as they are stored
     * @throws Refusal for an item that says something else than what was taken: it can't be told which one is meant
     */
    private Map<FieldName, String> renewed(JointForm form, TakenRows.Taken taken, Map<FieldName, String> answers) {
        RegisterLookups.TakenAnswers now =
                take(form, taken.question(), taken.row().toString());
        Map<FieldName, String> renewed = new LinkedHashMap<>(answers);
        Field question = field(form, taken.question());
        if (question.type() != FieldType.ITEMS) {
            for (FieldName name : overtaken(taken, now))
                renewed.put(name, now.answers().get(name));
            return renewed;
        }
        List<Map<String, Object>> items = items(answers.getOrDefault(question.name(), ""));
        boolean found = false;
        for (Map<String, Object> item : items) {
            boolean same = taken.said().entrySet().stream()
                    .allMatch(one ->
                            one.getValue().equals(item.getOrDefault(one.getKey().value(), "")));
            if (!same) continue;
            now.answers().forEach((name, is) -> item.put(name.value(), is));
            found = true;
        }
        if (!found) throw Refusal.conflict(Message.of("lookup.item-changed", "row", now.label()));
        renewed.put(question.name(), Json.MAPPER.writeValueAsString(items));
        return renewed;
    }

    /** What was taken, as the row is now. */
    TakenRows.Taken asNow(JointForm form, TakenRows.Taken taken) {
        return new TakenRows.Taken(
                taken.question(),
                taken.row(),
                take(form, taken.question(), taken.row().toString()).answers());
    }

    /** The row that somebody means. */
    static TakenRows.Taken one(List<TakenRows.Taken> all, FieldName question, UUID row) {
        return all.stream()
                .filter(one -> one.question().equals(question) && one.row().equals(row))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("lookup.not-taken")));
    }
}
