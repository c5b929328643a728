package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Value;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.provenance.Provenance;
import org.jalousie.core.wording.AwkwardFiles;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.Origin;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Where values stand on the pages, against poppler ({@code pdftotext -bbox-layout}): files of several producers are merged with
 * values that stand nowhere else, so that a search finds them, and once more with one value for all of them. The figures of
 * both are equally wide, so that all stands where it stood.
 */
class ProvenanceTest {
    private static final Converter CONVERTER = Testbed.start().bean(Converter.class);
    private static final double POINTS = 0.5;

    /** Some figures stand closer to each other than others; a wrong place would be ten times further off. */
    private static final double KERNING = 3;

    /** What the word processor repeats by itself is a result of its own, and none of the wording's values. */
    private static final Set<String> REFERENCES =
            Set.of("a bookmark of the name that a copy would get", "a reference within each item");

    /** A file with its tags. */
    record Sample(String name, byte[] file) {
        @Override
        public String toString() {
            return name;
        }
    }

    private record Run(List<PrintedPlace> places, byte[] pdf) {}

    /** A word as poppler sees it, from the page's bottom as in the PDF. */
    private record Box(int page, double left, double top, double right, double bottom, String words) {}

    static List<Sample> samples() throws IOException {
        List<Sample> samples = new ArrayList<>();
        samples.add(new Sample("written here", written()));
        for (String name : ProducedFilesTest.names())
            samples.add(new Sample("of Apache POI: " + name, ProducedFilesTest.made(name, false)));
        for (String name : List.of("javascript", "libreoffice", "pandoc")) {
            try (InputStream in = AwkwardFiles.class.getResourceAsStream("/producers/" + name + ".docx")) {
                samples.add(new Sample("of " + name, in.readAllBytes()));
            }
        }
        for (AwkwardFiles.Case one : AwkwardFiles.all())
            if (one.codes().isEmpty() && !REFERENCES.contains(one.name()))
                samples.add(new Sample("awkward: " + one.name(), one.template()));
        return samples;
    }

    private static byte[] written() {
        return new WordDraft()
                .header("Museum, loan {{number}}")
                .title("Agreement {{number}} with {{lender_name}}")
                .paragraph(
                        "Between {{lender_name}} and 22222222, {{lender_name}} being the lender, for {{number}} days.")
                .clause("First {{number}}")
                .clause("{{#abroad}}They cross {{border}} a border.{{/abroad}} And {{courier}}")
                .table(
                        List.of(
                                List.of("No", "What"),
                                List.of("{{#objects}}{{position}}", "{{title}} {{worth}}{{/objects}}")),
                        true)
                .paragraph("22222222 {{courier}}22222222")
                .bytes();
    }

    @ParameterizedTest
    @MethodSource("samples")
    void everyValueIsFoundAndNothingElseIsTakenForIt(Sample sample) throws IOException {
        Wording wording = Wording.compile(WordFile.open(sample.file), Set.of());
        Map<String, String> codes = new LinkedHashMap<>();
        Run different = run(wording, codes, false);
        List<Box> words = words(different.pdf);
        codes.forEach((name, code) -> {
            List<Box> wanted =
                    words.stream().filter(word -> word.words.contains(code)).toList();
            List<PrintedPlace> found = different.places.stream()
                    .filter(place -> place.origin() instanceof Origin.Datum datum
                            && code(datum).equals(name))
                    .toList();
            assertThat(found.size())
                    .as(name + " " + code + ": " + found + " for " + wanted)
                    .isEqualTo(count(wanted, code));
            for (Box box : wanted) {
                assertThat(found).as(name + " at " + box).anySatisfy(place -> {
                    assertThat(place.page()).isEqualTo(box.page);
                    assertThat(place.y()).isCloseTo(box.bottom, within(POINTS));
                    assertThat(place.y() + place.height()).isCloseTo(box.top, within(POINTS));
                    assertThat(place.x()).isBetween(box.left - POINTS, box.right + POINTS);
                    assertThat(place.x() + place.width()).isBetween(box.left - POINTS, box.right + POINTS);
                    if (box.words.equals(code)) {
                        assertThat(place.width())
                                .isBetween(box.right - box.left - 2 * POINTS, box.right - box.left + 2 * POINTS);
                    }
                });
            }
        });
        Run alike = run(wording, new LinkedHashMap<>(), true);
        assertThat(alike.places).as("with one value for all").hasSameSizeAs(different.places);
        for (int i = 0; i < alike.places.size(); i++) {
            PrintedPlace one = alike.places.get(i);
            PrintedPlace other = different.places.get(i);
            assertThat(one.origin()).isEqualTo(other.origin());
            assertThat(one.page()).isEqualTo(other.page());
            assertThat(one.x()).as(one + " and " + other).isCloseTo(other.x(), within(KERNING));
            assertThat(one.width()).isCloseTo(other.width(), within(KERNING));
        }
    }

