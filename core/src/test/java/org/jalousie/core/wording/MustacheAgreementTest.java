package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import com.samskivert.mustache.Mustache;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jalousie.core.data.Value;
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
}
