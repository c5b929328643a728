package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.template.Advice;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Shows requests. */
@Component
class RequestDetails {
    private final IntakeRequests requests;
    private final RequestGroups groups;
    private final JointForms joints;
    private final FormViews forms;
    private final RequestDiary diary;
    private final UsableTemplates templates;
    private final Agreements agreements;
    private final OfficeDay day;
    private final FormLookups lookups;
    private final TakenRows taken;
    private final Sight sight;

    RequestDetails(
            IntakeRequests requests,
            RequestGroups groups,
            JointForms joints,
            FormViews forms,
            RequestDiary diary,
            UsableTemplates templates,
            Agreements agreements,
            OfficeDay day,
            FormLookups lookups,
            TakenRows taken,
            Sight sight) {
        this.sight = sight;
        this.requests = requests;
        this.groups = groups;
        this.joints = joints;
        this.forms = forms;
        this.diary = diary;
        this.templates = templates;
        this.agreements = agreements;
        this.day = day;
        this.lookups = lookups;
        this.taken = taken;
    }

    /** A whole request with the answers for all its parts; a part with its own. */
    IntakeViews.RequestDetail of(IntakeRequest request) {
        List<IntakeRequest> group = groups.of(request);
        IntakeRequest whole = group.get(0);
        boolean part = request.partOf().isPresent();
        boolean alone = part || request.finished().isPresent();
        UsableTemplate usable = templates.version(request.templateVersionId());
        JointForm form = alone ? JointForm.alone(usable) : joints.of(group);
        Agreements.Answers answers = RequestGroups.answers(alone ? List.of(request) : group);
        Map<String, IntakeViews.PersonInput> people = ChosenPeople.inputs(answers.people());
        return new IntakeViews.RequestDetail(
                rows(List.of(request)).get(0),
                // the office reads it in the template's own language, whatever it was filled in
                forms.of(form, "", ""),
                answers.data(),
                people,
                diary.of(whole.id()).stream()
                        .map(one -> new IntakeViews.HistoryLine(one.at(), one.by(), one.kind(), one.said()))
                        .toList(),
                whole.asker().mail(),
                unprinted(form),
                stateOf(request),
                part ? whole.number() : "",
                group.size() < 2 ? List.of() : parts(group),
                lookups.views(form, taken.of(whole.id())));
    }

    /** None before it is made, and after it was destroyed while others of the request are kept. */
    private State stateOf(IntakeRequest request) {
        return request.agreementNumber()
                .flatMap(agreements::known)
                .map(agreements::state)
                .orElse(null);
    }

    /** Those of which whoever asks sees what is made. */
    private List<IntakeViews.RequestPart> parts(List<IntakeRequest> group) {
        Map<UUID, String> names = templates.namesOf(
                group.stream().map(IntakeRequest::templateVersionId).collect(Collectors.toSet()));
        return group.stream()
                .filter(one -> sight.sees(one.templateId()))
                .map(one -> new IntakeViews.RequestPart(
                        one.number(),
                        names.get(one.templateVersionId()),
                        one.wanted(),
                        one.agreementNumber().map(AgreementNumber::value).orElse(""),
                        stateOf(one)))
                .toList();
    }

    /** What no wording of any of them prints. */
    private static List<FieldName> unprinted(JointForm form) {
        List<FieldName> unprinted = new ArrayList<>();
        Set<FieldName> printed = new HashSet<>();
        for (JointForm.Part part : form.parts()) {
            UsableTemplate one = part.template();
            Set<FieldName> not = Advice.unprinted(one.wordings(), one.content(), one.rules()).stream()
                    .map(Field::name)
                    .collect(Collectors.toSet());
            for (Field field : one.content().fields()) {
                if (not.contains(field.name())) unprinted.add(field.name());
                else printed.add(field.name());
            }
        }
        return unprinted.stream()
                .filter(name -> !printed.contains(name))
                .distinct()
                .toList();
    }

    List<IntakeViews.RequestRow> rows(List<IntakeRequest> found) {
        Map<UUID, String> names = templates.namesOf(
                found.stream().map(IntakeRequest::templateVersionId).collect(Collectors.toSet()));
        Map<UUID, Long> parts = requests
                .partCounts(found.stream().map(IntakeRequest::id).toList())
                .stream()
                .collect(Collectors.toMap(IntakeRequests.PartCount::getWhole, IntakeRequests.PartCount::getCount));
        return found.stream()
                .map(request -> new IntakeViews.RequestRow(
                        request.number(),
                        names.get(request.templateVersionId()),
                        request.createdBy(),
                        request.createdAt(),
                        request.ownerName(),
                        request.ownerMail(),
                        request.stage(),
                        request.agreementNumber().map(AgreementNumber::value).orElse(""),
                        parts.getOrDefault(request.id(), 0L).intValue(),
                        request.templateId(),
                        RequestAge.of(request.createdAt(), day.today(), day.zone())))
                .toList();
    }
}
