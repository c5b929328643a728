package org.jalousie.server.template;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.jalousie.core.data.Value;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.template.FilledText;

/** The documents of a template filled with answers, while somebody is typing them. Nothing is kept of them. */
public interface FilledPages {
    /**
     * Pages that can be shown at once.
     *
     * @param marks what stands where on them, which is found out meanwhile
     */
    record Filled(byte[] pdf, List<Pages.Size> sizes, CompletableFuture<Marks> marks) {}

    /** The places of signing fields, and what the answers have printed. */
    record Marks(Pages pages, List<PrintedPlace> printed) {}

    /**
     * One document as pages. No transaction may be open: making pages takes its time.
     *
     * @param values everything that it can print, by name
     * @throws org.jalousie.server.Refusal for a document without pages, and when something can't be printed
     */
    Filled pages(UsableTemplate template, DocumentId document, Map<String, Value> values);

    /**
     * One wording as text.
     *
     * @throws org.jalousie.server.Refusal for a document that is none, and when something can't be printed
     */
    List<FilledText.Paragraph> text(UsableTemplate template, DocumentId document, Map<String, Value> values);
}
