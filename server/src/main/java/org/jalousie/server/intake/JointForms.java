package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Forms that feed several templates: which these are, and what was answered for each. */
@Component
class JointForms {
    private final UsableTemplates templates;
    private final FilledForms filled;

    JointForms(UsableTemplates templates, FilledForms filled) {
        this.templates = templates;
        this.filled = filled;
    }

    /** The form of a template's newest published version. @throws Refusal as {@link #of(UsableTemplate)} says, or when it has none */
    JointForm published(UUID template) {
        return of(templates.published(template));
    }

    /**
     * The form of a template as it is filled now.
     *
     * @throws Refusal when one of the others can't be filled (any more): what it would make must not be missing unseen
     */
    JointForm of(UsableTemplate own) {
        return of(own, Map.of(), one -> true);
    }

    /**
     * The form of a request: each of its parts stays with its version. A template that it doesn't need and that can't be filled any
     * more is asked for nothing: a request can always be opened.
     *
     * @param group the request, and its parts
     */
    JointForm of(List<IntakeRequest> group) {
        Map<UUID, UUID> versions = new HashMap<>();
        for (IntakeRequest one : group.subList(1, group.size()))
            versions.put(one.templateId(), one.templateVersionId());
        UsableTemplate own = templates.version(group.get(0).templateVersionId());
        Set<UUID> fillable = templates.fillable(further(own)).keySet();
        return of(own, versions, one -> versions.containsKey(one) || fillable.contains(one));
    }

    private JointForm of(UsableTemplate own, Map<UUID, UUID> versions, Predicate<UUID> asked) {
        return new JointForm(
                own,
                own.content().layout().further().stream()
                        .filter(one -> asked.test(one.template()))
                        .map(one -> new JointForm.Further(
                                versions.containsKey(one.template())
                                        ? templates.version(versions.get(one.template()))
                                        : templates.published(one.template()),
                                one.when()))
                        .toList());
    }

    private static List<UUID> further(UsableTemplate own) {
        return own.content().layout().further().stream()
                .map(FormLayout.Further::template)
                .toList();
    }

    /** A form that is being arranged: what it can't feed yet is left out, and stands in the way of publishing. */
    JointForm trying(UsableTemplate own) {
        return of(own, Map.of(), templates.fillable(further(own)).keySet()::contains);
    }

    /** What was answered for one template. */
    record Filled(UsableTemplate template, Agreements.Answers answers) {}

    /** How the answers for one template are read. */
    interface Reader {
        Agreements.Answers read(UsableTemplate template, FilledForms.Sent sent);
    }

    /**
     * The answers for each template of which an agreement is made, the form's own first.
     *
     * @throws Refusal with all that is wrong, by field and by party
     */
    List<Filled> read(JointForm form, FilledForms.Sent sent, Reader reader) {
        Set<FieldName> known = form.parts().stream()
                .flatMap(part -> part.fields().stream())
                .map(Field::name)
                .collect(Collectors.toSet());
        Asked own = filled.asked(form.own(), sent);
        List<Filled> all = new ArrayList<>();
        Map<String, Message> faults = new LinkedHashMap<>();
        for (JointForm.Part part : form.parts()) {
            UsableTemplate template = part.template();
            if (!part.isMade(own)) continue;
            try {
                all.add(new Filled(template, reader.read(template, of(sent, template, known, all.isEmpty()))));
            } catch (Refusal refused) {
                if (refused.faults().isEmpty()) throw refused;
                refused.faults().forEach(faults::putIfAbsent);
                // what is wrong in one is told together with what is wrong in the others
                all.add(new Filled(template, new Agreements.Answers(Map.of(), Map.of())));
            }
        }
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", answers(faults)), faults);
        return all;
    }

    /** How many answers are at fault; what is wrong within a list's items is told at these, too. */
    static long answers(Map<String, Message> faults) {
        return faults.keySet().stream().filter(name -> !name.contains("[")).count();
    }

    /** What of a form is about one template; what no template knows is told by the form's own. */
    private static FilledForms.Sent of(
            FilledForms.Sent sent, UsableTemplate template, Set<FieldName> known, boolean own) {
        Set<FieldName> asks =
                template.content().fields().stream().map(Field::name).collect(Collectors.toSet());
        Map<FieldName, String> values = new LinkedHashMap<>();
        sent.values().forEach((name, value) -> {
            if (asks.contains(name) || own && !known.contains(name)) values.put(name, value);
        });
        return new FilledForms.Sent(values, sent.people(), sent.typing(), sent.language(), sent.person());
    }
}
