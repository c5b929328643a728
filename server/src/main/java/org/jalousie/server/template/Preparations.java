package org.jalousie.server.template;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.AnswersTable;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.clause.ClauseLibrary;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** Wordings and rules made ready once and kept: compiling takes longer than merging. */
@Component
class Preparations {
    private static final int KEPT = 60;

    /** What compiled wordings may hold in memory together, in bytes. */
    static final long MOST_HELD = 250L * 1024 * 1024;

    /** A compiled wording holds its XML as text; that is some twenty times the packed file. (measured: 12 to 25) */
    private static final int HELD_PER_BYTE = 20;

    private final FileStore files;
    private final ClauseLibrary clauses;
    private final Cache<String, Kept> wordings = Caffeine.newBuilder()
            .maximumWeight(MOST_HELD)
            .weigher((String key, Kept kept) -> kept.weight())
            .build();
    private final Cache<String, RuleSet> ruleSets =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    /** A compiled wording with roughly how many bytes it holds in memory. */
    record Kept(String name, Wording wording, int weight) {
        /** Whether it prints all answers, so that it is another one when the form asks otherwise. */
        boolean ofAnswers() {
            return wording.inclusions().stream().anyMatch(one -> one.clause().equals(Clauses.ANSWERS));
        }
    }

    Preparations(FileStore files, ClauseLibrary clauses) {
        this.files = files;
        this.clauses = clauses;
    }

    /** All wordings of a version. */
    Wordings wordings(TemplateVersion version) {
        return wordings(version.wordFile(), version.content());
    }

    /** @param own the Word file of the template's first wording */
    Wordings wordings(Sha256 own, TemplateContent content) {
        return Wordings.of(own, content, file -> wording(file, content));
    }

    Wording wording(Sha256 wordFile, TemplateContent content) {
        return kept(wordFile, content).wording();
    }

    /** The settings with what the wordings ask for; a party that one of them names is known in all. */
    TemplateContent renewed(Sha256 own, TemplateContent content) {
        TemplateContent renewed = Proposal.renewed(wordings(own, content).found(), content);
        return renewed.parties().equals(content.parties())
                ? renewed
                : Proposal.renewed(wordings(own, renewed).found(), renewed);
    }

    Kept kept(Sha256 wordFile, TemplateContent content) {
        Map<String, Sha256> library = clauseFiles(content);
        Set<PartyKey> parties =
                content.parties().stream().map(Party::key).collect(Collectors.toCollection(TreeSet::new));
        Set<String> fields = content.fields().stream()
                .map(field -> field.name().value())
                .collect(Collectors.toCollection(TreeSet::new));
        String key = wordFile.hex()
                + parties
                + fields
                + new TreeMap<>(library)
                + Json.canonical(content.choices())
                + Json.canonical(content.signingFields());
        Kept known = wordings.getIfPresent(key);
        if (known != null && !known.ofAnswers()) return known;
        String ofForm = key + Json.canonical(content.fields()) + Json.canonical(content.layout());
        Kept knownOfForm = known == null ? null : wordings.getIfPresent(ofForm);
        if (knownOfForm != null) return knownOfForm;
        // outside of any lock: two compiling the same at once does no harm
        byte[] file = files.get(wordFile);
        Wording wording = Wording.compile(
                WordFile.open(file), parties, fields, content.signingFields(), clauses(library, content));
        Kept kept = new Kept(key, wording, (int) Math.min(Integer.MAX_VALUE, (long) file.length * HELD_PER_BYTE));
        wordings.put(key, kept);
        if (kept.ofAnswers()) wordings.put(ofForm, kept);
        return kept;
    }

    /** The files that includes mean: those held by a published version, else the library's newest. */
    Map<String, Sha256> clauseFiles(TemplateContent content) {
        return content.clauses().isEmpty() ? clauses.newestFiles() : content.clauses();
    }

    private Clauses clauses(Map<String, Sha256> library, TemplateContent content) {
        Map<String, WordFile> opened = new HashMap<>();
        library.forEach((name, file) -> opened.put(name, WordFile.open(files.get(file))));
        AnswersTable.of(content).ifPresent(table -> opened.put(Clauses.ANSWERS, table));
        Map<String, Map<String, String>> byChoice = new HashMap<>();
        for (CaseChoice choice : content.choices()) {
            Map<String, String> cases = new LinkedHashMap<>();
            choice.cases().stream()
                    .filter(one -> !one.clause().isEmpty())
                    .forEach(one -> cases.put(one.key(), one.clause()));
            byChoice.put(choice.name(), cases);
        }
        return new Clauses(opened, byChoice);
    }

    RuleSet rules(TemplateContent content) {
        return ruleSets.get(
                Json.canonical(
                        Map.of("fields", content.fields(), "rules", content.rules(), "choices", content.choices())),
                key -> RuleSet.compile(BuiltIn.and(content.fields()), content.rules(), content.choices()));
    }
}
