package org.jalousie.server.template;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.HiddenFields;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.provenance.Provenance;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.StoredContent;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/**
 * Prints specimens, each once for a state of its template: its PDF, its Word file and its pictures come from one printing. No
 * transaction is open here, since printing takes its time.
 */
@Component
class SpecimenPrinter {
    /** What comes of a printing; another number makes those that are kept be printed anew. */
    private static final String EDITION = "3 ";

    /** Bytes of printed specimens kept in memory. */
    private static final long MOST_HELD = 40L * 1024 * 1024;

    private final Preparations preparations;
    private final FileStore files;
    private final Converter converter;
    private final FixedPreviews fixed;
    private final Cache<String, Printed> known = Caffeine.newBuilder()
            .maximumWeight(MOST_HELD)
            .weigher((String key, Printed printed) ->
                    printed.word.length + printed.placed.pdf().length + printed.places.size() * PrintedPlace.WEIGHT)
            .build();
    private final Cache<String, BitSet> reached =
            Caffeine.newBuilder().maximumSize(2000).build();

    SpecimenPrinter(Preparations preparations, FileStore files, Converter converter, FixedPreviews fixed) {
        this.fixed = fixed;
        this.preparations = preparations;
        this.files = files;
        this.converter = converter;
    }

    /**
     * One specimen as pages.
     *
     * @param reached the passages that it printed, by number
     * @param places where on its pages what stands that was merged
     */
    record Printed(byte[] word, FieldPlacer.Placed placed, BitSet reached, List<PrintedPlace> places) {}

    /** Names all that a version's specimens are printed from; another state has another one. */
    String basis(TemplateVersion version) {
        String all = EDITION
                + version.wordFile()
                + StoredContent.write(version.content())
                + preparations.clauseFiles(version.content());
        return Sha256.of(all.getBytes(StandardCharsets.UTF_8)).hex();
    }

    Wordings readable(TemplateVersion version) {
        Wordings wordings = preparations.wordings(version);
        if (wordings.broken()) throw Refusal.conflict(Message.of("specimen.unreadable"));
        return wordings;
    }

    private Wording readable(TemplateVersion version, DocumentId document) {
        return readable(version).of(document).orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
    }

    /**
     * The passages that a specimen prints, by number; found without making pages.
     *
     * @throws NotPossible when these data can't be printed
     */
    BitSet reached(TemplateVersion version, DocumentId document, Specimen specimen) {
        return reached.get(
                basis(version) + document + Json.canonical(specimen),
                key -> merged(version, readable(version, document), specimen).reached());
    }

    /** A fixed document of the template as a specimen fills it. @throws NotPossible when these data can't be printed */
    FixedPreviews.Previewed document(TemplateVersion version, TemplateDocument document, Specimen specimen) {
        return fixed.of(document, version.content(), values(version, specimen));
    }

    private Wording.Merged merged(TemplateVersion version, Wording wording, Specimen specimen) {
        return wording.merge(
                values(version, specimen),
                Locale.forLanguageTag(version.content().language()),
                files::picture);
    }

    /** What a specimen prints, by name. @throws NotPossible when a rule gives nothing for these data */
    Map<String, Value> values(TemplateVersion version, Specimen specimen) {
        TemplateContent content = version.content();
        RuleSet.Outcome outcome = RuleResults.values(content, preparations.rules(content), specimen.data());
        if (!outcome.faults().isEmpty())
            throw new NotPossible(outcome.faults().get(0).sentence());
        Map<String, Value> values = new LinkedHashMap<>(outcome.values());
        values.put(BuiltIn.FILE_NAME, new Value.Text(FileNames.of(RuleResults.NUMBER, specimen.name(), "", "pdf")));
        return values;
    }

    /**
     * One wording as a specimen fills it.
     *
     * @throws NotPossible with the reason, for a person, when these data can't be printed
     */
    Printed print(TemplateVersion version, DocumentId document, Specimen specimen) {
        String key = basis(version) + document + Json.canonical(specimen);
        Printed before = known.getIfPresent(key);
        if (before != null) return before;
        Wording wording = readable(version, document);
        Wording.Merged merged = merged(version, wording, specimen);
        Converter.Made made = converter.convert(merged.file());
        FieldPlacer.Placed placed =
                FieldPlacer.place(made.pdf(), wording.boxes(), wording.onEachPage(), Set.of(), List.of());
        HiddenFields.among(merged.fields(), wording.boxes(), Set.of(), placed.pages())
                .ifPresent(hidden -> {
                    throw new NotPossible(hidden);
                });
        byte[] word = FieldResults.put(merged.file(), made.results(), made.lists());
        Printed printed = new Printed(word, placed, merged.reached(), Provenance.of(merged.printed(), made.pdf()));
        known.put(key, printed);
        return printed;
    }
}
