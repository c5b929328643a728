package org.jalousie.server.archive.filing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.FilingRule;
import org.jalousie.core.filing.FilingTerms;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.agreement.AgreementsAsked;
import org.jalousie.server.agreement.EndedAgreements;
import org.jalousie.server.template.TemplateColumns;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.trail.Trail;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The places to which agreements are filed, as the office settles them. */
@Service
class FilingService {
    private static final int PREVIEWED = 5;

    private final Trail trail;
    private final Targets targets;
    private final Filings filings;
    private final FilingDoors doors;
    private final FilingPlan plans;
    private final Agreements agreements;
    private final EndedAgreements ended;
    private final TemplateColumns templates;
    private final UsableTemplates usable;

    FilingService(
            Trail trail,
            Targets targets,
            Filings filings,
            FilingDoors doors,
            FilingPlan plans,
            Agreements agreements,
            EndedAgreements ended,
            TemplateColumns templates,
            UsableTemplates usable) {
        this.trail = trail;
        this.targets = targets;
        this.filings = filings;
        this.doors = doors;
        this.plans = plans;
        this.agreements = agreements;
        this.ended = ended;
        this.templates = templates;
        this.usable = usable;
    }

    /**
     * A place to file to.
     *
     * @param hasPassword whether one is kept
     * @param fault why nothing can be filed there just now; empty when it can
     * @param waitsUntil when it is tried again; null when it needn't wait
     */
    record FilingTargetView(
            UUID id,
            int revision,
            FilingTerms terms,
            boolean hasPassword,
            boolean paused,
            String fault,
            @Schema(types = {"string", "null"}) Instant waitsUntil,
            boolean gathering,
            long waiting,
            long filed,
            long failed) {}

    /** @param folders in which a folder has to lie that is filed to */
    record FilingTargets(List<FilingTargetView> targets, List<String> folders) {}

    @Transactional(readOnly = true)
    public FilingTargets list() {
        return new FilingTargets(targets.all().stream().map(this::view).toList(), doors.folders());
    }

    private FilingTargetView view(Targets.Target target) {
        Map<Filings.State, Long> counts = filings.counts(target.id());
        return new FilingTargetView(
                target.id(),
                target.revision(),
                target.terms(),
                !target.credential().isEmpty(),
                target.paused(),
                target.fault(),
                target.waitsUntil().orElse(null),
                target.gathering(),
                counts.getOrDefault(Filings.State.WAITING, 0L),
                counts.getOrDefault(Filings.State.FILED, 0L),
                counts.getOrDefault(Filings.State.FAILED, 0L));
    }

    /** What keeps terms from being kept. Names are looked up for it, which may take a while: not in a transaction. */
    Map<String, Message> faults(FilingTerms terms) {
        Map<String, Message> faults = new LinkedHashMap<>(terms.faults());
        if (!faults.containsKey("address")) doors.refusal(terms).ifPresent(said -> faults.put("address", said));
        return faults;
    }

