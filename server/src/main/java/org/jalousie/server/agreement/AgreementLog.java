package org.jalousie.server.agreement;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Decider;
import org.jalousie.core.agreement.Decision;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.server.Refusal;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.store.RowLock;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The events of agreements: reads them, lets the rules decide, appends what happened and asks for what follows from it. */
@Component
class AgreementLog {
    private final AgreementRows rows;
    private final EventRows events;
    private final StateRows states;
    private final WaitedFor waitedFor;
    private final FoundBy foundBy;
    private final Archived archived;
    private final ObjectProvider<AfterEvents> followers;
    private final RowLock lock;
    private final OfficeHours hours;
    private final Clock clock;

    AgreementLog(
            AgreementRows rows,
            EventRows events,
            StateRows states,
            WaitedFor waitedFor,
            FoundBy foundBy,
            Archived archived,
            ObjectProvider<AfterEvents> followers,
            RowLock lock,
            OfficeHours hours,
            Clock clock) {
        this.rows = rows;
        this.events = events;
        this.states = states;
        this.waitedFor = waitedFor;
        this.foundBy = foundBy;
        this.archived = archived;
        this.followers = followers;
        this.lock = lock;
        this.hours = hours;
        this.clock = clock;
    }

    @Transactional(propagation = Propagation.MANDATORY)
    void begin(
            UUID id,
            Event.Created created,
            UUID templateId,
            UUID templateVersionId,
            ChasingTerms terms,
            int attempt,
            Actor actor) {
        Entry first = new Entry(1, now(), actor, created);
        Agreement agreement = Agreement.of(List.of(first));
        AgreementRow row = new AgreementRow(id, agreement, templateId, templateVersionId, terms, attempt);
        row.project(agreement, hours.calendar(), now());
        rows.save(row);
        rows.flush();
        foundBy.facts(id, templateId, agreement);
        append(id, EventChain.START, first);
        tell(id, agreement, List.of(first), 0);
    }

    /**
     * Carries out a command, one at a time for each agreement.
     *
     * @throws Refusal with the rules' reason when it can't be done now
     */
    @Transactional
    public Agreements.Outcome carryOut(UUID id, Actor actor, Command command) {
        AgreementRow row = locked(id);
        List<EventRow> stored = events.history(id);
        List<Entry> history = new ArrayList<>(stored.stream()
                .map(event -> EventChain.read(event.link().json()))
                .toList());
        Decision decision = Decider.decide(history, command, now());
        if (decision instanceof Decision.Refused refused) {
            throw refused.faults().isEmpty()
                    ? Refusal.of(Refusal.Kind.CONFLICT, refused.reason())
                    : Refusal.invalid(refused.reason(), refused.faults());
        }
        List<Event> happened = decision instanceof Decision.Accepted accepted ? accepted.events() : List.of();
        int before = history.size();
        String previous = stored.get(stored.size() - 1).link().hash();
        for (Event event : happened) {
            Entry entry = new Entry(history.size() + 1, now(), actor, event);
            previous = append(id, previous, entry);
            history.add(entry);
        }
        Agreement agreement = Agreement.of(history);
        if (!happened.isEmpty()) {
            row.project(agreement, hours.calendar(), now());
            foundBy.facts(id, row.templateId(), agreement);
            waitedFor.project(id, agreement);
            if (agreement.state().ended()) archived.keep(row.about(), agreement);
            tell(id, agreement, history, before);
        } else if (command instanceof Command.Tick tick) {
            row.dueAgain(agreement, tick.chasing().calendar(), now());
        }
        return new Agreements.Outcome(agreement, List.copyOf(history), happened);
    }

    private void tell(UUID id, Agreement agreement, List<Entry> history, int before) {
        List<Entry> happened = history.subList(before, history.size());
        followers.orderedStream().forEach(one -> one.happened(id, agreement, history, happened));
    }

    /** Brings what lists show of an agreement up to what its events say. */
    @Transactional
    void projectAgain(UUID id) {
        AgreementRow row = locked(id);
        Agreement agreement = read(id);
        row.project(agreement, hours.calendar(), row.changedAt());
        foundBy.facts(id, row.templateId(), agreement);
        waitedFor.project(id, agreement);
        if (agreement.state().ended()) archived.keep(row.about(), agreement);
    }

    /** Brings what the archive lists of an ended agreement up to what its template says, unless it is gone. */
    @Transactional
    void archiveAgain(UUID id) {
        rows.findById(id).ifPresent(row -> archived.keep(lock.on(row).about(), read(id)));
    }

    private AgreementRow locked(UUID id) {
        return lock.on(rows.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("agreement.unknown"))));
    }

    private String append(UUID id, String previous, Entry entry) {
        EventChain.Link link = EventChain.link(previous, entry);
        events.save(new EventRow(id, entry.sequence(), entry.event().getClass().getSimpleName(), link));
        states.saveAll(StateRow.of(id, entry));
        return link.hash();
    }

    /** The links of the chain as they are stored. */
    @Transactional(readOnly = true)
    public List<EventChain.Link> links(UUID id) {
        return events.history(id).stream().map(EventRow::link).toList();
    }

    @Transactional(readOnly = true)
    public List<Entry> history(UUID id) {
        return links(id).stream().map(link -> EventChain.read(link.json())).toList();
    }

    /** The history as it stays until the end of the transaction, for a change that depends on it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public List<Entry> historyForChange(UUID id) {
        locked(id);
        return history(id);
    }

    @Transactional(readOnly = true)
    public Agreement read(UUID id) {
        return Agreement.of(history(id));
    }

    // microseconds are what PostgreSQL keeps elsewhere, and enough
    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
