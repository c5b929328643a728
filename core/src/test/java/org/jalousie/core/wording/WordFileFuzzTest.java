package org.jalousie.core.wording;

import com.code_intelligence.jazzer.junit.DictionaryEntries;
import com.code_intelligence.jazzer.junit.FuzzTest;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Assertions;

/**
 * Coverage-guided fuzzing of what comes from outside: the opener, the parts and the tags. Only a refusal in words may come
 * of it; hanging and running out of memory are findings too.
 */
class WordFileFuzzTest {
    private static final byte[] PLAIN = new WordDraft()
            .paragraph("{{lender_name}} {{#items}}{{name}}{{/items}}")
            .bytes();

    @FuzzTest(maxDuration = "10s")
    void theOpenerTakesAnyBytes(byte[] file) {
        try {
            WordFile.open(file);
        } catch (UnacceptableFile e) {
            Assertions.assertFalse(e.getMessage().isBlank());
        }
    }

    @DictionaryEntries({
        "<w:p>",
        "</w:p>",
        "<w:r><w:t>",
        "</w:t></w:r>",
        "{{a}}",
        "{{#a}}",
        "{{/a}}",
        "<w:sdt>",
        "<w:tbl><w:tr><w:tc>"
    })
    @FuzzTest(maxDuration = "12s")
    void aPartMayHoldAnything(byte[] xml) {
        Map<String, byte[]> parts = new LinkedHashMap<>(WordFile.open(PLAIN).parts());
        parts.put("word/document.xml", xml);
        try {
            Wording wording = Wording.compile(WordFile.open(WordFile.zip(parts)), Set.of());
            if (!wording.broken()) WordFile.open(wording.merge(Map.of(), Locale.UK));
        } catch (UnacceptableFile e) {
            Assertions.assertFalse(e.getMessage().isBlank());
        }
    }

    @DictionaryEntries({"{{", "}}", "{{#a}}", "{{/a}}", "{{^a}}", "{{>a}}", "{{=", "=}}", "{{!", "{{{", "}}}"})
    @FuzzTest(maxDuration = "12s")
    void aParagraphMayHoldAnyTags(byte[] text) {
        String printable = new String(text, StandardCharsets.UTF_8)
                .codePoints()
                .filter(c -> c >= 0x20 && c < 0xD800 || c == '\n' || c >= 0xE000 && c < 0xFFFE)
                .limit(400)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        WordDraft draft = new WordDraft();
        for (String line : printable.split("\n")) draft.paragraph(line);
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        if (wording.broken()) return;
        Value items = new Value.Items(List.of(Map.of("name", new Value.Text("{{a}}")), Map.of()));
        Map<String, Value> values = new LinkedHashMap<>();
        wording.found()
                .fields()
                .forEach(name -> values.put(name, name.length() % 2 == 0 ? items : new Value.Text("v")));
        WordFile.open(wording.merge(values, Locale.UK));
        WordFile.open(wording.outline(values, Locale.UK).file());
    }
}
