package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/** What the merge says of each stretch that it prints. */
class StretchesTest {
    private static Value text(String words) {
        return new Value.Text(words);
    }

    /** The printed words of each stretch with what put them there, in the order in which they end. */
    private static List<String> stretches(Wording wording, Map<String, Value> values) {
        List<String> said = new ArrayList<>();
        for (Wording.PrintedPart part :
                wording.merge(values, Locale.UK, file -> new byte[0]).printed()) {
            for (Stretch one : part.stretches()) {
                String words = part.xml()
                        .substring(one.from(), one.to())
                        .replaceAll("</w:(p|tc)>", " ")
                        .replaceAll("<[^>]*>", "")
                        .replaceAll("\\s+", " ")
                        .strip();
                said.add(words + " < " + said(one.origin()));
            }
        }
        return said;
    }

    private static String said(Origin origin) {
        if (origin instanceof Origin.Datum datum)
            return (datum.list().isEmpty() ? "" : datum.list() + datum.items() + ".")
                    + datum.name()
                    + (datum.print().isEmpty() ? "" : "." + datum.print());
        if (origin instanceof Origin.Clause clause) return "clause " + clause.number();
        Origin.Printing printing = (Origin.Printing) origin;
        return "passage " + printing.number() + printing.items();
    }

    private static Wording compile(WordDraft draft) {
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        return wording;
    }

    @Test
    void valuesThatEqualOtherWordsAreToldApart() {
        Wording wording = compile(new WordDraft().paragraph("10 is {{a}} and {{b}}, {{a.upper}} is 10"));
        assertThat(stretches(wording, Map.of("a", text("10"), "b", text("10"))))
                .containsExactly("10 < a", "10 < b", "10 < a.upper");
    }

    @Test
    void whatIsEmptyPrintsNoStretch() {
        Wording wording = compile(new WordDraft().paragraph("x {{a}}, {{b}}").paragraph("{{#c}}{{a}}{{/c}}"));
        assertThat(stretches(wording, Map.of("b", text("y")))).containsExactly("y < b");
    }

    @Test
    void ofListsItIsKnownWhichItemAndWhoseName() {
        Wording wording = compile(new WordDraft()
                .table(List.of(List.of("{{#objects}}{{position}}", "{{title}} of {{owner}}{{/objects}}")), false)
                .paragraph("{{title}}"));
        Value objects = new Value.Items(List.of(Map.of("title", text("Viol")), Map.of("title", text("Viol"))));
        assertThat(stretches(wording, Map.of("objects", objects, "owner", text("Ida"), "title", text("Viol"))))
                .containsExactly(
                        "1 < objects[1].position",
                        "Viol < objects[1].title",
                        "Ida < owner",
                        "1 Viol of Ida < passage 0[1]",
                        "2 < objects[2].position",
                        "Viol < objects[2].title",
                        "Ida < owner",
                        "2 Viol of Ida < passage 0[2]",
                        "Viol < title");
    }

    @Test
    void aTableThatGoesTakesItsStretchesAlong() {
        Wording wording = compile(new WordDraft()
                .table(List.of(List.of("{{#objects}}{{title}}{{/objects}}")), false)
                .paragraph("{{a}}"));
        assertThat(stretches(wording, Map.of("a", text("x")))).containsExactly("x < a");
    }

    @Test
    void formattedTextIsOneStretchOverItsParagraphs() {
        Wording wording = compile(new WordDraft().paragraph("{{terms}}"));
        assertThat(stretches(wording, Map.of("terms", new Value.Rich("<p>First.</p><p>Second.</p>"))))
                .containsExactly("First. Second. < terms");
    }

    @Test
    void aClauseIsKnownBlockByBlockWithWhatIsInIt() {
        Clauses clauses = new Clauses(
                Map.of(
                        "care",
                        WordFile.open(new WordDraft()
                                .paragraph("Gut of {{owner}}.")
                                .paragraph("{{#abroad}}Abroad.{{/abroad}}")
                                .bytes())),
                Map.of());
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .paragraph("{{>care}}")
                        .paragraph("between")
                        .paragraph("{{>care}}")
                        .bytes()),
                Set.of(),
                clauses);
        assertThat(stretches(wording, Map.of("owner", text("Ida"), "abroad", new Value.YesNo(true))))
                .contains("Gut of Ida. < clause 0", "Abroad. < clause 0", "Gut of Ida. < clause 1")
                .contains("Ida < owner");
    }

    private static Clauses inLine(Map<String, Map<String, String>> byChoice) {
        Map<String, WordFile> files = new java.util.HashMap<>();
        Map.of(
                        "court", "the court of {{>place}}",
                        "place", "{{town}} {{#far}}overseas{{/far}}",
                        "umpire", "an umpire")
                .forEach((name, words) -> files.put(
                        name, WordFile.open(new WordDraft().paragraph(words).bytes())));
        return new Clauses(files, byChoice);
    }

    @Test
    void aClauseWithinALineIsKnownFromItsFirstLetterToItsLast() {
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .runs(List.of(
                                new WordDraft.Run("", "Before {{>court}} or {{>umpi"),
                                new WordDraft.Run("<w:b/>", "re}}, {{town}}; {{>umpire}}.")))
                        .bytes()),
                Set.of(),
                inLine(Map.of()));
        assertThat(wording.diagnostics()).isEmpty();
        assertThat(wording.inclusions())
                .extracting(Inclusion::clause)
                .containsExactlyInAnyOrder("court", "place", "umpire", "umpire");
        assertThat(stretches(wording, Map.of("town", text("Greyford"), "far", new Value.YesNo(true))))
                .hasSize(7)
                .anySatisfy(one -> assertThat(one).startsWith("the court of Greyford overseas < clause"))
                .anySatisfy(one -> assertThat(one).startsWith("Greyford overseas < clause"))
                .anySatisfy(one -> assertThat(one).startsWith("overseas < passage"))
                .contains("Greyford < town")
                .filteredOn(one -> one.startsWith("an umpire < clause"))
                .doesNotHaveDuplicates()
                .hasSize(2);
    }

    @Test
    void theClauseThatAChoiceNamesWithinALineStandsInItsCase() {
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft().paragraph("Before {{>*who}}.").bytes()),
                Set.of(),
                inLine(Map.of("who", Map.of("court", "court", "umpire", "umpire"))));
        assertThat(wording.diagnostics()).isEmpty();
        assertThat(stretches(wording, Map.of("who", text("Umpire"))))
                .hasSize(2)
                .anySatisfy(one -> assertThat(one).startsWith("an umpire < clause"))
                .anySatisfy(one -> assertThat(one).startsWith("an umpire < passage"));
    }
}
