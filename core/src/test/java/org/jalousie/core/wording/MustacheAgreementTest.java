package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import com.samskivert.mustache.Mustache;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/**
 * Merged text against a reference library for the Mustache specification (com.samskivert:jmustache 1.16), on the same
 * template and data, with the template cut into random runs as word processors do.
 */
class MustacheAgreementTest {
    private static final String[] NAMES = {"lender", "value", "place", "title"};
    private static final String[] RULES = {"abroad", "insured"};

    @Test
    void aMergedParagraphReadsAsTheReferenceLibraryWritesIt() {
        Random random = new Random(7);
        for (int i = 0; i < 400; i++) {
            String template = "x" + template(random, 3) + "x";
            Map<String, Value> values = new HashMap<>();
            Map<String, Object> reference = new HashMap<>();
            for (String name : NAMES) {
                String text = "v" + random.nextInt(1000) + (random.nextBoolean() ? " & <b>" : "");
                values.put(name, new Value.Text(text));
                reference.put(name, text);
            }
            for (String rule : RULES) {
                boolean yes = random.nextBoolean();
                values.put(rule, new Value.YesNo(yes));
                reference.put(rule, yes);
            }
            String expected =
                    Mustache.compiler().escapeHTML(false).compile(template).execute(reference);
            int[] cuts = random.ints(random.nextInt(8), 0, template.length()).toArray();
            Wording wording = Wording.compile(
                    WordFile.open(DocxText.cutIntoRuns(template, cuts).bytes()), Set.of());
            assertThat(wording.diagnostics()).as(template).isEmpty();
            assertThat(DocxText.body(wording.merge(values, Locale.UK)))
                    .as(template)
                    .isEqualTo(expected);
        }
    }

    private static String template(Random random, int depth) {
        StringBuilder out = new StringBuilder();
        int parts = 1 + random.nextInt(4);
        for (int i = 0; i < parts; i++) {
            switch (random.nextInt(depth > 0 ? 5 : 4)) {
                case 0 -> out.append(" words, ").append(random.nextInt(10)).append(". ");
                case 1 -> out.append("{{").append(pick(random, NAMES)).append("}}");
                case 2 -> out.append("{{ & ").append(pick(random, NAMES)).append(" }}");
                case 3 -> out.append("{{! a note }}-");
                default -> {
                    String rule = pick(random, RULES);
                    out.append(random.nextBoolean() ? "{{#" : "{{^")
                            .append(rule)
                            .append("}}")
                            .append(template(random, depth - 1))
                            .append("{{/")
                            .append(rule)
                            .append("}}");
                }
            }
        }
        return out.toString();
    }

    private static String pick(Random random, String[] from) {
        return from[random.nextInt(from.length)];
    }

    // Mustache specification, delimiters.yml "Pair Behavior" and "Special Characters", here from memory
    @Test
    void otherDelimitersWorkFromWhereTheyAreSet() {
        String template = "({{lender}}{{=<% %>=}}<%lender%>{{lender}}<%={{ }}=%>{{lender}})";
        String expected =
                Mustache.compiler().escapeHTML(false).compile(template).execute(Map.of("lender", "Ida"));
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft().paragraph(template).bytes()), Set.of());
        assertThat(DocxText.body(wording.merge(Map.of("lender", new Value.Text("Ida")), Locale.UK)))
                .isEqualTo(expected)
                .isEqualTo("(IdaIda{{lender}}Ida)");
    }

    /** Lists within lists, and sections that stand on lines of their own, against the same library. */
    @Test
    void listsAndLinesOfTheirOwnReadAsTheReferenceLibraryWritesThem() {
        Random random = new Random(17);
        for (int i = 0; i < 250; i++) {
            List<Map<String, Object>> reference = new ArrayList<>();
            List<Map<String, Value>> items = new ArrayList<>();
            for (int k = random.nextInt(4); k > 0; k--) items.add(item(random, reference));
            boolean own = random.nextBoolean();
            String body = "- {{name}}" + (random.nextBoolean() ? " of {{house}}" : "")
                    + "{{#fragile}}, fragile{{/fragile}}{{^fragile}}, sound{{/fragile}}{{#parts}} +{{part}}{{/parts}}";
            String template = own
                    ? "first\n{{#items}}\n" + body + "\n{{/items}}\n{{^items}}\nnone\n{{/items}}\nlast"
                    : "first {{#items}}" + body + ";{{/items}}{{^items}}none{{/items}} last";
            String expected = Mustache.compiler()
                    .escapeHTML(false)
                    .compile(template)
                    .execute(Map.of("items", reference, "house", "the museum"));
            WordDraft draft = new WordDraft();
            for (String line : template.split("\n")) {
                List<WordDraft.Run> runs = new ArrayList<>();
                for (int at = 0; at < line.length(); ) {
                    int to = Math.min(line.length(), at + 1 + random.nextInt(6));
                    runs.add(new WordDraft.Run("", line.substring(at, to)));
                    at = to;
                }
                draft.runs(runs);
            }
            Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
            assertThat(DocxText.body(wording.merge(
                            Map.of("items", new Value.Items(items), "house", new Value.Text("the museum")), Locale.UK)))
                    .as(template)
                    .isEqualTo(expected);
        }
    }

    private static Map<String, Value> item(Random random, List<Map<String, Object>> reference) {
        Map<String, Value> item = new HashMap<>();
        Map<String, Object> same = new HashMap<>();
        String name = "object " + random.nextInt(100);
        boolean fragile = random.nextBoolean();
        List<Map<String, Value>> parts = new ArrayList<>();
        List<Map<String, Object>> sameParts = new ArrayList<>();
        for (int k = random.nextInt(3); k > 0; k--) {
            String part = "p" + random.nextInt(9);
            parts.add(Map.of("part", new Value.Text(part)));
            sameParts.add(Map.of("part", part));
        }
        item.put("name", new Value.Text(name));
        item.put("fragile", new Value.YesNo(fragile));
        item.put("parts", new Value.Items(parts));
        same.put("name", name);
        same.put("fragile", fragile);
        same.put("parts", sameParts);
        reference.add(same);
        return item;
    }
}