    private void require(FilingTerms terms, Map<String, Message> faults) {
        List<UUID> named = new ArrayList<>(terms.templates());
        terms.rules().forEach(one -> named.add(one.template()));
        Map<String, Message> all = new LinkedHashMap<>(faults);
        if (!templates.names(named).keySet().containsAll(named)) all.put("templates", Message.of("template.none"));
        else unknown(terms, all);
        if (!all.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", all.size()), all);
    }

    /** A name that no agreement has anything by is a slip, which would be left out of every path. */
    private void unknown(FilingTerms terms, Map<String, Message> faults) {
        List<UUID> all = terms.templates().isEmpty()
                ? usable.inUse().stream().map(usable::templateOf).toList()
                : terms.templates();
        unknown(terms.usual(), "usual.", all, faults);
        for (int i = 0; i < terms.rules().size(); i++)
            unknown(
                    terms.rules().get(i).rule(),
                    "rules." + i + ".",
                    List.of(terms.rules().get(i).template()),
                    faults);
    }

    private void unknown(FilingRule rule, String place, List<UUID> of, Map<String, Message> faults) {
        // where no template is in use nothing can be said
        if (of.isEmpty()) return;
        Set<String> known = new HashSet<>(FilingRule.ALWAYS);
        of.forEach(template ->
                templates.offered(template).forEach(one -> known.add(one.key().value())));
        rule.names()
                .forEach((at, names) -> names.stream()
                        .filter(name -> !known.contains(name))
                        .findFirst()
                        .ifPresent(name ->
                                faults.putIfAbsent(place + at, Message.of("filing.unknown-name", "name", name))));
    }

    @Transactional
    public FilingTargetView make(FilingTerms terms, String password, Map<String, Message> faults, SignedIn by) {
        require(terms, faults);
        targets.betweenCompletions();
        UUID id = UUID.randomUUID();
        targets.add(id, terms, plain(password), by.displayName());
        trail.note(act("act.filing.made", terms));
        return view(target(id));
    }

    /** @param password null for the one that is kept */
    @Transactional
    public FilingTargetView settle(
            UUID id, int revision, FilingTerms terms, Optional<String> password, Map<String, Message> faults) {
        targets.betweenCompletions();
        Targets.Target target = held(id);
        if (target.revision() != revision) throw Refusal.conflict(Message.of("filing.changed"));
        require(terms, faults);
        // a password that was kept for one address is told to no other
        boolean elsewhere = !target.terms().address().equals(terms.address())
                || !target.terms().user().equals(terms.user());
        targets.settle(id, terms, password.map(FilingService::plain).orElse(elsewhere ? "" : target.credential()));
        trail.note(act("act.filing.settled", terms));
        // at another place there is nothing yet, and its index says so
        if (elsewhere || target.terms().kind() != terms.kind()) filings.anew(id);
        return view(target(id));
    }

    private static String plain(String password) {
        return password == null ? "" : password.replace("\0", "");
    }

    private static Message act(String act, FilingTerms terms) {
        return Message.of(act, "title", terms.title(), "address", terms.address());
    }

    @Transactional
    public FilingTargetView pause(UUID id, boolean now) {
        trail.note(act(now ? "act.filing.paused" : "act.filing.goes-on", held(id).terms()));
        targets.pause(id, now);
        if (!now) targets.answers(id);
        return view(target(id));
    }

    /** Tries now again what failed, and a place that didn't answer. */
    @Transactional
    public FilingTargetView again(UUID id, boolean everything) {
        held(id);
        if (everything) filings.everything(id);
        else filings.again(id);
        targets.answers(id);
        return view(target(id));
    }

    @Transactional
    public void remove(UUID id) {
        trail.note(act("act.filing.removed", held(id).terms()));
        targets.remove(id);
    }

    private Targets.Target target(UUID id) {
        return targets.find(id).orElseThrow(() -> Refusal.notFound(Message.of("filing.none")));
    }

    private Targets.Target held(UUID id) {
        return targets.held(id).orElseThrow(() -> Refusal.notFound(Message.of("filing.none")));
    }

    /** An agreement at a place. @param paths where its files are, or belong */
    record FilingRow(AgreementNumber number, Filings.State state, String fault, List<String> paths) {}

    @Transactional(readOnly = true)
    public Page<FilingRow> rows(UUID id, Filings.State state, int page) {
        target(id);
        Page<Filings.Row> found = filings.list(id, state, page);
        Map<UUID, AgreementNumber> numbers = agreements.numbersOf(
                found.items().stream().map(Filings.Row::agreement).toList());
        return new Page<>(
                found.items().stream()
                        .map(one -> new FilingRow(numbers.get(one.agreement()), one.state(), one.fault(), one.paths()))
                        .toList(),
                found.total(),
                found.page(),
                found.size());
    }

    /** Where some of the agreements that were completed last would go. Nothing is filed, and no place is looked at. */
    @Transactional(readOnly = true)
    public List<FilingRow> preview(FilingTerms terms) {
        Map<String, Message> faults = new LinkedHashMap<>(terms.faults());
        faults.keySet().removeIf(place -> !place.startsWith("usual.") && !place.startsWith("rules."));
        if (faults.isEmpty()) unknown(terms, faults);
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        List<FilingRow> rows = new ArrayList<>();
        List<UUID> wanted = new ArrayList<>(terms.templates());
        terms.rules().forEach(one -> wanted.add(one.template()));
        if (wanted.isEmpty() || terms.templates().isEmpty()) wanted.add(null);
        for (UUID template : wanted.stream().limit(PREVIEWED).toList())
            for (AgreementViews.AgreementItem item : ended
                    .list(
                            new AgreementsAsked(
                                    Set.of(State.COMPLETED),
                                    "",
                                    Optional.ofNullable(template),
                                    Optional.empty(),
                                    Optional.empty(),
                                    List.of()),
                            ListPlace.of("", 0, "", ""),
                            List.of())
                    .items()
                    .stream()
                    .limit(wanted.size() > 1 ? 2 : PREVIEWED)
                    .toList())
                if (rows.stream().noneMatch(row -> row.number().equals(item.number())))
                    rows.add(previewed(terms, item.number(), rows));
        return rows;
    }

    private FilingRow previewed(FilingTerms terms, AgreementNumber number, List<FilingRow> before) {
        List<String> taken = before.stream()
                .flatMap(row -> row.paths().stream())
                .map(FilingRule::key)
                .toList();
        List<String> paths = plans.of(terms, agreements.idOf(number))
                .settled(wanted -> wanted.stream().map(FilingRule::key).noneMatch(taken::contains));
        return new FilingRow(number, Filings.State.WAITING, "", paths);
    }
}
