package org.jalousie.server.agreement;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.Year;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Absence;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AddedDocument;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.State;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Assignment;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.RouteCalendarView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Agreements for the office: made, checked, sent, watched. */
@Service
class AgreementService {
    private final AgreementRows rows;
    private final AgreementLog log;
    private final UsableTemplates templates;
    private final Participants parts;
    private final SendingDesk sending;
    private final AgreementDetails details;
    private final Tombstones stones;
    private final Jobs jobs;
    private final Clock clock;
    private final Settings settings;

    AgreementService(
            AgreementRows rows,
            AgreementLog log,
            UsableTemplates templates,
            Participants parts,
            SendingDesk sending,
            AgreementDetails details,
            Tombstones stones,
            Jobs jobs,
            Clock clock,
            Settings settings) {
        this.rows = rows;
        this.log = log;
        this.templates = templates;
        this.parts = parts;
        this.sending = sending;
        this.details = details;
        this.stones = stones;
        this.jobs = jobs;
        this.clock = clock;
        this.settings = settings;
    }

    /** Makes an agreement as {@link Agreements#create} says. */
    @Transactional(propagation = Propagation.MANDATORY)
    public AgreementNumber create(
            UUID versionId,
            String request,
            int attempt,
            Agreements.Answers answers,
            Optional<Agreements.Finished> finished,
            Optional<AgreementNumber> replaces,
            Actor by) {
        UsableTemplate template = templates.version(versionId);
        AgreementNumber number = AgreementNumber.of(
                Year.now(clock.withZone(settings.office().zone())).getValue(), rows.nextNumber());
        List<Participant> participants = parts.of(template, answers, number, clock.instant(), by);
        String title = Participants.title(template, participants);
        Event.Created created = new Event.Created(
                number,
                title,
                template.name(),
                template.number(),
                request,
                answers.data(),
                participants,
                replaces.map(AgreementNumber::value).orElse(""));
        UUID id = UUID.randomUUID();
        log.begin(
                id,
                created,
                template.templateId(),
                versionId,
                template.content().sending().chasing(),
                attempt,
                by);
        finished.ifPresent(file -> log.carryOut(
                id,
                by,
                new Command.BringFinished(
                        new AddedDocument(
                                file.document(), file.title(), Document.Kind.FIXED, file.file(), file.brought()),
                        file.places())));
        replaces.map(this::agreement)
                .ifPresent(before -> before.changed()
                        .forEach((document, wording) -> log.carryOut(
                                id, by, new Command.ChangeWording(log.read(id).revision(), document, wording))));
        return number;
    }

    /** Gives an agreement corrected data; its document is made again. People who were named since stay unless corrected. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void correct(AgreementNumber number, Agreements.Answers before, Agreements.Answers now, Actor by) {
        AgreementRow row = row(number);
        UsableTemplate template = templates.version(row.templateVersionId());
        List<Entry> history = log.historyForChange(row.id());
        Entry made = history.get(0);
        List<Participant> participants = Assignment.reassign(
                parts.of(template, before, number, made.at(), made.actor()),
                parts.of(template, now, number, made.at(), made.actor()),
                Agreement.of(history).participants());
        log.carryOut(
                row.id(),
                by,
                new Command.CorrectData(now.data(), participants, Participants.title(template, participants)));
    }

    @Transactional(readOnly = true)
    public Agreements.Filed filed(AgreementNumber number) {
        return filed(row(number));
    }

    private Agreements.Filed filed(AgreementRow row) {
        List<EventChain.Link> links = log.links(row.id());
        List<Entry> history =
                links.stream().map(link -> EventChain.read(link.json())).toList();
        return new Agreements.Filed(Agreement.of(history), history, links);
    }

    @Transactional(readOnly = true)
    public State state(AgreementNumber number) {
        return row(number).state();
    }

    @Transactional(readOnly = true)
    public Map<AgreementNumber, State> states(Collection<AgreementNumber> numbers) {
        if (numbers.isEmpty()) return Map.of();
        return rows.stated(numbers.stream().map(AgreementNumber::value).toList()).stream()
                .collect(Collectors.toMap(
                        one -> new AgreementNumber(one.getNumber()), one -> State.valueOf(one.getState())));
    }

    @Transactional(readOnly = true)
    public AgreementViews.AgreementDetail show(AgreementNumber number) {
        AgreementRow row = row(number);
        return details.of(row, filed(row), templates.version(row.templateVersionId()));
    }

    @Transactional
    public void changePerson(AgreementNumber number, PartyKey party, AgreementController.Naming naming, Actor by) {
        AgreementRow row = row(number);
        Agreement agreement = Agreement.of(log.historyForChange(row.id()));
        Participant before = agreement
                .participant(party)
                .orElseThrow(() -> Refusal.notFound(Message.of("party.none", "party", party)));
        if (naming.instead() != null
                && !naming.instead().strip().equalsIgnoreCase(before.mail().strip()))
            throw Refusal.conflict(Message.of("people.changed", "name", before.name()));
        Person person = new Person(
                Objects.requireNonNullElse(naming.name(), "").strip(),
                Objects.requireNonNullElse(naming.mail(), "").strip(),
                naming.phone() == null ? "" : naming.phone().strip(),
                naming.language() == null ? before.person().language() : naming.language());
        if (agreement.state() == State.OUT) {
            log.carryOut(
                    row.id(),
                    by,
                    Boolean.TRUE.equals(naming.another())
                            ? new Command.ReplacePerson(party, person)
                            : new Command.CorrectPerson(party, person));
            return;
        }
        Participant participant = before.with(person);
        List<Participant> all = agreement.participants().stream()
                .map(one -> one.party().equals(party) ? participant : one)
                .toList();
        String title = Participants.title(templates.version(row.templateVersionId()), all);
        // the document may print the name of its file, which has the title in it; who comes or goes has places in it or
        // none
        boolean remake = !title.equals(agreement.title())
                || !Absence.before(agreement.participants()).equals(Absence.before(all));
        log.carryOut(row.id(), by, new Command.ChangeParticipant(participant, title, remake));
    }

    /** @param seen how many events the agreement had when the person who sends it looked at it; null for as it is now */
    @Transactional
    public void send(AgreementNumber number, Integer seen, Actor by) {
        AgreementRow row = row(number);
        sending.send(row.id(), templates.version(row.templateVersionId()), Optional.ofNullable(seen), by);
    }

