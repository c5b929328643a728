package org.jalousie.server.intake;

import java.time.Clock;
import java.time.Year;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Field;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.template.Advice;
import org.jalousie.core.template.Anonymised;
import org.jalousie.core.template.Specimen;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Requests: taken in, corrected, turned into agreements. */
@Service
class IntakeService implements WaitingRequests {
    private final IntakeRequests requests;
    private final BegunForms begun;
    private final FormViews forms;
    private final FilledForms filled;
    private final RequestDiary diary;
    private final RequestStages stages;
    private final UsableTemplates templates;
    private final Agreements agreements;
    private final Clock clock;
    private final Settings settings;
    private final RowLock lock;

    IntakeService(
            IntakeRequests requests,
            BegunForms begun,
            FormViews forms,
            FilledForms filled,
            RequestDiary diary,
            RequestStages stages,
            UsableTemplates templates,
            Agreements agreements,
            Clock clock,
            Settings settings,
            RowLock lock) {
        this.requests = requests;
        this.begun = begun;
        this.forms = forms;
        this.filled = filled;
        this.diary = diary;
        this.stages = stages;
        this.templates = templates;
        this.agreements = agreements;
        this.clock = clock;
        this.settings = settings;
        this.lock = lock;
    }

    @Transactional(readOnly = true)
    IntakeViews.Form form(UUID template, String language, String person) {
        return forms.of(templates.published(template), language, person);
    }

    @Override
    @Transactional(readOnly = true)
    public Page<IntakeViews.RequestRow> waiting(int most) {
        var found = requests.findByAgreementNumberIsNullOrderByCreatedAtDesc(PageRequest.of(0, most));
        return new Page<>(rows(found.getContent()), found.getTotalElements(), 0, most);
    }

    @Transactional(readOnly = true)
    IntakeViews.RequestDetail show(String number) {
        IntakeRequest request = request(number);
        UsableTemplate usable = templates.version(request.templateVersionId());
        Map<String, IntakeViews.PersonInput> people = new LinkedHashMap<>();
        request.people()
                .forEach((party, person) -> people.put(
                        party.value(), new IntakeViews.PersonInput(person.name(), person.mail(), person.phone())));
        return new IntakeViews.RequestDetail(
                rows(List.of(request)).get(0),
                // the office reads it in the template's own language, whatever it was filled in
                forms.of(usable, "", ""),
                request.values(),
                people,
                diary.of(request.id()).stream()
                        .map(one -> new IntakeViews.HistoryLine(one.at(), one.by(), one.kind(), one.said()))
                        .toList(),
                request.asker().mail(),
                Advice.unprinted(usable.wordings(), usable.content(), usable.rules()).stream()
                        .map(Field::name)
                        .toList(),
                stateOf(request).orElse(null));
    }

    private Optional<State> stateOf(IntakeRequest request) {
        return request.agreementNumber().map(agreements::state);
    }

    /** Whether its agreement ended without being completed, so that another one may be made of the same answers. */
    private boolean failed(IntakeRequest request) {
        return stateOf(request)
                .filter(state -> state.ended() && state != State.COMPLETED)
                .isPresent();
    }

    /**
     * Takes a filled form in. All faults are told at once.
     *
     * @param key the form's own; sent again with it, after a lost answer, the request is the same one and has the answers
     *     sent last; null for none
     */
    @Transactional
    IntakeViews.RequestDetail take(UUID template, UUID key, FilledForms.Sent sent, Actor.Coordinator by) {
        Optional<IntakeRequest> known = Optional.ofNullable(key).flatMap(requests::findByFormKey);
        // the form was taken in, but its sender never heard of it and may have changed answers since
        if (known.isPresent()) return fill(known.get().number(), sent, by, false);
        return begin(templates.published(template), key, sent, Optional.empty(), by);
    }

    /** Takes a form in for the first time. @param finished the file that was made elsewhere and that it is about */
    @Transactional(propagation = Propagation.MANDATORY)
    public IntakeViews.RequestDetail begin(
            UsableTemplate usable,
            UUID key,
            FilledForms.Sent sent,
            Optional<Agreements.Finished> finished,
            Actor.Coordinator by) {
        Agreements.Answers answers = filled.read(
                usable, finished.isEmpty() ? filled.fresh(usable, sent) : sent, without(finished), finished.isEmpty());
        IntakeRequest request = keep(usable, key, answers, sent.language(), by.name());
        finished.ifPresent(request::about);
        if (key != null)
            begun.findById(key).filter(form -> form.isOf(by.account())).ifPresent(begun::delete);
        requests.flush();
        return show(request.number());
    }

    /** Keeps a filled form as a request with the next number. @param by who filled it */
    @Transactional(propagation = Propagation.MANDATORY)
    public IntakeRequest keep(UsableTemplate usable, UUID key, Agreements.Answers answers, String language, String by) {
        String number = String.format(
                Locale.ROOT,
                "R-%d-%04d",
                Year.now(clock.withZone(settings.office().zone())).getValue(),
                requests.nextNumber());
        IntakeRequest request = requests.saveAndFlush(new IntakeRequest(
                number,
                usable.templateId(),
                usable.versionId(),
                new Agreements.Answers(filled.numbered(usable, answers.data()), answers.people()),
                key,
                language,
                by,
                clock.instant()));
        diary.write(request.id(), by, RequestDiary.Kind.CAME, "");
        return request;
    }

