package org.jalousie.server.records;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.records.Pointers;
import org.jalousie.core.records.RecordTerms;
import org.jalousie.core.template.Letter;
import org.jalousie.server.Refusal;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.trail.Trail;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Record systems as the office settles them. */
@Service
class RecordService {
    private static final ListOrder ORDER = new ListOrder(Map.of("title", "title"), "title");
    private static final int LONGEST_CREDENTIAL = 4_000;

    private final Trail trail;
    private final RecordSystems systems;
    private final FollowedRecords followed;
    private final RecordSteps steps;
    private final RecordLists lists;
    private final UsableTemplates templates;
    private final RowLock lock;
    private final Clock clock;

    RecordService(
            Trail trail,
            RecordSystems systems,
            FollowedRecords followed,
            RecordSteps steps,
            RecordLists lists,
            UsableTemplates templates,
            RowLock lock,
            Clock clock) {
        this.trail = trail;
        this.systems = systems;
        this.followed = followed;
        this.steps = steps;
        this.lists = lists;
        this.templates = templates;
        this.lock = lock;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Page<RecordViews.RecordSystemItem> list(String find, String sort, int page) {
        var found = systems.find(Page.pattern(find), ORDER.page(page, sort));
        Map<UUID, RecordViews.RecordCounts> counts =
                lists.counts(found.getContent().stream().map(RecordSystem::id).toList());
        return new Page<>(
                found.getContent().stream()
                        .map(one -> new RecordViews.RecordSystemItem(
                                one.id(),
                                one.terms().title(),
                                one.terms().place().address(),
                                state(one),
                                RecordViews.counts(counts, one.id()),
                                one.fault(),
                                one.createdAt()))
                        .toList(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    @Transactional(readOnly = true)
    RecordViews.RecordSystemDetail show(UUID id) {
        return detail(system(id));
    }

    @Transactional
    RecordViews.RecordSystemDetail make(RecordTerms terms, String credential, Optional<Message> outside, String by) {
        check(terms, List.of(), credential, outside);
        trail.note(act("act.records.made", terms));
        return detail(systems.saveAndFlush(new RecordSystem(terms, credential.strip(), by, clock.instant())));
    }

    /** @param credential another one; empty for the one that it has, which goes to no other system */
    @Transactional
    RecordViews.RecordSystemDetail settle(
            UUID id, int revision, RecordTerms terms, Optional<String> credential, Optional<Message> outside) {
        RecordSystem system = open(id);
        if (system.revision() != revision) throw Refusal.conflict(Message.of("webhook.changed"));
        String with = credential(system, terms, credential);
        check(terms, List.of(system.terms().form()), with, outside);
        system.settle(terms, with, clock.instant());
        trail.note(act("act.records.settled", terms));
        followed.lookNow(id);
        systems.flush();
        return detail(system);
    }

    /** What a system is spoken to with that is being settled. */
    @Transactional(readOnly = true)
    RecordClient.Access access(UUID id, RecordTerms terms, Optional<String> credential) {
        return new RecordClient.Access(terms, credential(system(id), terms, credential));
    }

    private static String credential(RecordSystem system, RecordTerms terms, Optional<String> credential) {
        return credential
                .map(String::strip)
                .orElseGet(() -> terms.place()
                        .base()
                        .filter(system.terms().place()::isOwn)
                        .map(same -> system.credential())
                        .orElse(""));
    }

    private void check(RecordTerms terms, List<UUID> known, String credential, Optional<Message> outside) {
        Map<String, Message> faults = new LinkedHashMap<>(terms.faults());
        outside.ifPresent(fault -> faults.putIfAbsent("place.address", fault));
        if (credential.length() > LONGEST_CREDENTIAL || credential.chars().anyMatch(one -> one < 0x20 || one > 0x7e))
            faults.put("credential", Message.of("record.credential", "most", LONGEST_CREDENTIAL));
        templates
                .missing(List.of(terms.form()), known)
                .ifPresentOrElse(
                        form -> faults.put("form", Message.of("program.no-template", "template", form.toString())),
                        () -> fileName(terms, faults));
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
    }

    /** What the file's name says has to be known of each agreement. */
    private void fileName(RecordTerms terms, Map<String, Message> faults) {
        if (terms.back().file().isEmpty()
                || !templates.fillable(List.of(terms.form())).containsKey(terms.form())) return;
        new Letter(terms.back().name())
                .faults(templates.published(terms.form()).content()).stream()
                        .findFirst()
                        .ifPresent(fault -> faults.putIfAbsent("back.name", fault));
    }

    @Transactional
    RecordViews.RecordSystemDetail pause(UUID id, boolean now) {
        RecordSystem system = open(id);
        system.pause(now, clock.instant());
        if (!now) lookNow(id);
        trail.note(act(now ? "act.records.paused" : "act.records.goes-on", system.terms()));
        systems.flush();
        return detail(system);
    }

    /** Nothing is done with it any more, also of what waits. */
    @Transactional
    RecordViews.RecordSystemDetail end(UUID id) {
        RecordSystem system = lock.on(system(id));
        system.end(clock.instant());
        steps.giveUp(id);
        trail.note(act("act.records.ended", system.terms()));
        systems.flush();
        return detail(system);
    }

    /** Looks and writes now, whatever it waited for. */
    @Transactional
    RecordViews.RecordSystemDetail tryNow(UUID id) {
        open(id);
        lookNow(id);
        return detail(system(id));
    }

    private void lookNow(UUID id) {
        followed.lookNow(id);
        steps.now(id);
    }

    /** @param key of the record whose steps are tried again; empty for those of all */
    @Transactional
    RecordViews.RecordSystemDetail again(UUID id, Optional<String> key) {
        RecordSystem system = open(id);
        key.ifPresent(one -> {
            record(id, one);
            followed.wish(id, List.of(one));
        });
        steps.again(id, key);
        followed.back(id);
        return detail(system);
    }

    /** A record was changed, says its system. Which one is all that is believed. */
    @Transactional
    void told(UUID id, JsonNode notice) {
        RecordSystem system = system(id);
        if (system.endedAt().isPresent()) throw Refusal.conflict(Message.of("records.ended"));
        String pointer = system.terms().place().notice();
        if (pointer.isEmpty()) throw Refusal.conflict(Message.of("records.no-notices"));
        String key = Pointers.text(notice, pointer);
        if (!RecordClient.isKey(key)) throw Refusal.malformed(Message.of("records.no-key", "pointer", pointer));
        followed.wish(id, List.of(key));
        // who tells something is there
        followed.back(id);
    }

    @Transactional(readOnly = true)
    Page<RecordViews.RecordRow> records(UUID id, String find, RecordLists.Which which, int page) {
        return lists.list(system(id).id(), find, which, page);
    }

    @Transactional(readOnly = true)
    RecordViews.RecordDetail record(UUID id, String key) {
        return new RecordViews.RecordDetail(
                lists.one(system(id).id(), key)
                        .orElseThrow(() -> Refusal.notFound(Message.of("records.none", "key", key))),
                lists.steps(id, key));
    }

    private RecordSystem system(UUID id) {
        return systems.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("records.no-system")));
    }

    private static Message act(String act, RecordTerms terms) {
        return Message.of(act, "title", terms.title(), "address", terms.place().address());
    }

    private RecordSystem open(UUID id) {
        RecordSystem system = lock.on(system(id));
        if (system.endedAt().isPresent()) throw Refusal.conflict(Message.of("records.ended"));
        return system;
    }

    private static RecordViews.SystemState state(RecordSystem one) {
        if (one.endedAt().isPresent()) return RecordViews.SystemState.ENDED;
        return one.paused() ? RecordViews.SystemState.PAUSED : RecordViews.SystemState.ON;
    }

    private RecordViews.RecordSystemDetail detail(RecordSystem one) {
        return new RecordViews.RecordSystemDetail(
                one.id(),
                one.revision(),
                one.terms(),
                templates
                        .fillable(List.of(one.terms().form()))
                        .getOrDefault(one.terms().form(), ""),
                !one.credential().isEmpty(),
                state(one),
                RecordViews.counts(lists.counts(List.of(one.id())), one.id()),
                one.fault(),
                one.lookedAt().orElse(null),
                one.fault().isEmpty() ? null : one.waitsUntil(),
                one.createdBy(),
                one.createdAt());
    }
}