    @Transactional
    public void takeToPaper(AgreementNumber number, Actor by) {
        AgreementRow row = row(number);
        sending.takeToPaper(row.id(), templates.version(row.templateVersionId()), by);
    }

    /** Its route as a calendar; before it is sent, as if it were sent at {@code start}. @param pace days that everybody takes */
    @Transactional(readOnly = true)
    public RouteCalendarView calendar(AgreementNumber number, int pace, Optional<LocalDateTime> start) {
        AgreementRow row = row(number);
        return sending.calendar(
                log.history(row.id()),
                templates.version(row.templateVersionId()),
                row.chasing(sending.officeCalendar()),
                pace,
                start);
    }

    @Transactional
    public void carryOut(AgreementNumber number, Command command, Actor by) {
        log.carryOut(row(number).id(), by, command);
    }

    /** The first moment of the office's next day. */
    Instant endOf(LocalDate day) {
        return sending.officeCalendar().endOf(day);
    }

    @Transactional
    public void withdraw(AgreementNumber number, String reason, Actor by) {
        log.carryOut(row(number).id(), by, new Command.Withdraw(reason));
    }

    @Transactional
    public void tryAgain(AgreementNumber number) {
        if (jobs.tryAgain(row(number).id()) == 0) throw Refusal.conflict(Message.of("agreement.nothing-failed"));
    }

    /** A document as it stands. @throws Refusal when it isn't made yet, or there is none of this id */
    @Transactional(readOnly = true)
    public Document document(AgreementNumber number, String id) {
        return document(agreement(number), id);
    }

    static Document document(Agreement agreement, String id) {
        return agreement.documentNamed(id).orElseThrow(() -> Refusal.notFound(Message.of("agreement.no-document")));
    }

    @Transactional(readOnly = true)
    public String title(AgreementNumber number) {
        return row(number).title();
    }

    @Transactional(readOnly = true)
    public UUID templateVersion(UUID id) {
        return rows.findById(id)
                .orElseThrow(() -> Refusal.notFound(Message.of("agreement.unknown")))
                .templateVersionId();
    }

    @Transactional(readOnly = true)
    public UUID templateVersion(AgreementNumber number) {
        return row(number).templateVersionId();
    }

    @Transactional(readOnly = true)
    public UUID template(AgreementNumber number) {
        return row(number).templateId();
    }

    @Transactional(readOnly = true)
    public boolean known(AgreementNumber number) {
        return rows.findByNumber(number.value()).isPresent();
    }

    @Transactional(readOnly = true)
    public UUID idOf(AgreementNumber number) {
        return row(number).id();
    }

    Agreement agreement(AgreementNumber number) {
        return log.read(row(number).id());
    }

    private AgreementRow row(AgreementNumber number) {
        return rows.findByNumber(number.value())
                .orElseThrow(() -> stones.none(number, settings.office().zone()));
    }
}
