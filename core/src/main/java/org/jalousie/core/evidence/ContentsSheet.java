package org.jalousie.core.evidence;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.pdf.ArchivalForm;

/** The sheet in front of an agreement's documents that tells which there are. */
public final class ContentsSheet {
    private ContentsSheet() {}

    /** One document. */
    public record Line(String title, int pages) {}

    /** @param words of the language that it is in */
    public static byte[] of(Catalogue words, String agreement, String number, List<Line> lines) {
        try (PDDocument document = new PDDocument()) {
            ArchivalForm.declare(document, words.say("contents.title"));
            try (RecordPage page = new RecordPage(document)) {
                page.heading(words.say("contents.title"), 20);
                page.row(words.say("record.agreement"), number + ", " + agreement);
                for (int i = 0; i < lines.size(); i++)
                    page.row(
                            String.valueOf(i + 1),
                            words.say(
                                    "contents.line",
                                    "title",
                                    lines.get(i).title(),
                                    "pages",
                                    lines.get(i).pages()));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("the contents can't be written", e);
        }
    }
}
