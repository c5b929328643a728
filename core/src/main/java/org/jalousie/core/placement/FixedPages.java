package org.jalousie.core.placement;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.pdf.PageWords;

/** Puts data and signing fields on the pages of a fixed document. */
public final class FixedPages {
    private static final double POINTS_PER_MM = 72 / 25.4;

    private FixedPages() {}

    /** A datum where it came to stand, in PDF points from the lower left corner of its page. @param number which of the places it is */
    public record Print(int number, int page, double x, double y, double width, double height) {}

    /**
     * A document that was made.
     *
     * @param prints where data were printed
     * @param faults what could not be put where it belongs, and why
     */
    public record Made(byte[] pdf, Pages pages, List<Print> prints, List<Message> faults) {}

    /** What a document is made from. @param pdf whose pages stand as they are seen */
    public record Sheet(byte[] pdf, Supplier<PageWords> words, List<DocumentPlace> places, List<DataPlace> data) {}

    /**
     * @param fields by their names
     * @param text what a datum prints at its place; empty for one that prints nothing in this agreement
     * @param without parties that take no part: their places stay blank
     * @param participants decide which fields a signature locks
     */
    public static Made make(
            Sheet sheet,
            Map<String, SigningField> fields,
            Function<DataPlace, String> text,
            Set<PartyKey> without,
            List<Participant> participants) {
        try (PDDocument document = Loader.loadPDF(sheet.pdf())) {
            List<Message> faults = new ArrayList<>();
            List<Pages.Size> sizes = new ArrayList<>();
            for (PDPage page : document.getPages())
                sizes.add(new Pages.Size(
                        page.getMediaBox().getWidth(), page.getMediaBox().getHeight()));
            Spots spots = new Spots(sizes, sheet.words());
            List<Print> prints = new DataPrint(document, spots, faults).all(sheet.data(), text);
            Pages pages = new Pages(sizes, form(document, sheet, spots, fields, without, participants));
            ByteArrayOutputStream out = new ByteArrayOutputStream(sheet.pdf().length + 300_000);
            document.save(out);
            return new Made(out.toByteArray(), pages, prints, faults);
        } catch (IOException e) {
            throw new UncheckedIOException("the document can't be read", e);
        }
    }

    private static List<PlacedField> form(
            PDDocument document,
            Sheet sheet,
            Spots spots,
            Map<String, SigningField> fields,
            Set<PartyKey> without,
            List<Participant> participants)
            throws IOException {
        Map<Integer, SigningField> boxes = new HashMap<>();
        for (int i = 0; i < sheet.places().size(); i++) {
            SigningField field = fields.get(sheet.places().get(i).field());
            if (field != null) boxes.put(i, field);
        }
        Map<String, Integer> first = new HashMap<>();
        boxes.forEach((number, field) -> first.merge(field.name(), number, Math::min));
        RepeatedFields repeated = new RepeatedFields(boxes, Set.copyOf(first.values()));
        FormFields form = new FormFields(document);
        for (int i = 0; i < sheet.places().size(); i++) {
            SigningField field = boxes.get(i);
            if (field == null || without.contains(field.party())) continue;
            Optional<Spots.Box> at =
                    spots.find(sheet.places().get(i).spot(), field.type().size());
            if (at.isEmpty()) continue;
            // several places of one field are one box that is found again
            SigningField shown = repeated.next(first.get(field.name()));
            form.add(document.getPage(at.get().page() - 1), at.get().of(shown));
        }
        form.finish(participants);
        return repeated.paired(form.placed());
    }

    /** Points of so many millimetres. */
    static double points(double mm) {
        return mm * POINTS_PER_MM;
    }
}
