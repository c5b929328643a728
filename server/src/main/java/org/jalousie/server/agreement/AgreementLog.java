package org.jalousie.server.agreement;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Decider;
import org.jalousie.core.agreement.Decision;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.template.Terms;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.web.Refusal;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The events of agreements: reads them, lets the rules decide, appends what happened and asks for what follows from it. */
@Component
public class AgreementLog {
    private final AgreementRows rows;
    private final EventRows events;
    private final StateRows states;
    private final Reactions reactions;
    private final RowLock lock;
    private final Clock clock;

    AgreementLog(
            AgreementRows rows, EventRows events, StateRows states, Reactions reactions, RowLock lock, Clock clock) {
        this.rows = rows;
        this.events = events;
        this.states = states;
        this.reactions = reactions;
        this.lock = lock;
        this.clock = clock;
    }

    @Transactional(propagation = Propagation.MANDATORY)
    void begin(UUID id, Event.Created created, UUID templateVersionId, Terms terms, int attempt, Actor actor) {
        Entry first = new Entry(1, now(), actor, created);
        rows.save(new AgreementRow(id, Agreement.of(List.of(first)), templateVersionId, terms, attempt, now()));
        rows.flush();
        rows.foundByFacts(id, Findable.facts(Agreement.of(List.of(first))));
        append(id, EventChain.START, first);
        reactions.to(id, Agreement.of(List.of(first)), List.of(created));
    }

    /**
     * Carries out a command, one at a time for each agreement.
     *
     * @return the agreement after it
     * @throws Refusal with the rules' reason when it can't be done now
     */
    @Transactional
    public Agreement carryOut(UUID id, Actor actor, Command command) {
        AgreementRow row = locked(id);
        List<EventRow> stored = events.history(id);
        List<Entry> history = new ArrayList<>(stored.stream()
                .map(event -> EventChain.read(event.link().json()))
                .toList());
        Decision decision = Decider.decide(history, command, now());
        if (decision instanceof Decision.Refused refused) throw Refusal.conflict(refused.reason());
        List<Event> happened = ((Decision.Accepted) decision).events();
        String previous = stored.get(stored.size() - 1).link().hash();
        for (Event event : happened) {
            Entry entry = new Entry(history.size() + 1, now(), actor, event);
            previous = append(id, previous, entry);
            history.add(entry);
        }
        Agreement agreement = Agreement.of(history);
        if (!happened.isEmpty()) {
            row.project(agreement, now());
            rows.foundByFacts(id, Findable.facts(agreement));
            reactions.to(id, agreement, happened);
        } else if (command instanceof Command.Tick) {
            row.dueAgain(agreement);
        }
        return agreement;
    }

    /** Brings what lists show of an agreement up to what its events say. */
    @Transactional
    void projectAgain(UUID id) {
        AgreementRow row = locked(id);
        Agreement agreement = read(id);
        row.project(agreement, row.changedAt());
        rows.foundByFacts(id, Findable.facts(agreement));
    }

    private AgreementRow locked(UUID id) {
        return lock.on(rows.findById(id).orElseThrow(() -> Refusal.notFound("There is no such agreement.")));
    }

    private String append(UUID id, String previous, Entry entry) {
        EventChain.Link link = EventChain.link(previous, entry);
        events.save(new EventRow(id, entry.sequence(), entry.event().getClass().getSimpleName(), link));
        pdfOf(entry.event()).ifPresent(pdf -> states.save(new StateRow(pdf, id, entry.sequence())));
        return link.hash();
    }

    private static Optional<String> pdfOf(Event event) {
        if (event instanceof Event.Generated generated) return Optional.of(generated.pdf());
        if (event instanceof Event.HouseSealed sealed) return Optional.of(sealed.pdf());
        if (event instanceof Event.Sealed sealed) return Optional.of(sealed.pdf());
        return event instanceof Event.Completed completed ? Optional.of(completed.pdf()) : Optional.empty();
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

    /** The agreement as it stays until the end of the transaction, for a change that depends on it. */
    @Transactional(propagation = Propagation.MANDATORY)
    Agreement readForChange(UUID id) {
        locked(id);
        return read(id);
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
