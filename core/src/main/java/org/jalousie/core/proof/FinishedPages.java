package org.jalousie.core.proof;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.placement.SigningField;

/** The pages that conversion made, opened once for all that is done with them: reading a PDF costs as much as each of it. */
public final class FinishedPages implements AutoCloseable {
    private final PDDocument document;

    private FinishedPages(PDDocument document) {
        this.document = document;
    }

    /** @param pdf as converted */
    public static FinishedPages open(byte[] pdf) {
        try {
            return new FinishedPages(Loader.loadPDF(pdf));
        } catch (IOException e) {
            throw new UncheckedIOException("the converted document can't be read", e);
        }
    }

    /** The words, in the order of reading. */
    public String text() {
        try {
            return PagesText.of(document);
        } catch (IOException e) {
            throw new UncheckedIOException("the pages can't be read", e);
        }
    }

    /** Puts the form fields where the boxes flowed to; once only. See {@link FieldPlacer}. */
    public FieldPlacer.Placed place(
            Map<Integer, SigningField> boxes,
            Set<Integer> onEachPage,
            Set<PartyKey> without,
            List<Participant> participants) {
        try {
            return FieldPlacer.place(document, boxes, onEachPage, without, participants);
        } catch (IOException e) {
            throw new UncheckedIOException("the converted document can't be read", e);
        }
    }

    /** @param pages where the signing fields stand on these pages */
    public List<LayoutRisk> risks(Pages pages) {
        try {
            return LayoutRisks.of(document, pages);
        } catch (IOException e) {
            throw new UncheckedIOException("the pages can't be read", e);
        }
    }

    @Override
    public void close() {
        try {
            document.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
