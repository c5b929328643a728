package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.proof.SpecimenMark;
import org.jalousie.core.rules.RuleCase;
import org.jalousie.core.rules.SpecimenDrawer;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.jobs.LongWork;
import org.jalousie.server.jobs.LongWorks;
import org.jalousie.server.web.PageImage;
import org.springframework.stereotype.Component;

/** Prints every specimen of a template and says what was seen. */
@Component
class ProofWork implements JobWork {
    /** Of one specimen: a proof of forty long ones would fill the store with pictures that nobody looks at. */
    private static final int MOST_PICTURES = 24;

    private final Drafts drafts;
    private final Preparations preparations;
    private final SpecimenPrinter printer;
    private final FileStore files;
    private final LongWorks works;

    ProofWork(Drafts drafts, Preparations preparations, SpecimenPrinter printer, FileStore files, LongWorks works) {
        this.drafts = drafts;
        this.preparations = preparations;
        this.printer = printer;
        this.files = files;
        this.works = works;
    }

    @Override
    public JobKind kind() {
        return JobKind.PROOF;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        Optional<LongWork> work = works.of(id).filter(one -> !one.state().ended());
        if (work.isEmpty()) return false;
        TemplateVersion version = drafts.newest(work.get().subject());
        if (!printer.basis(version).equals(work.get().basis())) {
            works.fail(id, Message.of("proof.template-changed").toString());
            return false;
        }
        Optional<Proof> proof = print(id, version);
        proof.ifPresent(made -> works.finish(id, made));
        return proof.isPresent();
    }

    @Override
    public void givenUp(String instance, String reason) {
        works.fail(UUID.fromString(instance), reason);
    }

    /** Empty when another proof was asked for meanwhile. */
    private Optional<Proof> print(UUID id, TemplateVersion version) {
        TemplateContent content = version.content();
        Wordings wordings = printer.readable(version);
        List<Proof.ProofSpecimen> printed = new ArrayList<>();
        List<byte[]> marked = new ArrayList<>();
        ReachedPassages reached = new ReachedPassages(content, wordings);
        int page = 1;
        for (Specimen specimen : content.specimens()) {
            if (!works.progress(id, printed.size())) return Optional.empty();
            try {
                ProofPages pages = pages(version, specimen, reached);
                byte[] pdf = SpecimenMark.put(pages.joined(), specimen.name());
                List<Sha256> pictures = PageImage.first(pdf, MOST_PICTURES).stream()
                        .map(files::keep)
                        .toList();
                marked.add(pdf);
                printed.add(new Proof.ProofSpecimen(
                        specimen.name(), page, page + pages.count() - 1, "", pages.risks(), pictures));
                page += pages.count();
            } catch (NotPossible | IllegalArgumentException e) {
                printed.add(Proof.ProofSpecimen.failed(specimen.name(), e.getMessage()));
            }
        }
        String file =
                marked.isEmpty() ? "" : files.keep(SpecimenMark.joined(marked)).hex();
        return Optional.of(new Proof(
                file,
                printed,
                reached.passages(),
                SpecimenDrawer.draw(preparations.rules(content)).unreached().stream()
                        .map(RuleCase::label)
                        .toList()));
    }

    /** All documents that come with a specimen's data, as they fill them. */
    private ProofPages pages(TemplateVersion version, Specimen specimen, ReachedPassages reached) {
        Map<String, Value> values = printer.values(version, specimen);
        ProofPages pages = new ProofPages();
        for (TemplateDocument document : version.content().documents()) {
            if (!Proof.shows(document) || !document.comesWith(values)) continue;
            if (document.kind() == TemplateDocument.Kind.FIXED) {
                pages.add(printer.document(version, document, specimen).made());
            } else {
                SpecimenPrinter.Printed one = printer.print(version, document.id(), specimen);
                reached.add(document.id(), one.reached(), specimen.name());
                pages.add(one);
            }
        }
        if (pages.count() == 0) throw new NotPossible(Message.of("proof.no-document"));
        return pages;
    }
}