    /** Corrects a request; an agreement made from it that is not sent yet is made again. */
    @Transactional
    IntakeViews.RequestDetail correct(String number, FilledForms.Sent sent, Actor.Coordinator by) {
        return fill(number, sent, by, true);
    }

    /** @param evenIfSame whether the agreement is made again though no answer is another one */
    private IntakeViews.RequestDetail fill(
            String number, FilledForms.Sent sent, Actor.Coordinator by, boolean evenIfSame) {
        IntakeRequest request = lockedWithAgreement(number);
        UsableTemplate usable = templates.version(request.templateVersionId());
        Agreements.Answers before = new Agreements.Answers(request.values(), request.people());
        Agreements.Answers now = filled.read(
                usable,
                filled.keeping(usable, sent, before.data()),
                without(request.finished()),
                request.finished().isEmpty());
        if (now.equals(before) && !evenIfSame) return show(number);
        request.fill(now);
        if (!now.equals(before)) diary.write(request.id(), by.name(), RequestDiary.Kind.CORRECTED, "");
        if (!failed(request))
            request.agreementNumber().ifPresent(agreement -> agreements.correct(agreement, before, now, by));
        return show(number);
    }

    /** Makes the agreement. Returns its number; asked twice, the same, unless the one before ended without being completed. */
    @Transactional
    public AgreementNumber generate(String number, Actor by) {
        IntakeRequest request = locked(number);
        if (request.agreementNumber().isEmpty() || failed(request)) {
            Optional<AgreementNumber> before = request.agreementNumber();
            AgreementNumber made = agreements.create(
                    request.templateVersionId(),
                    number,
                    request.nextAttempt(),
                    new Agreements.Answers(request.values(), request.people()),
                    request.finished(),
                    before,
                    by);
            request.becomes(made);
            diary.write(
                    request.id(),
                    by instanceof Actor.Coordinator person ? person.name() : "",
                    before.isPresent() ? RequestDiary.Kind.REPLACED : RequestDiary.Kind.MADE,
                    before.map(one -> made + " " + one).orElse(made.value()));
            requests.flush();
            stages.madeOf(request.number());
        }
        return request.agreementNumber().orElseThrow();
    }

    /** Parties that have no part in a file that was made elsewhere. */
    private static Set<PartyKey> without(Optional<Agreements.Finished> finished) {
        return finished.map(one -> Set.copyOf(one.without())).orElse(Set.of());
    }

    /** Keeps a request's data as a specimen of its template, what is known of persons replaced; says what was. */
    @Transactional
    IntakeViews.KeptSpecimen keepAsSpecimen(String number, String name, String by) {
        IntakeRequest request = request(number);
        UsableTemplate usable = templates.version(request.templateVersionId());
        if (name.isBlank()) throw Refusal.invalid(Message.of("specimen.no-name"));
        List<String> persons = new ArrayList<>();
        request.people().values().forEach(person -> persons.addAll(List.of(person.name(), person.mail())));
        Anonymised.Result result = Anonymised.of(usable.content(), request.values(), persons);
        templates.addSpecimen(
                usable.templateId(), new Specimen(name.strip(), Specimen.Origin.FROM_REQUEST, result.data()), by);
        return new IntakeViews.KeptSpecimen(result.replacements());
    }

    List<IntakeViews.RequestRow> rows(List<IntakeRequest> found) {
        Map<UUID, String> names = templates.namesOf(
                found.stream().map(IntakeRequest::templateVersionId).collect(Collectors.toSet()));
        return found.stream()
                .map(request -> new IntakeViews.RequestRow(
                        request.number(),
                        names.get(request.templateVersionId()),
                        request.createdBy(),
                        request.createdAt(),
                        request.ownerName(),
                        request.ownerMail(),
                        request.stage(),
                        request.agreementNumber().map(AgreementNumber::value).orElse("")))
                .toList();
    }

    /**
     * The request, and its agreement before it: what happens with an agreement changes how far its request has come, and each would
     * wait for the other.
     */
    private IntakeRequest lockedWithAgreement(String number) {
        Optional<AgreementNumber> agreement = request(number).agreementNumber();
        agreement.ifPresent(one -> agreements.historyForChange(agreements.idOf(one)));
        IntakeRequest request = locked(number);
        if (!request.agreementNumber().equals(agreement)) throw Refusal.conflict(Message.of("request.changed"));
        return request;
    }

    /** One person at a time changes a request or makes an agreement of it. */
    IntakeRequest locked(String number) {
        return lock.on(request(number));
    }

    private IntakeRequest request(String number) {
        return requests.findByNumber(number)
                .orElseThrow(() -> Refusal.notFound(Message.of("request.none", "number", number)));
    }
}
