package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.proof.SpecimenMark;
import org.jalousie.core.proof.SpecimenWord;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.LongWork;
import org.jalousie.server.jobs.LongWorks;
import org.jalousie.server.web.PrintedView;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Specimens and the proof: asked for, watched, looked at. */
@Service
class SpecimenService {
    private static final Logger LOG = LoggerFactory.getLogger(SpecimenService.class);
    private static final int MOST_SPECIMENS = 40;

    private final Drafts drafts;
    private final DraftWording wordings;
    private final Preparations preparations;
    private final SpecimenPrinter printer;
    private final FileStore files;
    private final LongWorks works;

    SpecimenService(
            Drafts drafts,
            DraftWording wordings,
            Preparations preparations,
            SpecimenPrinter printer,
            FileStore files,
            LongWorks works) {
        this.drafts = drafts;
        this.wordings = wordings;
        this.preparations = preparations;
        this.printer = printer;
        this.files = files;
        this.works = works;
    }

    /** Asks for the specimens that a draft's rules need; how far it is counts the rules' cases that are reached. */
    @Transactional
    TemplateViews.Work drawUp(UUID id, int revision, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        int cases = preparations.rules(draft.content()).cases().size();
        return TemplateViews.work(works.ask(JobKind.DRAWING, id, DrawingWork.basis(draft), cases, by), true);
    }

    /** How far the drawing up is that was asked for last. */
    TemplateViews.Work drawing(UUID id) {
        LongWork work =
                works.of(JobKind.DRAWING, id).orElseThrow(() -> Refusal.notFound(Message.of("specimen.not-asked")));
        return TemplateViews.work(work, true);
    }

    /** Asks for the proof. One of the same state of the template is there already, or under way. */
    TemplateViews.ProofView prove(UUID id, String by) {
        TemplateVersion version = drafts.newest(id);
        List<Specimen> specimens = version.content().specimens();
        if (specimens.isEmpty()) throw Refusal.conflict(Message.of("specimen.none-yet"));
        if (specimens.size() > MOST_SPECIMENS)
            throw Refusal.conflict(Message.of("specimen.too-many", "most", MOST_SPECIMENS));
        if (version.content().documents().stream().noneMatch(Proof::shows))
            throw Refusal.conflict(Message.of("proof.no-pages"));
        printer.readable(version);
        return view(works.ask(JobKind.PROOF, id, printer.basis(version), specimens.size(), by), version);
    }

    /** The proof as it stands; without one, nothing was asked for. */
    TemplateViews.ProofView proof(UUID id) {
        TemplateVersion version = drafts.newest(id);
        return works.of(JobKind.PROOF, id)
                .map(work -> view(work, version))
                .orElseGet(() -> new TemplateViews.ProofView(null, null, drawing(version)));
    }

    private TemplateViews.ProofView view(LongWork work, TemplateVersion version) {
        return new TemplateViews.ProofView(
                TemplateViews.work(work, work.basis().equals(printer.basis(version))),
                proofOf(work).orElse(null),
                drawing(version));
    }

    /** The drawing up that was asked for last; null when there was none. */
    private TemplateViews.Work drawing(TemplateVersion version) {
        return works.of(JobKind.DRAWING, version.templateId())
                .map(work -> TemplateViews.work(work, work.basis().equals(DrawingWork.basis(version))))
                .orElse(null);
    }

    byte[] proofPdf(String file) {
        byte[] pdf = files.get(Sha256.read(file).orElseThrow(() -> Refusal.notFound(Message.of("proof.none"))));
        if (!SpecimenMark.isOn(pdf)) throw Refusal.notFound(Message.of("proof.none"));
        return pdf;
    }

