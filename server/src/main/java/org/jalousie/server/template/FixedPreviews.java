package org.jalousie.server.template;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.FixedPages;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.template.DocumentMaking;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.paper.Papers;
import org.springframework.stereotype.Component;

/** A template's fixed documents with what stands on them, each made once for a state of its places. */
@Component
class FixedPreviews {
    private static final long MOST_HELD = 60L * 1024 * 1024;

    private final Papers papers;
    private final FileStore files;
    private final Cache<String, Previewed> known = Caffeine.newBuilder()
            .maximumWeight(MOST_HELD)
            .weigher((String key, Previewed one) ->
                    one.made.pdf().length + one.made.prints().size() * PrintedPlace.WEIGHT)
            .build();

    FixedPreviews(Papers papers, FileStore files) {
        this.papers = papers;
        this.files = files;
    }

    /** Pages with what stands where on them. */
    record Previewed(FixedPages.Made made, List<PrintedPlace> printed) {}

    /** @param values what data print: their names, or a specimen's answers */
    Previewed of(TemplateDocument document, TemplateContent content, Map<String, Value> values) {
        String key = Json.canonical(
                        Map.of("document", document, "fields", content.signingFields(), "language", content.language()))
                + values;
        Previewed before = known.getIfPresent(key);
        if (before != null) return before;
        Sha256 file = document.file().orElseThrow();
        DocumentMaking making = new DocumentMaking(
                document, files.get(file), () -> papers.words(file), content.signingFields(), List.of());
        FixedPages.Made made =
                making.make(values, Printer.in(Locale.forLanguageTag(content.language())), Set.of(), List.of());
        Previewed previewed = new Previewed(made, making.printed(made));
        known.put(key, previewed);
        return previewed;
    }

    /** The pages of a document on which nothing is put. */
    Pages bare(TemplateDocument document) {
        return new Pages(papers.sizes(document.file().orElseThrow()), List.of());
    }

    byte[] untouched(TemplateDocument document) {
        return files.get(document.file().orElseThrow(() -> Refusal.notFound(Message.of("document.none"))));
    }

    /** Where spots are on a document's pages. */
    Spots spots(TemplateDocument document) {
        Sha256 file = document.file().orElseThrow();
        return new Spots(papers.sizes(file), () -> papers.words(file));
    }

    /** The lines that a document's pages draw. */
    List<RuledLines.Line> lines(TemplateDocument document) {
        return papers.lines(document.file().orElseThrow());
    }
}
