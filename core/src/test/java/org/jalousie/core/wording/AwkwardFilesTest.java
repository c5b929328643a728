package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Every awkward file is merged to what it would be with the words typed, or what differs is reported. */
class AwkwardFilesTest {
    private static final Set<String> COUNTED = Set.of(
            "p",
            "tbl",
            "tr",
            "tc",
            "drawing",
            "pict",
            "sym",
            "br",
            "tab",
            "oMath",
            "fldChar",
            "instrText",
            "sdt",
            "bookmarkStart",
            "bookmarkEnd",
            "permStart",
            "permEnd",
            "footnoteReference",
            "sectPr",
            "hyperlink",
            "object");

    static List<AwkwardFiles.Case> all() {
        return AwkwardFiles.all();
    }

    @ParameterizedTest
    @MethodSource("all")
    void aFileIsMergedAsIfItsWordsWereTypedOrIsTold(AwkwardFiles.Case one) {
        Wording wording = Wording.compile(WordFile.open(one.template()), Set.of());
        assertThat(wording.diagnostics().stream().map(Diagnostic::code))
                .containsExactlyInAnyOrderElementsOf(one.codes());
        assertThat(wording.diagnostics()).allSatisfy(told -> {
            assertThat(told.message().toString()).isNotBlank();
            assertThat(told.cure().toString()).isNotBlank();
        });
        if (one.typed() == null) {
            assertThat(wording.broken()
                            || one.codes().stream()
                                    .noneMatch(code -> wording.diagnostics().stream()
                                            .anyMatch(told -> told.code().equals(code) && told.blocks())))
                    .isTrue();
            return;
        }
        byte[] merged = FieldResults.put(wording.merge(AwkwardFiles.VALUES, Locale.UK), Map.of(), List.of());
        for (String part : List.of("word/document.xml", "word/header1.xml", "word/top.xml")) {
            if (!Zips.parts(one.typed()).containsKey(part)) continue;
            assertThat(shape(merged, part)).isEqualTo(shape(one.typed(), part));
        }
        assertThat(new String(Zips.parts(merged).get("word/document.xml"))).doesNotContain("{{", "\ufdd0", "jalousie ");
    }

    /** The words of each paragraph, how many of each element, and every attribute that may carry words. */
    private static Map<String, Object> shape(byte[] file, String part) {
        Document document = SafeXml.parse(part, WordFile.open(file).parts().get(part));
        Map<String, Object> shape = new LinkedHashMap<>();
        List<String> lines = new ArrayList<>();
        Word.paragraphs(document).forEach(paragraph -> lines.add(new ParagraphText(paragraph).original()));
        shape.put("lines", lines);
        Map<String, Integer> counts = new TreeMap<>();
        List<String> words = new ArrayList<>();
        for (Element element : Word.all(document, "*")) {
            String name = Word.local(element);
            if (COUNTED.contains(name)) counts.merge(name, 1, Integer::sum);
            for (String attribute : List.of("descr", "tooltip", "string", "alt"))
                if (!Word.attribute(element, attribute).isEmpty()) words.add(Word.attribute(element, attribute));
            if (name.equals("tblCaption") || name.equals("tblDescription")) words.add(Word.attribute(element, "val"));
            if (name.equals("bookmarkStart")) words.add(Word.attribute(element, "name"));
            if (name.equals("instrText")) words.add(element.getTextContent().strip());
        }
        shape.put("counts", counts);
        shape.put("words", words);
        return shape;
    }
}
