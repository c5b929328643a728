package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Corrects the answers of requests, and with them the agreements that are not sent yet. Used within a transaction. */
@Component
class RequestCorrections {
    private final RequestGroups groups;
    private final JointForms joints;
    private final FilledForms filled;
    private final RequestKeeping keeping;
    private final RequestDiary diary;
    private final UsableTemplates templates;
    private final Agreements agreements;

    RequestCorrections(
            RequestGroups groups,
            JointForms joints,
            FilledForms filled,
            RequestKeeping keeping,
            RequestDiary diary,
            UsableTemplates templates,
            Agreements agreements) {
        this.groups = groups;
        this.joints = joints;
        this.filled = filled;
        this.keeping = keeping;
        this.diary = diary;
        this.templates = templates;
        this.agreements = agreements;
    }

    /** What a correction came to. @param again parts of which an agreement is to be made now */
    record Corrected(boolean changed, List<IntakeRequest> again) {}

    /**
     * @param group the whole request and its parts, locked
     * @param asked which of them the answers were sent for
     * @param evenIfSame whether its agreement is made again though no answer is another one
     */
    Corrected correct(
            List<IntakeRequest> group,
            IntakeRequest asked,
            FilledForms.Sent sent,
            Actor.Office by,
            boolean evenIfSame) {
        IntakeRequest whole = group.get(0);
        JointForm form = whole.finished().isPresent()
                ? JointForm.alone(templates.version(whole.templateVersionId()))
                : joints.of(group);
        FilledForms.Sent all = form.several() ? overlaid(form, group, asked, sent) : sent;
        List<JointForms.Filled> now =
                joints.read(form, all, (template, of) -> read(template, of, part(group, template), whole));
        boolean changed = false;
        List<IntakeRequest> again = new ArrayList<>();
        for (JointForms.Filled one : now) {
            Optional<IntakeRequest> known = part(group, one.template());
            if (known.isEmpty()) {
                IntakeRequest part =
                        keeping.part(whole, group.size() + again.size() + 1, one, sent.language(), by.name());
                if (whole.agreementNumber().isPresent()) again.add(part);
                changed = true;
                continue;
            }
            IntakeRequest request = known.get();
            Agreements.Answers before = new Agreements.Answers(request.values(), request.people());
            boolean back = !request.wanted();
            request.wanted(true);
            boolean other = !one.answers().equals(before);
            changed |= other || back;
            if (other) request.fill(one.answers());
            if (back && whole.agreementNumber().isPresent()) again.add(request);
            else if ((other || evenIfSame && request.number().equals(asked.number())) && !groups.failed(request))
                request.agreementNumber().ifPresent(number -> agreements.correct(number, before, one.answers(), by));
        }
        for (IntakeRequest request : group) {
            boolean asks =
                    now.stream().anyMatch(one -> one.template().templateId().equals(request.templateId()));
            if (asks || !request.wanted()) continue;
            request.wanted(false);
            changed = true;
            withdraw(request, by);
        }
        if (changed) diary.write(whole.id(), by.name(), RequestDiary.Kind.CORRECTED, "");
        return new Corrected(changed, again);
    }

    private Agreements.Answers read(
            UsableTemplate template, FilledForms.Sent sent, Optional<IntakeRequest> known, IntakeRequest whole) {
        Set<PartyKey> without =
                whole.finished().map(one -> Set.copyOf(one.without())).orElse(Set.of());
        boolean arranged = whole.finished().isEmpty();
        Map<FieldName, String> before = known.map(IntakeRequest::values).orElse(Map.of());
        return filled.read(template, filled.keeping(template, sent, before), without, arranged);
    }

    /** What was sent for one part changes the others' answers of the same names; what it doesn't ask for stays. */
    private static FilledForms.Sent overlaid(
            JointForm form, List<IntakeRequest> group, IntakeRequest asked, FilledForms.Sent sent) {
        Agreements.Answers before = RequestGroups.answers(group);
        Map<FieldName, String> values = new LinkedHashMap<>();
        for (JointForm.Part part : form.parts())
            Intake.stored(part.fields(), before.data()).forEach((name, value) -> {
                FieldName field = new FieldName(name);
                values.put(field, sent.typing().shown(value));
            });
        UUID of = asked.templateId();
        // a question that its own form leaves out of what is sent is answered by nobody there
        if (asked.partOf().isPresent())
            form.further().stream()
                    .filter(one -> one.template().templateId().equals(of))
                    .flatMap(one -> one.template().content().fields().stream())
                    .forEach(field -> values.remove(field.name()));
        values.putAll(sent.values());
        Map<String, IntakeViews.PersonInput> people = ChosenPeople.inputs(before.people());
        people.putAll(sent.people());
        Typing typing = sent.typing();
        return new FilledForms.Sent(values, people, typing, sent.language(), sent.person());
    }

    /** An agreement that the form asks for no more is not sent any more. */
    private void withdraw(IntakeRequest request, Actor.Office by) {
        request.agreementNumber()
                .filter(number -> List.of(State.CHECK, State.GENERATING).contains(agreements.state(number)))
                .ifPresent(number -> agreements.carryOut(
                        agreements.idOf(number),
                        by,
                        new Command.Withdraw(Message.of("request.no-more-asked").toString())));
    }

    private static Optional<IntakeRequest> part(List<IntakeRequest> group, UsableTemplate template) {
        return group.stream()
                .filter(one -> one.templateId().equals(template.templateId()))
                .findFirst();
    }
}
