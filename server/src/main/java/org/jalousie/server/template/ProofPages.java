package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.placement.ErrorTexts;
import org.jalousie.core.placement.FixedPages;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.proof.BoxedText;
import org.jalousie.core.proof.LayoutRisks;
import org.jalousie.core.proof.SpecimenMark;

/** The pages of one specimen in a proof, document after document, with what stands badly on them. */
final class ProofPages {
    private final List<byte[]> pdfs = new ArrayList<>();
    private final List<Proof.Risk> risks = new ArrayList<>();
    private int count;

    /** @throws NotPossible when the word processor has printed an error in place of something */
    void add(SpecimenPrinter.Printed wording) {
        byte[] pdf = wording.placed().pdf();
        ErrorTexts.in(PagesText.of(pdf)).ifPresent(error -> {
            throw new NotPossible(error);
        });
        risks.addAll(Proof.Risk.of(LayoutRisks.of(pdf, wording.placed().pages(), BoxedText.of(wording.word())), count));
        add(pdf, wording.placed().pages().sizes().size());
    }

    /** @throws NotPossible when a datum can't be printed where it belongs */
    void add(FixedPages.Made fixed) {
        for (Message fault : fixed.faults()) throw new NotPossible(fault);
        add(fixed.pdf(), fixed.pages().sizes().size());
    }

    private void add(byte[] pdf, int pages) {
        pdfs.add(pdf);
        count += pages;
    }

    int count() {
        return count;
    }

    List<Proof.Risk> risks() {
        return List.copyOf(risks);
    }

    byte[] joined() {
        return pdfs.size() == 1 ? pdfs.get(0) : SpecimenMark.joined(pdfs);
    }
}
