package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The Mustache specification's cases through Word files and back; see {@code mustache/README.md} for those left out. */
class MustacheSpecificationTest {
    record Case(
            String file,
            String name,
            String template,
            Map<String, JsonNode> data,
            Map<String, String> partials,
            String expected) {}

    @TestFactory
    Stream<DynamicTest> specification() throws IOException {
        try (InputStream in = getClass().getResourceAsStream("/mustache/spec.json")) {
            List<Case> cases = JsonMapper.builder().build().readValue(in, new TypeReference<>() {});
            return cases.stream().map(one -> DynamicTest.dynamicTest(one.file + ": " + one.name, () -> check(one)));
        }
    }

    private static void check(Case one) {
        Random random = new Random(one.name.hashCode());
        Map<String, WordFile> library = new HashMap<>();
        Map<String, Map<String, String>> byChoice = new HashMap<>();
        if (one.partials != null) {
            one.partials.forEach((name, text) -> library.put(name, file(text, random)));
            // the data names the clause by its case, so every clause is a case of every name
            Map<String, String> cases = new HashMap<>();
            one.partials.keySet().forEach(name -> cases.put(Field.caseKey(name), name));
            one.data.keySet().forEach(name -> byChoice.put(name, cases));
        }
        Wording wording = Wording.compile(file(one.template, random), Set.of(), new Clauses(library, byChoice));
        assertThat(wording.diagnostics()).isEmpty();
        Map<String, Value> values = new LinkedHashMap<>();
        one.data.forEach((name, node) -> {
            if (!node.isNull()) values.put(name, value(node));
        });
        assertThat(DocxText.body(wording.merge(values, Locale.UK))).isEqualTo(one.expected);
    }

    /** Each line a paragraph, cut into random runs. */
    private static WordFile file(String text, Random random) {
        WordDraft draft = new WordDraft();
        for (String line : text.split("\n", -1)) {
            List<WordDraft.Run> runs = new ArrayList<>();
            for (int at = 0; at < line.length(); ) {
                int to = Math.min(line.length(), at + 1 + random.nextInt(7));
                runs.add(new WordDraft.Run("", line.substring(at, to)));
                at = to;
            }
            draft.runs(runs);
        }
        return WordFile.open(draft.bytes());
    }

    private static Value value(JsonNode node) {
        if (node.isBoolean()) return new Value.YesNo(node.booleanValue());
        if (node.isNumber()) return new Value.Amount(new BigDecimal(node.asString()));
        if (node.isString()) return new Value.Text(node.stringValue());
        List<Map<String, Value>> items = new ArrayList<>();
        if (node.isObject()) items.add(members(node));
        else node.forEach(one -> items.add(one.isObject() ? members(one) : Map.of(".", value(one))));
        return new Value.Items(items);
    }

    private static Map<String, Value> members(JsonNode node) {
        Map<String, Value> members = new LinkedHashMap<>();
        node.properties().forEach(one -> members.put(one.getKey(), value(one.getValue())));
        return members;
    }
}