    @Test
    void inEveryDirectionAndScript() throws IOException {
        Map<String, String> names = new LinkedHashMap<>();
        names.put("greek", "\u0393\u03b9\u03ce\u03c1\u03b3\u03bf\u03c2");
        names.put("hebrew", "\u05e9\u05dc\u05d5\u05dd \u05e2\u05d5\u05dc\u05dd");
        names.put("arabic", "\u0645\u062d\u0645\u062f");
        names.put("hindi", "\u0915\u094d\u0937\u0947\u0924\u094d\u0930");
        names.put("chinese", "\u674e\u660e");
        names.put("polish", "\u0141ukasz \u014cta-Nguy\u1ec5n");
        StringBuilder line = new StringBuilder("from");
        names.keySet().forEach(name -> line.append(" x {{").append(name).append("}}"));
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft().paragraph(line + " x").bytes()), Set.of());
        Map<String, Value> values = new HashMap<>();
        names.forEach((name, words) -> values.put(name, new Value.Text(words)));
        Wording.Merged merged = wording.merge(values, Locale.UK, file -> new byte[0]);
        byte[] pdf = CONVERTER.toPdf(merged.file());
        List<PrintedPlace> places = Provenance.of(merged.printed(), pdf);
        // between each two bars is one value and nothing else: poppler says where the bars are, and where words between
        // them are
        List<Box> words = words(pdf);
        List<Box> between = new ArrayList<>();
        List<Box> open = new ArrayList<>();
        for (Box word : words.subList(1, words.size())) {
            if (!word.words.equals("x")) {
                open.add(word);
                continue;
            }
            if (!open.isEmpty())
                between.add(new Box(
                        1,
                        open.stream().mapToDouble(Box::left).min().orElseThrow(),
                        0,
                        open.stream().mapToDouble(Box::right).max().orElseThrow(),
                        0,
                        ""));
            open.clear();
        }
        assertThat(between).hasSameSizeAs(names.keySet());
        List<String> order = new ArrayList<>(names.keySet());
        for (int i = 0; i < order.size(); i++) {
            String name = order.get(i);
            Box wanted = between.get(i);
            assertThat(places)
                    .filteredOn(place -> place.origin() instanceof Origin.Datum datum
                            && datum.name().equals(name))
                    .as(name)
                    .singleElement()
                    .satisfies(place -> {
                        assertThat(place.x()).isCloseTo(wanted.left, within(POINTS));
                        assertThat(place.x() + place.width()).isCloseTo(wanted.right, within(POINTS));
                    });
        }
    }

    /** The value is the number of a page, and stands before and behind that number. */
    @Test
    void headersAndFootersAreKnownOnEveryPageAlsoBesideNumbersOfPages() throws IOException {
        WordDraft draft = new WordDraft().header("{{one}}").footer("{{one}} {{two}}");
        for (int i = 0; i < 4; i++)
            draft.paragraph("{{one}} begins").raw("<w:p><w:r><w:br w:type=\"page\"/></w:r></w:p>");
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        Wording.Merged merged = wording.merge(
                Map.of("one", new Value.Text("1"), "two", new Value.Text("12")), Locale.UK, file -> new byte[0]);
        byte[] pdf = CONVERTER.toPdf(merged.file());
        List<PrintedPlace> places = Provenance.of(merged.printed(), pdf);
        List<Box> words = words(pdf);
        int pages = words.stream().mapToInt(Box::page).max().orElseThrow();
        assertThat(pages).isGreaterThan(3);
        for (int page = 1; page <= pages; page++) {
            int at = page;
            Box foot = words.stream()
                    .filter(word -> word.page == at && word.bottom < 60 && word.words.equals("12"))
                    .findFirst()
                    .orElseThrow();
            assertThat(places)
                    .filteredOn(place -> place.page() == at
                            && place.origin() instanceof Origin.Datum datum
                            && datum.name().equals("two"))
                    .singleElement()
                    .satisfies(place -> assertThat(place.x()).isCloseTo(foot.left, within(POINTS)));
            assertThat(places)
                    .filteredOn(place -> place.page() == at
                            && place.origin() instanceof Origin.Datum datum
                            && datum.name().equals("one")
                            && (place.y() < 60 || place.y() > 780))
                    .as("in the header and in the footer of page " + page)
                    .hasSize(2)
                    .allSatisfy(place -> assertThat(place.x()).isLessThan(foot.left));
        }
    }

    @Test
    void passagesAndClausesStandOverTheirWholeHeight() throws IOException {
        byte[] clause = new WordDraft()
                .paragraph("Gut strings stay slack.")
                .paragraph("Always.")
                .bytes();
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .paragraph("first")
                        .paragraph("{{#abroad}}")
                        .paragraph("They cross a border.")
                        .paragraph("{{courier}}")
                        .paragraph("{{/abroad}}")
                        .paragraph("{{>care}}")
                        .paragraph("last")
                        .bytes()),
                Set.of(),
                new Clauses(Map.of("care", WordFile.open(clause)), Map.of()));
        assertThat(wording.diagnostics()).isEmpty();
        Wording.Merged merged = wording.merge(
                Map.of(
                        "abroad",
                        new Value.YesNo(true),
                        "courier",
                        new Value.Text("word ".repeat(400).strip())),
                Locale.UK,
                file -> new byte[0]);
        byte[] pdf = CONVERTER.toPdf(merged.file());
        List<PrintedPlace> places = Provenance.of(merged.printed(), pdf);
        List<PrintedPlace> passage = places.stream()
                .filter(place -> place.origin() instanceof Origin.Printing)
                .toList();
        List<PrintedPlace> courier = places.stream()
                .filter(place -> place.origin() instanceof Origin.Datum)
                .toList();
        assertThat(courier).hasSizeGreaterThan(10);
        assertThat(passage).hasSize(courier.size() + 1);
        assertThat(places.stream().filter(place -> place.origin() instanceof Origin.Clause))
                .hasSize(2)
                .allSatisfy(place -> assertThat(place.y())
                        .isLessThan(passage.get(passage.size() - 1).y()));
    }

    private static long count(List<Box> words, String code) {
        return words.stream()
                .mapToLong(word -> word.words.split(Pattern.quote(code), -1).length - 1L)
                .sum();
    }

    private static String code(Origin.Datum datum) {
        return datum.name() + datum.items();
    }

    private static Run run(Wording wording, Map<String, String> codes, boolean alike) {
        Map<String, Value> values = new HashMap<>();
        Map<String, Value> usual = new HashMap<>(AwkwardFiles.values());
        for (String name : List.of("number", "border", "courier")) usual.put(name, new Value.Text(name));
        usual.forEach((name, value) -> values.put(name, coded(name, value, List.of(), codes, alike)));
        Wording.Merged merged = wording.merge(values, Locale.UK, file -> new byte[0]);
        byte[] pdf = CONVERTER.toPdf(merged.file());
        return new Run(Provenance.of(merged.printed(), pdf), pdf);
    }

    private static Value coded(
            String name, Value value, List<Integer> items, Map<String, String> codes, boolean alike) {
        if (value instanceof Value.Items list) {
            List<Map<String, Value>> coded = new ArrayList<>();
            for (Map<String, Value> item : list.items()) {
                List<Integer> at = List.of(coded.size() + 1);
                Map<String, Value> one = new HashMap<>(item);
                one.put("worth", new Value.Text("worth"));
                one.replaceAll((inner, it) -> coded(inner, it, at, codes, alike));
                coded.add(one);
            }
            return new Value.Items(coded);
        }
        if (!(value instanceof Value.Text) || name.startsWith(":") || name.equals("country")) return value;
        String code = alike
                ? "22222222"
                : String.valueOf(23456789 + codes.size() * 1357).replaceAll("[01]", "8");
        codes.put(name + items, code);
        return new Value.Text(code);
    }

    private static List<Box> words(byte[] pdf) throws IOException {
        Path file = Files.createTempFile("provenance", ".pdf");
        Files.write(file, pdf);
        String html =
                Tool.run("pdftotext", "-bbox-layout", file.toString(), "-").words();
        Files.delete(file);
        List<Box> boxes = new ArrayList<>();
        int page = 0;
        double height = 0;
        Matcher line = Pattern.compile(
                        "<page width=\"[\\d.]+\" height=\"([\\d.]+)\">|<word xMin=\"([\\d.]+)\" yMin=\"([\\d.]+)\" xMax=\"([\\d.]+)\" yMax=\"([\\d.]+)\">([^<]*)</word>")
                .matcher(html);
        while (line.find()) {
            if (line.group(1) != null) {
                page++;
                height = Double.parseDouble(line.group(1));
                continue;
            }
            boxes.add(new Box(
                    page,
                    Double.parseDouble(line.group(2)),
                    height - Double.parseDouble(line.group(3)),
                    Double.parseDouble(line.group(4)),
                    height - Double.parseDouble(line.group(5)),
                    line.group(6)));
        }
        return boxes;
    }
}
