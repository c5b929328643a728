package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.placement.ErrorTexts;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.HiddenFields;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.proof.BoxedText;
import org.jalousie.core.proof.LayoutRisk;
import org.jalousie.core.proof.LayoutRisks;
import org.jalousie.core.proof.SpecimenMark;
import org.jalousie.core.proof.SpecimenWord;
import org.jalousie.core.rules.RuleCase;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.rules.Samples;
import org.jalousie.core.rules.SpecimenDrawer;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Specimens: test data kept with a template, what is printed from it, and the proof of all variations. */
@Service
class SpecimenService {
    private static final int MOST_SPECIMENS = 40;

    private final Drafts drafts;
    private final Preparations preparations;
    private final FileStore files;
    private final Converter converter;
    private final TransactionTemplate transaction;

    SpecimenService(
            Drafts drafts,
            Preparations preparations,
            FileStore files,
            Converter converter,
            TransactionTemplate transaction) {
        this.drafts = drafts;
        this.preparations = preparations;
        this.files = files;
        this.converter = converter;
        this.transaction = transaction;
    }

    /** One specimen in the proof. @param fault why it could not be printed; empty when it was */
    record ProofSpecimen(String name, int firstPage, int lastPage, String fault, List<LayoutRisk> risks) {}

    /** A passage and the specimens that print it; none means that nobody has seen it. */
    record ProofPassage(Passage passage, List<String> reachedBy) {}

    /**
     * @param file the proof's name in the store
     * @param unreached cases that the program could not bring about with any data: probably never, or always, true
     */
    record Proof(String file, List<ProofSpecimen> specimens, List<ProofPassage> passages, List<String> unreached) {}

    /** One specimen as pages. */
    private record Printed(byte[] word, FieldPlacer.Placed placed, BitSet reached) {}

    /**
     * Draws up the fewest sets that reach every case of every rule, and the shortest and the longest plausible. Sets drawn
     * up before are replaced; typed ones stay.
     */
    TemplateViews.TemplateDetail drawUp(UUID id, int revision) {
        TemplateContent content = drafts.newest(id).content();
        List<Specimen> kept = new ArrayList<>(content.specimens().stream()
                .filter(one -> one.origin() == Specimen.Origin.TYPED || one.origin() == Specimen.Origin.FROM_REQUEST)
                .toList());
        int number = 0;
        for (SpecimenDrawer.DrawnSet set :
                SpecimenDrawer.draw(preparations.rules(content)).sets()) {
            kept.add(new Specimen("Drawn up " + ++number, Specimen.Origin.DRAWN_UP, raw(content, set.values())));
        }
        kept.add(new Specimen("Shortest", Specimen.Origin.SHORTEST, raw(content, Samples.shortest(content.fields()))));
        kept.add(new Specimen("Longest", Specimen.Origin.LONGEST, raw(content, Samples.longest(content.fields()))));
        // drawn without a transaction, since it may take long; refused here when the draft is another one by now
        return transaction.execute(status -> {
            TemplateVersion draft = drafts.draft(id, revision);
            draft.change(draft.wordFile(), draft.content().withSpecimens(kept));
            return drafts.changed(id, draft);
        });
    }

    private static Map<String, String> raw(TemplateContent content, Map<String, Value> values) {
        Map<String, String> raw = new LinkedHashMap<>();
        content.fields().forEach(field -> {
            Value value = values.get(field.name());
            if (value != null) raw.put(field.name(), value.raw());
        });
        return raw;
    }

