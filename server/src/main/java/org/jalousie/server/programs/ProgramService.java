package org.jalousie.server.programs;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.ProgramTerms;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.trail.Trail;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Other programs that the office lets in: what they may do, and their keys. */
@Service
class ProgramService {
    private static final ListOrder ORDER = new ListOrder(Map.of("title", "title", "changed", "changedAt"), "title");
    private static final int MOST_KEYS = 10;
    private static final int MOST_HOURS = 24 * 90;

    private final Trail trail;
    private final Programs programs;
    private final ProgramKeys keys;
    private final ProgramUses uses;
    private final UsableTemplates templates;
    private final RowLock lock;
    private final Clock clock;

    ProgramService(
            Trail trail,
            Programs programs,
            ProgramKeys keys,
            ProgramUses uses,
            UsableTemplates templates,
            RowLock lock,
            Clock clock) {
        this.trail = trail;
        this.programs = programs;
        this.keys = keys;
        this.uses = uses;
        this.templates = templates;
        this.lock = lock;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Page<ProgramViews.ProgramItem> list(String find, String sort, int page) {
        var found = programs.find(Page.pattern(find), ORDER.page(page, sort));
        Map<UUID, List<ProgramKeys.Key>> all =
                keys.of(found.getContent().stream().map(Program::id).toList());
        return new Page<>(
                found.getContent().stream()
                        .map(one -> item(one, all.getOrDefault(one.id(), List.of())))
                        .toList(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    private ProgramViews.ProgramItem item(Program one, List<ProgramKeys.Key> own) {
        Instant now = clock.instant();
        return new ProgramViews.ProgramItem(
                one.id(),
                one.terms().title(),
                (int) own.stream().filter(key -> key.holds(now)).count(),
                one.endedAt().orElse(null),
                own.stream()
                        .flatMap(key -> key.lastUsedAt().stream())
                        .max(Comparator.naturalOrder())
                        .orElse(null),
                one.createdBy(),
                one.createdAt());
    }

    @Transactional(readOnly = true)
    ProgramViews.ProgramDetail show(UUID id) {
        return detail(program(id));
    }

    @Transactional
    ProgramViews.ProgramDetail letIn(ProgramTerms terms, SignedIn by) {
        check(terms, List.of(), by);
        trail.note(Message.of("act.programs.let-in", "title", terms.title(), "scopes", scopes(terms)));
        return detail(programs.saveAndFlush(new Program(terms, by.displayName(), clock.instant())));
    }

    @Transactional
    ProgramViews.ProgramDetail settle(UUID id, int revision, ProgramTerms terms, SignedIn by) {
        Program program = lock.on(program(id));
        if (program.revision() != revision) throw Refusal.conflict(Message.of("program.changed"));
        requireLetIn(program);
        check(terms, program.terms().forms(), by);
        program.settle(terms, clock.instant());
        trail.note(Message.of("act.programs.settled", "title", terms.title(), "scopes", scopes(terms)));
        programs.flush();
        return detail(program);
    }

    /** @param known forms that it has already: one that can't be filled any more may stay */
    private void check(ProgramTerms terms, List<UUID> known, SignedIn by) {
        Map<String, Message> faults = new LinkedHashMap<>(terms.faults());
        templates
                .missing(terms.forms(), known)
                .ifPresent(form -> faults.put("forms", Message.of("program.no-template", "template", form.toString())));
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        requireWithin(terms, by);
    }

    /** A program can't give another, or itself, what it hasn't. */
    private void requireWithin(ProgramTerms terms, SignedIn by) {
        Optional<ProgramTerms> own =
                by.asProgram().map(program -> program(program.id()).terms());
        if (own.filter(mine -> !terms.within(mine)).isPresent())
            throw Refusal.of(Refusal.Kind.NOT_ALLOWED, Message.of("program.more-than-own"));
    }

    private static String scopes(ProgramTerms terms) {
        return terms.scopes().stream().map(Object::toString).sorted().collect(Collectors.joining(" "));
    }

    /** It isn't let in any more, with none of its keys. */
    @Transactional
    ProgramViews.ProgramDetail end(UUID id) {
        Program program = lock.on(program(id));
        program.end(clock.instant());
        trail.note(Message.of("act.programs.ended", "title", program.terms().title()));
        programs.flush();
        return detail(program);
    }

    /** @param othersEndIn hours after which its other keys of this kind end; empty when they stay */
    @Transactional
    ProgramViews.FreshKey makeKey(UUID id, ProgramKeys.Kind kind, Optional<Integer> othersEndIn, SignedIn by) {
        Program program = lock.on(program(id));
        requireLetIn(program);
        requireWithin(program.terms(), by);
        int hours = othersEndIn.orElse(0);
        if (hours < 0 || hours > MOST_HOURS) throw Refusal.malformed(Message.of("key.hours", "most", MOST_HOURS));
        Instant now = clock.instant();
        long holding = keys.of(List.of(id)).getOrDefault(id, List.of()).stream()
                .filter(key -> key.holds(now))
                .count();
        if (holding >= MOST_KEYS) throw Refusal.conflict(Message.of("program.many-keys", "most", MOST_KEYS));
        ProgramKeys.Fresh fresh = keys.make(id, kind, by.displayName());
        if (othersEndIn.isPresent()) keys.end(id, kind, fresh.id(), now.plus(Duration.ofHours(hours)));
        trail.note(Message.of("act.programs.key", "title", program.terms().title()));
        return new ProgramViews.FreshKey(fresh.id(), fresh.secret(), detail(program));
    }

    /** Ends a key now; ended before, it stays so. */
    @Transactional
    ProgramViews.ProgramDetail endKey(UUID id, UUID key) {
        Program program = lock.on(program(id));
        if (!keys.end(id, key)) throw Refusal.notFound(Message.of("program.no-key"));
        trail.note(Message.of("act.programs.key-ended", "title", program.terms().title()));
        return detail(program);
    }

    @Transactional(readOnly = true)
    Page<ProgramUses.ProgramUse> uses(UUID id, int page) {
        return uses.list(program(id).id(), page);
    }

    private Program program(UUID id) {
        return programs.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("program.none")));
    }

    private static void requireLetIn(Program program) {
        if (program.endedAt().isPresent()) throw Refusal.conflict(Message.of("program.ended"));
    }

    private ProgramViews.ProgramDetail detail(Program one) {
        Instant now = clock.instant();
        return new ProgramViews.ProgramDetail(
                one.id(),
                one.revision(),
                one.terms(),
                one.endedAt().orElse(null),
                one.createdBy(),
                one.createdAt(),
                keys.of(List.of(one.id())).getOrDefault(one.id(), List.of()).stream()
                        .map(key -> new ProgramViews.ProgramKey(
                                key.id(),
                                key.kind(),
                                key.ending(),
                                key.createdBy(),
                                key.createdAt(),
                                key.endsAt().orElse(null),
                                key.lastUsedAt().orElse(null),
                                key.holds(now) && one.endedAt().isEmpty()))
                        .toList());
    }
}
