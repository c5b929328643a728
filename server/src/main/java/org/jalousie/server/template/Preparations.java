package org.jalousie.server.template;

import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.evidence.Json;
import org.jalousie.core.parties.Party;
import org.jalousie.core.rules.Choice;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.clause.ClauseService;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** Wordings and rules made ready once and kept: compiling takes longer than merging. */
@Component
class Preparations {
    private static final int KEPT = 60;

    private final FileStore files;
    private final ClauseService clauses;
    private final Map<String, Wording> wordings = recent();
    private final Map<String, RuleSet> ruleSets = recent();

    Preparations(FileStore files, ClauseService clauses) {
        this.files = files;
        this.clauses = clauses;
    }

    private static <T> Map<String, T> recent() {
        return Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<String, T> eldest) {
                return size() > KEPT;
            }
        });
    }

    Wording wording(String wordFile, TemplateContent content) {
        Map<String, String> library = clauseFiles(content);
        Set<String> parties = content.parties().stream().map(Party::key).collect(Collectors.toCollection(TreeSet::new));
        Set<String> fields = content.fields().stream().map(Field::name).collect(Collectors.toCollection(TreeSet::new));
        String key = wordFile + parties + fields + new TreeMap<>(library) + Json.canonical(content.choices());
        Wording known = wordings.get(key);
        if (known != null) return known;
        // outside of any lock: two compiling the same at once does no harm
        Wording wording =
                Wording.compile(WordFile.open(files.get(wordFile)), parties, fields, clauses(library, content));
        wordings.put(key, wording);
        return wording;
    }

    /** The files that includes mean: those held by a published version, else the library's newest. */
    Map<String, String> clauseFiles(TemplateContent content) {
        return content.clauses().isEmpty() ? clauses.newestFiles() : content.clauses();
    }

    private Clauses clauses(Map<String, String> library, TemplateContent content) {
        Map<String, WordFile> opened = new HashMap<>();
        library.forEach((name, file) -> opened.put(name, WordFile.open(files.get(file))));
        Map<String, Map<String, String>> byChoice = new HashMap<>();
        for (Choice choice : content.choices()) {
            Map<String, String> cases = new LinkedHashMap<>();
            choice.cases().stream()
                    .filter(one -> !one.clause().isEmpty())
                    .forEach(one -> cases.put(one.key(), one.clause()));
            byChoice.put(choice.name(), cases);
        }
        return new Clauses(opened, byChoice);
    }

    RuleSet rules(TemplateContent content) {
        return ruleSets.computeIfAbsent(
                Json.canonical(
                        Map.of("fields", content.fields(), "rules", content.rules(), "choices", content.choices())),
                key -> RuleSet.compile(BuiltIn.and(content.fields()), content.rules(), content.choices()));
    }
}
