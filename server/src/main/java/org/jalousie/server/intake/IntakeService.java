package org.jalousie.server.intake;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Requests: taken in, corrected, turned into agreements. */
@Service
class IntakeService implements WaitingRequests {
    private final IntakeRequests requests;
    private final RequestGroups groups;
    private final RequestKeeping keeping;
    private final RequestCorrections corrections;
    private final RequestDetails details;
    private final BegunForms begun;
    private final FormViews forms;
    private final JointForms joints;
    private final FilledForms filled;
    private final RequestDiary diary;
    private final RequestStages stages;
    private final Agreements agreements;
    private final FormLookups lookups;
    private final TakenRows taken;
    private final KnownRenewals renewals;
    private final Sight sight;

    IntakeService(
            IntakeRequests requests,
            RequestGroups groups,
            RequestKeeping keeping,
            RequestCorrections corrections,
            RequestDetails details,
            BegunForms begun,
            FormViews forms,
            JointForms joints,
            FilledForms filled,
            RequestDiary diary,
            RequestStages stages,
            Agreements agreements,
            FormLookups lookups,
            TakenRows taken,
            KnownRenewals renewals,
            Sight sight) {
        this.sight = sight;
        this.requests = requests;
        this.groups = groups;
        this.keeping = keeping;
        this.corrections = corrections;
        this.details = details;
        this.begun = begun;
        this.forms = forms;
        this.joints = joints;
        this.filled = filled;
        this.diary = diary;
        this.stages = stages;
        this.agreements = agreements;
        this.lookups = lookups;
        this.taken = taken;
        this.renewals = renewals;
    }

    @Transactional(readOnly = true)
    IntakeViews.Form form(UUID template, String language, String person) {
        return forms.of(joints.published(template), language, person);
    }

    @Override
    @Transactional(readOnly = true)
    public Page<IntakeViews.RequestRow> waiting(int most) {
        var found = requests.findByAgreementNumberIsNullAndPartOfIsNullAndTemplateIdNotInOrderByCreatedAtDesc(
                sight.hiddenOrOne(), PageRequest.of(0, most));
        return new Page<>(rows(found.getContent()), found.getTotalElements(), 0, most);
    }

    @Transactional(readOnly = true)
    IntakeViews.RequestDetail show(String number) {
        return details.of(groups.request(number));
    }

    /**
     * Takes a filled form in. All faults are told at once.
     *
     * @param key the form's own; sent again with it, after a lost answer, the request is the same one and has the answers
     *     sent last; null for none
     * @param renews the number of the agreement that it renews
     */
    @Transactional
    IntakeViews.RequestDetail take(
            UUID template,
            UUID key,
            FilledForms.Sent sent,
            List<FormLookups.Sent> rows,
            Optional<String> renews,
            Actor.Office by) {
        return details.of(takeIn(() -> joints.published(template), key, sent, rows, renews, by));
    }

    /**
     * The same for many, where nobody looks at what each has become.
     *
     * @param published the form as it is filled now; a request that is known already has its own
     */
    @Transactional
    IntakeRequest takeIn(
            Supplier<JointForm> published,
            UUID key,
            FilledForms.Sent sent,
            List<FormLookups.Sent> rows,
            Optional<String> renews,
            Actor.Office by) {
        Optional<IntakeRequest> known = Optional.ofNullable(key).flatMap(requests::findByFormKey);
        known.ifPresent(one -> sight.requireUse(one.templateId()));
        // the form was taken in, but its sender never heard of it and may have changed answers since
        if (known.isPresent()) return fill(known.get().number(), sent, Optional.of(rows), by, false);
        Optional<AgreementNumber> renewed = renews.map(renewals::required);
        JointForm form = published.get();
        FormLookups.Filled looked = lookups.filled(form, sent, rows);
        List<JointForms.Filled> all =
                joints.read(form, looked.sent(), (one, of) -> filled.read(one, filled.fresh(one, of), Set.of(), true));
        return begin(all, key, sent.language(), looked.taken(), Optional.empty(), renewed, by);
    }

    /** Takes in what is known of a file that was made elsewhere. @param key of the file, so that it is one request */
    @Transactional(propagation = Propagation.MANDATORY)
    public IntakeViews.RequestDetail begin(
            UsableTemplate usable, UUID key, FilledForms.Sent sent, Agreements.Finished finished, Actor.Office by) {
        Agreements.Answers answers = filled.read(usable, sent, Set.copyOf(finished.without()), false);
        return details.of(begin(
                List.of(new JointForms.Filled(usable, answers)),
                key,
                sent.language(),
                List.of(),
                Optional.of(finished),
                Optional.empty(),
                by));
    }

