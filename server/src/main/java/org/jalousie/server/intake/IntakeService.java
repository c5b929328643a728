package org.jalousie.server.intake;

import java.time.Clock;
import java.time.LocalDate;
import java.time.Year;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.template.Anonymised;
import org.jalousie.core.template.Specimen;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Requests: taken in, corrected, turned into agreements. */
@Service
class IntakeService implements WaitingRequests {
    private static final ListOrder ORDER =
            new ListOrder(Map.of("created", "createdAt", "number", "number"), "-created");

    private final IntakeRequests requests;
    private final BegunForms begun;
    private final UsableTemplates templates;
    private final Agreements agreements;
    private final Clock clock;
    private final Settings settings;
    private final RowLock lock;

    IntakeService(
            IntakeRequests requests,
            BegunForms begun,
            UsableTemplates templates,
            Agreements agreements,
            Clock clock,
            Settings settings,
            RowLock lock) {
        this.requests = requests;
        this.begun = begun;
        this.templates = templates;
        this.agreements = agreements;
        this.clock = clock;
        this.settings = settings;
        this.lock = lock;
    }

    @Transactional(readOnly = true)
    IntakeViews.Form form(UUID template) {
        return form(templates.published(template));
    }

    @Transactional(readOnly = true)
    Page<IntakeViews.RequestRow> list(String sort, int page) {
        var found = requests.findAll(ORDER.page(page, sort));
        return new Page<>(rows(found.getContent()), found.getTotalElements(), page, Page.SIZE);
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
        Map<String, IntakeViews.PersonInput> people = new LinkedHashMap<>();
        request.people()
                .forEach((party, person) -> people.put(
                        party.value(), new IntakeViews.PersonInput(person.name(), person.mail(), person.phone())));
        return new IntakeViews.RequestDetail(
                rows(List.of(request)).get(0),
                form(templates.version(request.templateVersionId())),
                request.values(),
                people,
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
    IntakeViews.RequestDetail take(
            UUID template,
            UUID key,
            Map<FieldName, String> inputs,
            Map<String, IntakeViews.PersonInput> people,
            Typing typing,
            Actor.Coordinator by) {
        Optional<IntakeRequest> known = Optional.ofNullable(key).flatMap(requests::findByFormKey);
        // the form was taken in, but its sender never heard of it and may have changed answers since
        if (known.isPresent()) return fill(known.get().number(), inputs, people, typing, by, false);
        return begin(templates.published(template), key, inputs, people, typing, Optional.empty(), by);
    }

    /** Takes a form in for the first time. @param finished the file that was made elsewhere and that it is about */
    @Transactional(propagation = Propagation.MANDATORY)
    public IntakeViews.RequestDetail begin(
            UsableTemplate usable,
            UUID key,
            Map<FieldName, String> inputs,
            Map<String, IntakeViews.PersonInput> people,
            Typing typing,
            Optional<Agreements.Finished> finished,
            Actor.Coordinator by) {
        Map<PartyKey, Person> chosen = new LinkedHashMap<>();
        Map<FieldName, String> values = read(usable, inputs, people, typing, chosen, without(finished));
        String number = String.format(
                Locale.ROOT,
                "R-%d-%04d",
                Year.now(clock.withZone(settings.office().zone())).getValue(),
                requests.nextNumber());
        IntakeRequest request =
                new IntakeRequest(number, usable.versionId(), values, chosen, key, by.name(), clock.instant());
        finished.ifPresent(request::about);
        requests.save(request);
        if (key != null)
            begun.findById(key).filter(form -> form.isOf(by.account())).ifPresent(begun::delete);
        requests.flush();
        return show(number);
    }

    /** Corrects a request; an agreement made from it that is not sent yet is made again. */
    @Transactional
    IntakeViews.RequestDetail correct(
            String number,
            Map<FieldName, String> inputs,
            Map<String, IntakeViews.PersonInput> people,
            Typing typing,
            Actor.Coordinator by) {
        return fill(number, inputs, people, typing, by, true);
    }

    /** @param evenIfSame whether the agreement is made again though no answer is another one */
    private IntakeViews.RequestDetail fill(
            String number,
            Map<FieldName, String> inputs,
            Map<String, IntakeViews.PersonInput> people,
            Typing typing,
            Actor.Coordinator by,
            boolean evenIfSame) {
        IntakeRequest request = locked(number);
        UsableTemplate usable = templates.version(request.templateVersionId());
        Map<PartyKey, Person> chosen = new LinkedHashMap<>();
        Map<FieldName, String> values = read(usable, inputs, people, typing, chosen, without(request.finished()));
        Agreements.Answers before = new Agreements.Answers(request.values(), request.people());
        Agreements.Answers now = new Agreements.Answers(values, chosen);
        if (now.equals(before) && !evenIfSame) return show(number);
        request.fill(values, chosen);
        if (!failed(request))
            request.agreementNumber().ifPresent(agreement -> agreements.correct(agreement, before, now, by));
        return show(number);
    }

    /** Makes the agreement. Returns its number; asked twice, the same, unless the one before ended without being completed. */
    @Transactional
    AgreementNumber generate(String number, Actor.Coordinator by) {
        IntakeRequest request = locked(number);
        if (request.agreementNumber().isEmpty() || failed(request)) {
            request.becomes(agreements.create(
                    request.templateVersionId(),
                    number,
                    request.nextAttempt(),
                    new Agreements.Answers(request.values(), request.people()),
                    request.finished(),
                    by));
        }
        return request.agreementNumber().orElseThrow();
    }

    /** Parties that have no part in a file that was made elsewhere. */
    private static List<PartyKey> without(Optional<Agreements.Finished> finished) {
        return finished.map(Agreements.Finished::without).orElse(List.of());
    }

    private Map<FieldName, String> read(
            UsableTemplate template,
            Map<FieldName, String> inputs,
            Map<String, IntakeViews.PersonInput> people,
            Typing typing,
            Map<PartyKey, Person> chosen,
            List<PartyKey> without) {
        Intake.Reading reading = Intake.read(template.content().fields(), inputs, typing);
        Map<String, Message> faults = new LinkedHashMap<>();
        reading.faults().forEach((name, fault) -> faults.put(name.value(), fault));
        for (Party party : template.content().parties()) {
            if (!party.who().asked() || without.contains(party.key())) continue;
            ChosenPeople.read(party, people.get(party.key().value()), faults)
                    .ifPresent(person -> chosen.put(party.key(), person));
        }
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        Map<FieldName, String> raw = reading.raw();
        // what can't be worked out for these data is told to the person who has them at hand
        template.values(raw, LocalDate.now(clock.withZone(settings.office().zone())), "").faults().stream()
                .findFirst()
                .ifPresent(fault -> {
                    throw Refusal.invalid(fault.sentence());
                });
        return raw;
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

    static IntakeViews.Form form(UsableTemplate template) {
        return new IntakeViews.Form(
                template.templateId(),
                template.name(),
                template.number(),
                template.content().language(),
                template.content().fields(),
                template.content().layout().arranged(template.content().fields()).sections().stream()
                        .map(section -> new IntakeViews.FormSection(
                                section.title(),
                                section.help(),
                                section.questions().stream()
                                        .filter(one -> one.visibility() == FormLayout.Visibility.SHOWN)
                                        .map(one -> new IntakeViews.FormQuestion(one.field(), one.help()))
                                        .toList()))
                        .toList(),
                template.content().parties().stream()
                        .filter(party -> party.who().asked())
                        .map(ChosenPeople::view)
                        .toList());
    }

    private List<IntakeViews.RequestRow> rows(List<IntakeRequest> found) {
        Map<UUID, String> names = templates.namesOf(
                found.stream().map(IntakeRequest::templateVersionId).collect(Collectors.toSet()));
        return found.stream()
                .map(request -> new IntakeViews.RequestRow(
                        request.number(),
                        names.get(request.templateVersionId()),
                        request.createdBy(),
                        request.createdAt(),
                        request.agreementNumber().map(AgreementNumber::value).orElse("")))
                .toList();
    }

    /** One person at a time changes a request or makes an agreement of it. */
    private IntakeRequest locked(String number) {
        return lock.on(request(number));
    }

    private IntakeRequest request(String number) {
        return requests.findByNumber(number)
                .orElseThrow(() -> Refusal.notFound(Message.of("request.none", "number", number)));
    }
}