    /** Prints every specimen and says what was seen. */
    Proof proof(UUID id) {
        TemplateVersion version = drafts.newest(id);
        TemplateContent content = version.content();
        if (content.specimens().isEmpty())
            throw Refusal.conflict("There is no specimen yet. Draw some up, or type one.");
        if (content.specimens().size() > MOST_SPECIMENS)
            throw Refusal.conflict("A proof has at most %d specimens. Remove some.".formatted(MOST_SPECIMENS));
        Wording wording = readable(version);
        List<ProofSpecimen> printed = new ArrayList<>();
        List<byte[]> marked = new ArrayList<>();
        Map<Integer, List<String>> reachedBy = new LinkedHashMap<>();
        wording.passages().forEach(passage -> reachedBy.put(passage.number(), new ArrayList<>()));
        int page = 1;
        for (Specimen specimen : content.specimens()) {
            try {
                Printed one = print(version, specimen);
                int pages = one.placed.pages().sizes().size();
                one.reached.stream().forEach(number -> reachedBy.get(number).add(specimen.name()));
                ErrorTexts.in(PagesText.of(one.placed.pdf())).ifPresent(SpecimenService::refuse);
                marked.add(SpecimenMark.put(one.placed.pdf(), specimen.name()));
                printed.add(new ProofSpecimen(
                        specimen.name(),
                        page,
                        page + pages - 1,
                        "",
                        LayoutRisks.of(one.placed.pdf(), one.placed.pages(), BoxedText.of(one.word))));
                page += pages;
            } catch (IllegalArgumentException e) {
                printed.add(new ProofSpecimen(specimen.name(), 0, 0, e.getMessage(), List.of()));
            }
        }
        String file =
                marked.isEmpty() ? "" : files.keep(SpecimenMark.joined(marked)).hex();
        return new Proof(
                file,
                printed,
                wording.passages().stream()
                        .map(passage -> new ProofPassage(passage, reachedBy.get(passage.number())))
                        .toList(),
                SpecimenDrawer.draw(preparations.rules(content)).unreached().stream()
                        .map(RuleCase::label)
                        .toList());
    }

    byte[] proofPdf(String file) {
        byte[] pdf = files.get(Sha256.read(file).orElseThrow(() -> Refusal.notFound("There is no such proof.")));
        if (!SpecimenMark.isOn(pdf)) throw Refusal.notFound("There is no such proof.");
        return pdf;
    }

    /** A specimen's pages, marked as such. */
    byte[] pdf(UUID id, int position) {
        TemplateVersion version = drafts.newest(id);
        Specimen specimen = specimen(version, position);
        return SpecimenMark.put(print(version, specimen).placed.pdf(), specimen.name());
    }

    /** Where the signing fields stand on a specimen's pages. */
    TemplateViews.Preview pages(UUID id, int position) {
        TemplateVersion version = drafts.newest(id);
        return new TemplateViews.Preview(
                print(version, specimen(version, position)).placed.pages());
    }

    /** A specimen as a Word file, which says on its first line and in its properties that it is one. */
    byte[] word(UUID id, int position) {
        TemplateVersion version = drafts.newest(id);
        Specimen specimen = specimen(version, position);
        return SpecimenWord.marked(print(version, specimen).word, specimen.name());
    }

    private Specimen specimen(TemplateVersion version, int position) {
        List<Specimen> all = version.content().specimens();
        if (position < 0 || position >= all.size()) throw Refusal.notFound("There is no such specimen.");
        return all.get(position);
    }

    private Wording readable(TemplateVersion version) {
        Wording wording = preparations.wording(version.wordFile(), version.content());
        if (wording.broken()) throw Refusal.conflict("Specimens can be printed when all tags can be read.");
        return wording;
    }

    private Printed print(TemplateVersion version, Specimen specimen) {
        TemplateContent content = version.content();
        Wording wording = readable(version);
        RuleSet.Outcome outcome = RuleResults.values(content, preparations.rules(content), specimen.data());
        if (!outcome.faults().isEmpty())
            throw new IllegalArgumentException(outcome.faults().get(0).sentence());
        Map<String, Value> values = new LinkedHashMap<>(outcome.values());
        values.put(BuiltIn.FILE_NAME, new Value.Text(FileNames.of(RuleResults.NUMBER, specimen.name(), "", "pdf")));
        Wording.Merged merged = wording.merge(values, Locale.forLanguageTag(content.language()), files::picture);
        Converter.Made made = converter.convert(merged.file());
        FieldPlacer.Placed placed = FieldPlacer.place(made.pdf(), wording.boxes(), wording.onEachPage(), List.of());
        HiddenFields.among(merged.fields(), wording.boxes(), placed.pages()).ifPresent(SpecimenService::refuse);
        byte[] word = FieldResults.put(merged.file(), made.results(), made.lists());
        return new Printed(word, placed, merged.reached());
    }

    private static void refuse(String reason) {
        throw new IllegalArgumentException(reason);
    }
}
