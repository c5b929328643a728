package org.jalousie.bench;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.provenance.Provenance;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What it costs to know where everything stands on the pages. */
@Tag("bench")
class ProvenanceBenchTest {
    private final Converter converter = Testbed.start().bean(Converter.class);

    @Test
    void ofThreePages() throws Exception {
        compare(
                "provenance of three pages",
                Wording.compile(WordFile.open(BenchTest.wording()), Set.of()),
                BenchTest.values());
    }

    @Test
    void ofSixtyPagesWithFourHundredFields() throws Exception {
        WordDraft draft = new WordDraft().title("Agreement {{f1}}");
        Map<String, Value> values = new HashMap<>();
        for (int i = 1; i <= 400; i++) {
            draft.clause("The party {{f" + i + "}} agrees with the following. "
                    + "Words that fill the page and say little. ".repeat(10));
            values.put("f" + i, new Value.Text("a value of middling length " + i));
        }
        compare("provenance of some sixty pages", Wording.compile(WordFile.open(draft.bytes()), Set.of()), values);
    }

    private void compare(String what, Wording wording, Map<String, Value> values) throws Exception {
        Wording.Merged merged = wording.merge(values, Locale.UK, file -> new byte[0]);
        byte[] pdf = converter.toPdf(merged.file());
        double[] ms = BenchTest.compare(
                9, 1, List.of(() -> Provenance.of(merged.printed(), pdf), () -> converter.toPdf(merged.file())));
        BenchTest.print(what, ms[0], "bare warm conversion of the same file", ms[1], "0.20");
    }
}
