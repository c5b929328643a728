package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.registers.Taking;
import org.jalousie.core.template.Obstacle.Subject;

/** What stands in the way of answers that are taken from registers. */
public final class LookupCheck {
    private final TemplateContent content;
    private final Map<String, RegisterTerms> registers;
    private final List<Obstacle> obstacles = new ArrayList<>();

    private LookupCheck(TemplateContent content, Map<String, RegisterTerms> registers) {
        this.content = content;
        this.registers = registers;
    }

    /** The names of the registers that a form looks into. */
    public static Set<String> registers(TemplateContent content) {
        Set<String> names = new HashSet<>();
        content.layout()
                .questions()
                .map(Question::lookup)
                .filter(Lookup::present)
                .forEach(lookup -> {
                    names.add(lookup.register());
                    lookup.rows().forEach(rows -> names.add(rows.register()));
                });
        return names;
    }

    /** @param registers those that there are, by name */
    public static List<Obstacle> of(TemplateContent content, Map<String, RegisterTerms> registers) {
        LookupCheck check = new LookupCheck(content, registers);
        content.layout()
                .questions()
                .filter(question -> question.lookup().present())
                .forEach(question -> field(content.fields(), question.field())
                        .ifPresent(field -> check.question(field, question.lookup())));
        return check.obstacles;
    }

    private void question(Field field, Lookup lookup) {
        boolean list = field.type() == FieldType.ITEMS;
        fills(field, lookup.register(), lookup.fills(), list ? field.items() : content.fields());
        for (Lookup.Rows rows : lookup.rows()) {
            Optional<Field> into = field(content.fields(), rows.list()).filter(one -> one.type() == FieldType.ITEMS);
            if (into.isEmpty() || list) {
                add(field, "publish.lookup-list", "list", rows.list());
                continue;
            }
            fills(field, rows.register(), rows.fills(), into.get().items());
            boolean names = Optional.ofNullable(registers.get(rows.register()))
                    .flatMap(terms -> terms.column(rows.by()))
                    .filter(column -> column.related().equals(lookup.register()))
                    .isPresent();
            if (!names && registers.containsKey(rows.register()))
                add(field, "publish.lookup-relation", "column", rows.by());
        }
    }

    private void fills(Field field, String register, List<Lookup.Fill> fills, List<Field> into) {
        RegisterTerms terms = registers.get(register);
        if (terms == null) {
            add(field, "publish.lookup-register", "register", register);
            return;
        }
        Set<FieldName> filled = new HashSet<>();
        for (Lookup.Fill fill : fills) {
            Optional<RegisterColumn> column = terms.column(fill.column());
            Optional<Field> to = field(into, fill.field());
            if (column.isEmpty())
                add(field, "publish.lookup-column", "column", fill.column(), "register", terms.title());
            else if (to.isEmpty() || !filled.add(fill.field()))
                add(
                        field,
                        "publish.lookup-field",
                        "column",
                        column.get().field().label());
            else if (!Taking.fits(column.get(), to.get().type()))
                add(
                        field,
                        "publish.lookup-type",
                        "column",
                        column.get().field().label(),
                        "to",
                        to.get().label());
        }
    }

    private void add(Field field, String code, Object... arguments) {
        List<Object> all = new ArrayList<>(List.of("field", field.label()));
        all.addAll(List.of(arguments));
        obstacles.add(Obstacle.at(Subject.FORM, field.name(), Message.of(code, all.toArray())));
    }

    private static Optional<Field> field(List<Field> fields, FieldName name) {
        return fields.stream().filter(one -> one.name().equals(name)).findFirst();
    }
}
