package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Totals;
import org.jalousie.core.template.FormSoFar;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** What a form asks for with the answers that it has so far. */
@Component
class FormStates {
    private final OfficeDay day;

    FormStates(OfficeDay day) {
        this.day = day;
    }

    /** The templates of which an agreement is made with these answers, the form's own first. */
    List<UsableTemplate> made(JointForm form, LivePages.Typed typed) {
        if (!form.several()) return List.of(form.own());
        Asked own = asked(form.own(), typed);
        return form.parts().stream()
                .filter(part -> part.isMade(own))
                .map(JointForm.Part::template)
                .toList();
    }

    IntakeViews.FormState of(JointForm form, LivePages.Typed typed) {
        Asked own = asked(form.own(), typed);
        Set<FieldName> left = new LinkedHashSet<>();
        Set<FieldName> asks = new HashSet<>();
        Set<Integer> sections = new LinkedHashSet<>();
        Map<FieldName, String> followed = new LinkedHashMap<>();
        List<IntakeViews.ListTotal> totals = new ArrayList<>();
        for (JointForm.Part part : form.parts()) {
            if (!part.isMade(own)) {
                part.fields().forEach(field -> left.add(field.name()));
                for (int i = 0; i < part.layout().sections().size(); i++) sections.add(part.first() + i);
                continue;
            }
            Asked asked = part.template() == form.own() ? own : asked(part.template(), typed);
            for (Field field : part.template().content().fields())
                (asked.left().contains(field.name()) ? left : asks).add(field.name());
            asked.sectionsLeft().forEach(at -> sections.add(part.first() + at));
            asked.followed()
                    .forEach((name, value) ->
                            followed.putIfAbsent(name, typed.typing().shown(value)));
            totals.addAll(totals(part, asked, typed));
        }
        // what one of them leaves out another may need
        left.removeAll(asks);
        return new IntakeViews.FormState(List.copyOf(left), List.copyOf(sections), followed, totals);
    }

    private Asked asked(UsableTemplate template, LivePages.Typed typed) {
        return FormSoFar.asked(template.content(), template.rules(), typed.values(), typed.typing(), day.today());
    }

    private static List<IntakeViews.ListTotal> totals(JointForm.Part part, Asked asked, LivePages.Typed typed) {
        Printer printer = Printer.in(typed.language());
        List<IntakeViews.ListTotal> totals = new ArrayList<>();
        for (FormLayout.Question question : part.layout().questions().toList()) {
            if (!(asked.values().get(question.field().value()) instanceof Value.Items list)) continue;
            for (FieldName of : question.totals())
                for (Value total : Totals.of(list, of))
                    totals.add(new IntakeViews.ListTotal(
                            question.field(), label(part.template(), question.field(), of), printer.print(total, "")));
        }
        return totals;
    }

    private static String label(UsableTemplate template, FieldName list, FieldName of) {
        return template.content().fields().stream()
                .filter(field -> field.name().equals(list))
                .flatMap(field -> field.items().stream())
                .filter(field -> field.name().equals(of))
                .map(Field::label)
                .findFirst()
                .orElse(of.value());
    }
}