    /** A page of a specimen as a picture, which was drawn when the proof was printed. */
    byte[] picture(UUID id, int position, int page) {
        TemplateVersion version = drafts.newest(id);
        specimen(version, position);
        Proof proof = works.of(JobKind.PROOF, id)
                .filter(work -> work.basis().equals(printer.basis(version)))
                .flatMap(SpecimenService::proofOf)
                .orElseThrow(() -> Refusal.conflict(Message.of("specimen.no-picture-yet")));
        List<Sha256> pictures = proof.specimens().get(position).pictures();
        if (pictures.isEmpty()) throw Refusal.conflict(Message.of("specimen.no-picture-yet"));
        if (page < 1 || page > pictures.size())
            throw Refusal.notFound(Message.of("specimen.pictures", "pages", pictures.size()));
        return files.get(pictures.get(page - 1));
    }

    private static Optional<Proof> proofOf(LongWork work) {
        return work.result().map(json -> Json.MAPPER.readValue(json, Proof.class));
    }

    /** A specimen's pages, marked as such. */
    byte[] pdf(UUID id, int position, String name) {
        TemplateVersion version = drafts.newest(id);
        Specimen specimen = specimen(version, position);
        byte[] pdf = wordings.named(version, name).isPresent()
                ? printer.print(version, DraftWording.id(name), specimen)
                        .placed()
                        .pdf()
                : document(version, name, specimen).made().pdf();
        return SpecimenMark.put(pdf, specimen.name());
    }

    /** Where the signing fields stand on a specimen's pages. */
    TemplateViews.Preview pages(UUID id, int position, String name) {
        TemplateVersion version = drafts.newest(id);
        if (wordings.named(version, name).isEmpty()) {
            FixedPreviews.Previewed previewed = document(version, name, specimen(version, position));
            return new TemplateViews.Preview(previewed.made().pages(), PrintedView.of(previewed.printed()), List.of());
        }
        SpecimenPrinter.Printed printed = printer.print(version, DraftWording.id(name), specimen(version, position));
        return new TemplateViews.Preview(printed.placed().pages(), PrintedView.of(printed.places()), List.of());
    }

    /** Which specimens print each passage of a wording; one that can't be printed prints none. */
    List<TemplateViews.PassageSpecimens> passages(UUID id, String name) {
        TemplateVersion version = drafts.newest(id);
        DocumentId document = DraftWording.id(name);
        Wording wording =
                printer.readable(version).of(document).orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
        Map<Integer, List<Integer>> by = new LinkedHashMap<>();
        wording.passages().forEach(passage -> by.put(passage.number(), new ArrayList<>()));
        List<Specimen> specimens = version.content().specimens();
        for (int i = 0; i < specimens.size(); i++) {
            int position = i;
            try {
                printer.reached(version, document, specimens.get(i)).stream()
                        .forEach(number -> by.get(number).add(position));
            } catch (NotPossible | IllegalArgumentException e) {
                LOG.debug("a specimen prints no passage: {}", e.getClass().getSimpleName());
            }
        }
        return by.entrySet().stream()
                .map(one -> new TemplateViews.PassageSpecimens(one.getKey(), one.getValue()))
                .toList();
    }

    /** A wording as a specimen fills it, as a Word file, which says on its first line and in its properties that it is one. */
    byte[] word(UUID id, int position, String name) {
        TemplateVersion version = drafts.newest(id);
        Specimen specimen = specimen(version, position);
        return SpecimenWord.marked(
                printer.print(version, DraftWording.id(name), specimen).word(), specimen.name());
    }

    private FixedPreviews.Previewed document(TemplateVersion version, String name, Specimen specimen) {
        TemplateDocument document = DocumentService.document(version.content(), name);
        if (document.kind() != TemplateDocument.Kind.FIXED) throw Refusal.notFound(Message.of("document.none"));
        return printer.document(version, document, specimen);
    }

    private Specimen specimen(TemplateVersion version, int position) {
        List<Specimen> all = version.content().specimens();
        if (position < 0 || position >= all.size()) throw Refusal.notFound(Message.of("specimen.none"));
        return all.get(position);
    }
}
