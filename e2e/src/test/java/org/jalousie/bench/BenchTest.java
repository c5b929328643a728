package org.jalousie.bench;

import com.deepoove.poi.XWPFTemplate;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.security.Signature;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.evidence.ActInFile;
import org.jalousie.core.evidence.Credential;
import org.jalousie.core.evidence.Sealer;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.evidence.TestTrust;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.rules.Samples;
import org.jalousie.core.rules.SpecimenDrawer;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Speed as ratios against floors measured in the same run. Prints; fails nothing, since machines differ. */
@Tag("bench")
class BenchTest {
    private static final long WARM_NANOS = 2_000_000_000L;

    /** Three pages, twenty fields, a table of ten rows, two signing fields. */
    static byte[] wording() {
        WordDraft draft = new WordDraft().title("Agreement {{f1}}");
        for (int i = 1; i <= 20; i++) {
            draft.clause("The party {{f" + i + "}} agrees with the following. "
                    + "Words that fill the page and say little. ".repeat(9));
        }
        List<List<String>> rows = new ArrayList<>();
        for (int i = 1; i <= 10; i++) rows.add(List.of("Object " + i, "{{f" + i + "}}, insured for {{value}}"));
        return draft.table(rows, true)
                .paragraph("{{lender.signature}}")
                .paragraph("{{museum.signature}}")
                .bytes();
    }

    static Map<String, Value> values() {
        Map<String, Value> values = new HashMap<>();
        for (int i = 1; i <= 20; i++) values.put("f" + i, new Value.Text("a value of middling length " + i));
        values.put("f2", new Value.Day(LocalDate.of(2027, 3, 15)));
        values.put("value", new Value.Money(Currency.getInstance("EUR"), new BigDecimal("12500.00")));
        return values;
    }

    /** Median milliseconds of one run, alternating what is compared so that both see the same machine. */
    static double[] compare(int rounds, int times, List<Callable<?>> all) throws Exception {
        // until the machine's compiler has seen all of it: what takes a millisecond needs more rounds than what takes
        // twenty
        for (Callable<?> one : all) {
            long until = System.nanoTime() + WARM_NANOS;
            while (System.nanoTime() < until) one.call();
        }
        double[][] measured = new double[all.size()][rounds];
        for (int round = -2; round < rounds; round++) {
            for (int i = 0; i < all.size(); i++) {
                long start = System.nanoTime();
                for (int k = 0; k < times; k++) all.get(i).call();
                if (round >= 0) measured[i][round] = (System.nanoTime() - start) / 1e6 / times;
            }
        }
        return Arrays.stream(measured)
                .mapToDouble(one -> Arrays.stream(one).sorted().toArray()[one.length / 2])
                .toArray();
    }