    private IntakeRequest begin(
            List<JointForms.Filled> all,
            UUID key,
            String language,
            List<TakenRows.Taken> rows,
            Optional<Agreements.Finished> finished,
            Optional<AgreementNumber> renewed,
            Actor.Office by) {
        IntakeRequest request = keeping.request(all, key, language, by.name());
        taken.keep(request.id(), rows);
        finished.ifPresent(request::about);
        renewed.ifPresent(request::renews);
        if (key != null)
            begun.findById(key).filter(form -> form.isOf(by.account())).ifPresent(begun::delete);
        requests.flush();
        return request;
    }

    /** Corrects a request; agreements made from it that are not sent yet are made again. */
    @Transactional
    IntakeViews.RequestDetail correct(
            String number, FilledForms.Sent sent, Optional<List<FormLookups.Sent>> rows, Actor.Office by) {
        return details.of(fill(number, sent, rows, by, true));
    }

    /**
     * Looks once more at a row that answers were taken from.
     *
     * @param take whether they become what it says now; else they stay, and the change is known from then on
     */
    @Transactional
    IntakeViews.RequestDetail renew(String number, FieldName question, UUID row, boolean take, Actor.Office by) {
        List<IntakeRequest> group = groups.lockedWithAgreements(number);
        JointForm form = joints.of(group);
        List<TakenRows.Taken> all = taken.of(group.get(0).id());
        TakenRows.Taken one = FormLookups.one(all, question, row);
        if (take) fill(number, lookups.renewed(form, one, group), Optional.empty(), by, false);
        TakenRows.Taken now = lookups.asNow(form, one);
        taken.keep(
                group.get(0).id(),
                all.stream().map(other -> other == one ? now : other).toList());
        return details.of(groups.request(number));
    }

    /** @param evenIfSame whether the agreement is made again though no answer is another one */
    private IntakeRequest fill(
            String number,
            FilledForms.Sent typed,
            Optional<List<FormLookups.Sent>> rows,
            Actor.Office by,
            boolean evenIfSame) {
        List<IntakeRequest> group = groups.lockedWithAgreements(number);
        FilledForms.Sent sent = rows.map(some -> {
                    FormLookups.Filled looked = lookups.filled(joints.of(group), typed, some);
                    taken.keep(group.get(0).id(), looked.taken());
                    return looked.sent();
                })
                .orElse(typed);
        IntakeRequest asked = group.stream()
                .filter(one -> one.number().equals(number))
                .findFirst()
                .orElseThrow();
        RequestCorrections.Corrected corrected = corrections.correct(group, asked, sent, by, evenIfSame);
        requests.flush();
        for (IntakeRequest one : corrected.again()) make(group.get(0), one, by);
        if (corrected.changed()) stages.together(group.get(0).number());
        return asked;
    }

    /**
     * Makes the agreements of a request, or the one of a part. Returns its number; asked twice, the same, unless the one before
     * ended without being completed.
     */
    @Transactional
    public AgreementNumber generate(String number, Actor by) {
        IntakeRequest whole = groups.locked(number);
        List<IntakeRequest> group = groups.of(whole);
        IntakeRequest asked = group.stream()
                .filter(one -> one.number().equals(number))
                .findFirst()
                .orElseThrow();
        for (IntakeRequest one : asked == whole ? group : List.of(asked))
            if (one.wanted() && (one.agreementNumber().isEmpty() || groups.failed(one))) make(whole, one, by);
        return asked.agreementNumber().orElseThrow(() -> Refusal.conflict(Message.of("request.not-wanted")));
    }

    private void make(IntakeRequest whole, IntakeRequest request, Actor by) {
        Optional<AgreementNumber> before = request.agreementNumber();
        AgreementNumber made = agreements.create(
                request.templateVersionId(),
                request.number(),
                request.nextAttempt(),
                new Agreements.Answers(request.values(), request.people()),
                request.finished(),
                before,
                by);
        request.becomes(made);
        diary.write(
                whole.id(),
                by instanceof Actor.Office office ? office.name() : "",
                before.isPresent() ? RequestDiary.Kind.REPLACED : RequestDiary.Kind.MADE,
                before.map(one -> made + " " + one).orElse(made.value()));
        requests.flush();
        stages.madeOf(request.number());
    }

    List<IntakeViews.RequestRow> rows(List<IntakeRequest> found) {
        return details.rows(found);
    }

    /** One person at a time changes a request or makes an agreement of it. */
    IntakeRequest locked(String number) {
        return groups.locked(number);
    }
}
