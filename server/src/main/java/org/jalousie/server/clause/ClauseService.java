package org.jalousie.server.clause;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.edit.WordingEdit;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.web.DiagnosticView;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The library of clauses: Word files with versions, which templates include by name. */
@Service
class ClauseService implements ClauseLibrary {
    private static final ListOrder ORDER = new ListOrder(Map.of("name", "name", "changed", "changedAt"), "name");

    private final ClauseRows clauses;
    private final ClauseVersions versions;
    private final FileStore files;
    private final Converter converter;
    private final Clock clock;

    ClauseService(ClauseRows clauses, ClauseVersions versions, FileStore files, Converter converter, Clock clock) {
        this.clauses = clauses;
        this.versions = versions;
        this.files = files;
        this.converter = converter;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Page<ClauseViews.ClauseItem> list(String find, String sort, int page) {
        var found = clauses.find(Page.pattern(find), ORDER.page(page, sort));
        Map<UUID, ClauseVersion> newest = versions.newest(found.map(Clause::id).getContent()).stream()
                .collect(Collectors.toMap(ClauseVersion::clauseId, Function.identity()));
        return new Page<>(
                found.map(clause -> item(clause, newest.get(clause.id()))).getContent(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    /** Takes in a Word file as a new clause. */
    @Transactional
    ClauseViews.ClauseDetail bringIn(String name, byte[] file, String by) {
        if (!name.matches("[a-z][a-z0-9_]{0,60}")) {
            throw Refusal.invalid(Message.of("clause.name"), Map.of("name", Message.of("clause.name.cure")));
        }
        if (clauses.findByName(name).isPresent()) throw Refusal.conflict(Message.of("clause.taken", "name", name));
        WordFile.open(file);
        Clause clause = clauses.save(new Clause(name, clock.instant()));
        versions.save(new ClauseVersion(clause.id(), 1, files.keep(file), "", by, clock.instant()));
        return show(clause.id());
    }

    /** Takes in the next version; drafts follow it, published templates keep the one they have. */
    @Transactional
    ClauseViews.ClauseDetail bringVersion(UUID id, byte[] file, String note, String by) {
        Clause clause = clause(id);
        WordFile.open(file);
        int number = versions.findByClauseIdOrderByNumberDesc(id).get(0).number() + 1;
        versions.save(new ClauseVersion(id, number, files.keep(file), note.strip(), by, clock.instant()));
        clause.changed(clock.instant());
        return show(id);
    }

    @Transactional
    ClauseViews.ClauseDetail tidy(UUID id, String by) {
        clause(id);
        ClauseVersion newest = versions.findByClauseIdOrderByNumberDesc(id).get(0);
        WordingEdit.Edited edited = WordingEdit.tidied(WordFile.open(files.get(newest.wordFile())));
        if (edited.places() == 0) throw Refusal.conflict(Message.of("clause.nothing-tracked"));
        return bringVersion(id, edited.file().bytes(), "tracked changes accepted", by);
    }

    @Transactional(readOnly = true)
    ClauseViews.ClauseDetail show(UUID id) {
        Clause clause = clause(id);
        List<ClauseVersion> all = versions.findByClauseIdOrderByNumberDesc(id);
        Wording wording = Wording.compile(WordFile.open(files.get(all.get(0).wordFile())), Set.of());
        return new ClauseViews.ClauseDetail(
                id,
                clause.name(),
                all.stream()
                        .map(one -> new ClauseViews.ClauseVersionView(
                                one.number(), one.note(), one.createdBy(), one.createdAt()))
                        .toList(),
                wording.found().fields(),
                // parties and other clauses are known to the template only
                DiagnosticView.of(wording.diagnostics().stream()
                        .filter(one ->
                                !one.code().startsWith("clause-") && !one.code().equals("party-unknown"))
                        .toList()));
    }

    @Transactional(readOnly = true)
    byte[] wordFile(UUID id, int number) {
        return versions.findByClauseIdOrderByNumberDesc(id).stream()
                .filter(one -> one.number() == number)
                .findFirst()
                .map(one -> files.get(one.wordFile()))
                .orElseThrow(() -> Refusal.notFound(Message.of("clause.no-version", "number", number)));
    }

    byte[] pages(UUID id, int number) {
        return converter.toPdf(wordFile(id, number));
    }

    @Override
    @Transactional(readOnly = true)
    public Map<String, Sha256> newestFiles() {
        Map<String, Sha256> newest = new HashMap<>();
        versions.newestFiles().forEach(row -> newest.put((String) row[0], new Sha256((String) row[1])));
        return newest;
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<Version> version(String name, Sha256 file) {
        return clauses.findByName(name).flatMap(clause -> {
            List<ClauseVersion> all = versions.findByClauseIdOrderByNumberDesc(clause.id());
            return all.stream()
                    .filter(one -> one.wordFile().equals(file))
                    .findFirst()
                    .map(one -> new Version(
                            clause.id(),
                            one.number(),
                            all.get(0).number(),
                            one.note(),
                            one.createdBy(),
                            one.createdAt()));
        });
    }

    private static ClauseViews.ClauseItem item(Clause clause, ClauseVersion newest) {
        return new ClauseViews.ClauseItem(
                clause.id(), clause.name(), newest.number(), newest.note(), newest.createdBy(), newest.createdAt());
    }

    private Clause clause(UUID id) {
        return clauses.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("clause.none")));
    }
}