    static void print(String what, double ours, String floorName, double floor, String bar) {
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.2f ms   %-42s %8.2f ms   ratio %.2f   bar %s%n",
                what,
                ours,
                floorName,
                floor,
                ours / floor,
                bar);
    }

    @Test
    void merge() throws Exception {
        Wording wording = Wording.compile(WordFile.open(wording()), Set.of());
        Map<String, Value> values = values();
        byte[] merged = wording.merge(values, Locale.UK);
        Map<String, Object> plain = new HashMap<>();
        values.forEach((name, value) -> plain.put(name, value.raw()));
        // the signing fields are no plain values to it and print as nothing
        byte[] template = wording();
        double[] ms = compare(
                15,
                20,
                List.of(
                        () -> wording.merge(values, Locale.UK),
                        () -> {
                            try (XWPFDocument document = new XWPFDocument(new ByteArrayInputStream(merged));
                                    ByteArrayOutputStream out = new ByteArrayOutputStream()) {
                                document.write(out);
                                return out;
                            }
                        },
                        () -> {
                            try (XWPFTemplate filled = XWPFTemplate.compile(new ByteArrayInputStream(template))
                                            .render(plain);
                                    ByteArrayOutputStream out = new ByteArrayOutputStream()) {
                                filled.write(out);
                                return out;
                            }
                        }));
        print("merge, compiled once", ms[0], "open and save with Apache POI", ms[1], "0.10");
        print("merge, compiled once", ms[0], "poi-tl 1.12.2, the same template", ms[2], "0.05");
    }

    @Test
    void mergeGrowsWithItsRows() throws Exception {
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .table(List.of(List.of("{{#rows}}{{position}}", "{{name}}, {{value}}{{/rows}}")), true)
                        .bytes()),
                Set.of());
        double before = 0;
        for (int rows : new int[] {10, 100, 1_000, 10_000}) {
            List<Map<String, Value>> items = new ArrayList<>();
            for (int i = 0; i < rows; i++) {
                items.add(Map.of(
                        "name", new Value.Text("Object " + i),
                        "value", new Value.Money(Currency.getInstance("EUR"), new BigDecimal("12500.00"))));
            }
            Map<String, Value> values = Map.of("rows", new Value.Items(items));
            double[] ms = compare(9, Math.max(1, 2_000 / rows), List.of(() -> wording.merge(values, Locale.UK)));
            if (before > 0)
                print(
                        "merge of " + rows + " rows",
                        ms[0],
                        "ten times the merge of " + rows / 10 + " rows",
                        before * 10,
                        "1.10");
            before = ms[0];
        }
    }

    @Test
    void compilingGrowsWithTheTagsOfAParagraphAndTheDepthOfSections() throws Exception {
        double before = 0;
        for (int tags : new int[] {300, 3_000, 30_000}) {
            StringBuilder words = new StringBuilder();
            for (int i = 0; i < tags; i++)
                words.append("the field {{f").append(i % 40).append("}}, and so on; ");
            byte[] file = new WordDraft().paragraph(words.toString()).bytes();
            double[] ms = compare(5, 1, List.of(() -> Wording.compile(WordFile.open(file), Set.of())));
            if (before > 0)
                print(
                        "compiling " + tags + " tags in a paragraph",
                        ms[0],
                        "ten times " + tags / 10 + " tags",
                        before * 10,
                        "1.10");
            before = ms[0];
        }
        before = 0;
        for (int depth : new int[] {20, 200}) {
            WordDraft draft = new WordDraft();
            for (int i = 0; i < depth; i++) draft.paragraph("{{#s" + i + "}}").paragraph("words of passage " + i);
            for (int i = depth - 1; i >= 0; i--) draft.paragraph("{{/s" + i + "}}");
            byte[] file = draft.bytes();
            double[] ms = compare(9, 2, List.of(() -> Wording.compile(WordFile.open(file), Set.of())));
            if (before > 0)
                print(depth + " sections within one another", ms[0], "ten times 20 sections", before * 10, "2.00");
            before = ms[0];
        }
    }

    @Test
    void rulesOverLongLists() throws Exception {
        List<Field> fields = List.of(Field.list(
                new FieldName("objects"),
                List.of(new Field(new FieldName("value"), FieldType.MONEY, "Value", true, "", List.of()))));
        List<Rule> rules = new ArrayList<>();
        for (int i = 0; i < 6; i++)
            rules.add(new Rule("r" + i, "r" + i, "objects", "value > " + 1000 * i, FieldType.YES_NO));
        RuleSet set = RuleSet.compile(fields, rules, List.of());
        double before = 0;
        for (int items : new int[] {300, 3_000}) {
            List<Map<String, Value>> all = new ArrayList<>();
            for (int i = 0; i < items; i++)
                all.add(Map.of("value", new Value.Money(Currency.getInstance("EUR"), new BigDecimal(i + ".00"))));
            Map<String, Value> values = Map.of("objects", new Value.Items(all));
            double[] ms = compare(5, 1, List.of(() -> set.apply(values)));
            if (before > 0)
                print("6 rules over " + items + " items", ms[0], "ten times 300 items", before * 10, "1.10");
            before = ms[0];
        }
        List<Field> many = new ArrayList<>();
        List<Rule> conditions = new ArrayList<>();
        for (int i = 0; i < 26; i++) {
            many.add(new Field(
                    new FieldName("f" + i),
                    i % 2 == 0 ? FieldType.NUMBER : FieldType.TEXT,
                    "F" + i,
                    true,
                    "",
                    List.of()));
            conditions.add(
                    Rule.condition("c" + i, i % 2 == 0 ? "f" + i + " > " + i * 7 : "f" + i + " = \"x" + i + "\""));
        }
        RuleSet wide = RuleSet.compile(many, conditions, List.of());
        double[] ms = compare(3, 1, List.of(() -> SpecimenDrawer.draw(wide), () -> wide.apply(Samples.typical(many))));
        print(
                "specimens for 26 fields, 26 rules",
                ms[0],
                "a thousand times the rules worked out",
                ms[1] * 1000,
                "1.00");
    }

    @Test
    void aThousandMergesHoldMemoryFlat() {
        Wording wording = Wording.compile(WordFile.open(wording()), Set.of());
        Map<String, Value> values = values();
        for (int i = 0; i < 100; i++) wording.merge(values, Locale.UK);
        long before = used();
        for (int i = 0; i < 1_000; i++) wording.merge(values, Locale.UK);
        long after = used();
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.2f MB   %-42s %8.2f MB   ratio %.2f   bar %s%n",
                "memory after 1,100 merges",
                after / 1e6,
                "memory after 100 merges",
                before / 1e6,
                (double) after / before,
                "1.05");
    }

    private static long used() {
        long least = Long.MAX_VALUE;
        for (int i = 0; i < 4; i++) {
            System.gc();
            Runtime runtime = Runtime.getRuntime();
            least = Math.min(least, runtime.totalMemory() - runtime.freeMemory());
        }
        return least;
    }

    @Test
    void dataToPlacedPdf() throws Exception {
        Converter converter = Testbed.start().bean(Converter.class);
        Wording wording = Wording.compile(WordFile.open(wording()), Set.of());
        Map<String, Value> values = values();
        byte[] merged = wording.merge(values, Locale.UK);
        double[] ms = compare(
                15,
                3,
                List.of(
                        () -> {
                            byte[] file = wording.merge(values, Locale.UK);
                            Converter.Made made = converter.convert(file);
                            FieldResults.put(file, made.results(), made.lists());
                            return FieldPlacer.place(made.pdf(), wording.boxes(), SignedSample.PARTIES);
                        },
                        () -> converter.toPdf(merged)));
        print("data to placed PDF", ms[0], "bare warm conversion of the same file", ms[1], "1.10");
    }

    @Test
    void signing() throws Exception {
        TestTrust trust = new TestTrust();
        Sealer sealer = new Sealer(trust);
        byte[] sealed = sealer.sealByOffice(SignedSample.placed(), Instant.now());
        Credential signer = trust.credentialFor("Ida Marsh", "ida@lender.example.org");
        ActInFile act = new ActInFile(
                Map.of("lender_date_signed", "23 November 2026", "lender_vat_number", "XX"),
                Set.of(),
                Optional.of("lender_signature"),
                Optional.of(SignedSample.mark(0)),
                "Ida Marsh");
        ActInFile bare = new ActInFile(
                Map.of(), Set.of(), Optional.of("lender_signature"), Optional.of(SignedSample.mark(0)), "");
        double[] ms = compare(
                11,
                2,
                List.of(
                        () -> sealer.put(sealed, act, signer, Instant.now()),
                        () -> sealer.put(sealed, bare, signer, Instant.now()),
                        () -> load(sealed),
                        () -> ecdsa(signer)));
        print("a party's act: fill, mark, sign", ms[0], "the library's call alone (B-LT)", ms[1], "1.15");
        print("  of which opening the file", ms[2], "one P-256 signature", ms[3], "-");
    }

    private static int load(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        }
    }

    private static byte[] ecdsa(Credential signer) throws Exception {
        Signature signature = Signature.getInstance("SHA256withECDSA");
        signature.initSign(signer.key());
        signature.update(new byte[100]);
        return signature.sign();
    }
}
