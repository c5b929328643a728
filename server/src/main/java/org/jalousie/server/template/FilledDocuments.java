package org.jalousie.server.template;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.pdf.PdfIntake;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.provenance.Provenance;
import org.jalousie.core.template.FilledText;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** Makes the pages of {@link FilledPages}. The same answers to the same version make the same pages, which are kept a while. */
@Component
class FilledDocuments implements FilledPages {
    private static final long MOST_HELD = 30L * 1024 * 1024;

    /** What the marks of a document may take, in bytes: they are not there yet when it is weighed. */
    private static final int MARKS = 300 * PrintedPlace.WEIGHT;

    private final Converter converter;
    private final FixedPreviews fixed;
    private final FileStore files;
    private final ExecutorService marking = Executors.newFixedThreadPool(2, task -> {
        Thread thread = new Thread(task, "marks-of-pages");
        thread.setDaemon(true);
        return thread;
    });
    private final Cache<Sha256, Filled> known = Caffeine.newBuilder()
            .maximumWeight(MOST_HELD)
            .weigher((Sha256 key, Filled one) -> one.pdf().length + MARKS)
            .build();

    FilledDocuments(Converter converter, FixedPreviews fixed, FileStore files) {
        this.converter = converter;
        this.fixed = fixed;
        this.files = files;
    }

    @Override
    public Filled pages(UsableTemplate template, DocumentId document, Map<String, Value> values) {
        Sha256 key = Sha256.of(
                (template.versionId() + template.edition() + " " + document + values).getBytes(StandardCharsets.UTF_8));
        Filled before = known.getIfPresent(key);
        if (before != null) return before;
        // outside of any lock: two who make the same at once do no harm
        Filled filled = made(template, document, values);
        known.put(key, filled);
        return filled;
    }

    private Filled made(UsableTemplate template, DocumentId id, Map<String, Value> values) {
        TemplateDocument document = DocumentService.document(template.content(), id.value());
        switch (document.kind()) {
            case FIXED -> {
                FixedPreviews.Previewed pages = fixed.of(document, template.content(), values);
                return filled(pages.made().pdf(), new Marks(pages.made().pages(), pages.printed()));
            }
            case ATTACHED -> {
                return filled(fixed.untouched(document), new Marks(fixed.bare(document), List.of()));
            }
            default -> {
                Wording wording = wording(template, id);
                Wording.Merged merged = merged(template, wording, values);
                byte[] pdf = converter.toPdf(merged.file());
                return new Filled(
                        pdf, sizes(pdf), CompletableFuture.supplyAsync(() -> marks(wording, merged, pdf), marking));
            }
        }
    }

    private static Filled filled(byte[] pdf, Marks marks) {
        return new Filled(pdf, marks.pages().sizes(), CompletableFuture.completedFuture(marks));
    }

    private static Marks marks(Wording wording, Wording.Merged merged, byte[] pdf) {
        FieldPlacer.Placed placed = FieldPlacer.place(pdf, wording.boxes(), wording.onEachPage(), Set.of(), List.of());
        return new Marks(placed.pages(), Provenance.of(merged.printed(), pdf));
    }

    private static List<Pages.Size> sizes(byte[] pdf) {
        return PdfIntake.sizes(pdf).stream()
                .map(size -> new Pages.Size(size.width(), size.height()))
                .toList();
    }

    @PreDestroy
    void stop() {
        marking.shutdownNow();
    }

    @Override
    public List<FilledText.Paragraph> text(UsableTemplate template, DocumentId document, Map<String, Value> values) {
        return FilledText.of(merged(template, wording(template, document), values));
    }

    private static Wording wording(UsableTemplate template, DocumentId document) {
        if (template.content().document(document).isEmpty()) throw Refusal.notFound(Message.of("document.none"));
        Wording wording =
                template.wordings().of(document).orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
        if (wording.broken()) throw Refusal.conflict(Message.of("template.pages-unreadable"));
        return wording;
    }

    private Wording.Merged merged(UsableTemplate template, Wording wording, Map<String, Value> values) {
        try {
            return wording.merge(
                    values, Locale.forLanguageTag(template.content().language()), files::picture);
        } catch (NotPossible e) {
            throw Refusal.conflict(e.said());
        } catch (IllegalArgumentException e) {
            throw Refusal.conflict(Message.of("job.failed", "kind", String.valueOf(e.getMessage())));
        }
    }
}
