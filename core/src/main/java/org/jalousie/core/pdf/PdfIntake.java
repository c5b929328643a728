package org.jalousie.core.pdf;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdfparser.PDFParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.jalousie.core.messages.Message;

/**
 * Takes in a PDF that was made elsewhere: it becomes pages that stand as they are seen, without a form of their own, and fit for
 * keeping. What was done to it on the way is told, and what can't be done too.
 */
public final class PdfIntake {
    /** The most pages of one document. */
    public static final int MOST_PAGES = 200;

    private PdfIntake() {}

    /** A page's size in points, as it is seen. */
    public record Size(double width, double height) {}

    /**
     * A PDF that has been taken in.
     *
     * @param form the fields that it brought; they are no part of {@code pdf} any more
     * @param notes what was done to it that a person should know
     * @param archival whether it is PDF/A-2b
     */
    public record TakenIn(byte[] pdf, List<Size> sizes, List<OwnField> form, List<Message> notes, boolean archival) {}

    /**
     * @param title what it will be called
     * @param plain whether it is taken too when it can't be made fit for keeping
     * @throws PdfRefused with what is in the way, and what to do
     */
    public static TakenIn take(byte[] pdf, String title, boolean plain) {
        if (Opened.tooLarge(pdf)) throw new PdfRefused(PdfRefused.Reason.UNREADABLE, Message.of("pdf.too-much"));
        List<Message> notes = new ArrayList<>();
        try (PDDocument document = open(pdf, notes)) {
            refuse(document);
            List<OwnField> form = OwnForm.of(document);
            UprightPages.make(document);
            OtherMarks.flatten(document, notes);
            // with it go fonts that only its fields asked for
            document.getDocumentCatalog().getCOSObject().removeItem(COSName.ACRO_FORM);
            List<StandInFonts.StandIn> fonts = StandInFonts.put(document);
            ArchivalForm.clean(document);
            ArchivalForm.declare(document, title);
            byte[] kept = saved(document);
            List<String> faults = ArchivalCheck.faults(kept);
            if (!faults.isEmpty() && !plain)
                throw new PdfRefused(
                        PdfRefused.Reason.NOT_ARCHIVABLE,
                        Message.of("pdf.not-archivable", "faults", String.join("; ", faults)));
            if (!faults.isEmpty()) {
                ArchivalForm.describe(document, title, 0);
                kept = saved(document);
                notes.add(Message.of("pdf.plain"));
            }
            fonts.forEach(font -> notes.add(Message.of(
                    font.moved() ? "pdf.font-other-widths" : "pdf.font-replaced",
                    "font",
                    font.font(),
                    "by",
                    font.by())));
            return new TakenIn(kept, sizes(document), form, List.copyOf(notes), faults.isEmpty());
        } catch (InvalidPasswordException e) {
            throw protectedFile();
        } catch (IOException | RuntimeException | StackOverflowError e) {
            if (e instanceof PdfRefused refused) throw refused;
            throw new PdfRefused(PdfRefused.Reason.UNREADABLE, Message.of("pdf.unreadable"));
        }
    }

    /** The sizes of a PDF's pages as they are seen. @throws PdfRefused for one that can't be read */
    public static List<Size> sizes(byte[] pdf) {
        if (Opened.tooLarge(pdf)) throw new PdfRefused(PdfRefused.Reason.UNREADABLE, Message.of("pdf.too-much"));
        try (PDDocument document = open(pdf, new ArrayList<>())) {
            List<Size> sizes = sizes(document);
            if (sizes.isEmpty()) throw new PdfRefused(PdfRefused.Reason.UNREADABLE, Message.of("pdf.no-pages"));
            return sizes;
        } catch (InvalidPasswordException e) {
            throw protectedFile();
        } catch (IOException | RuntimeException e) {
            if (e instanceof PdfRefused refused) throw refused;
            throw new PdfRefused(PdfRefused.Reason.UNREADABLE, Message.of("pdf.unreadable"));
        }
    }

    private static List<Size> sizes(PDDocument document) {
        List<Size> sizes = new ArrayList<>();
        for (PDPage page : document.getPages()) {
            PageTurn turn = PageTurn.of(page);
            sizes.add(new Size(turn.width(), turn.height()));
        }
        return sizes;
    }

    /** The fields that a PDF brings; none for one that can't be taken in. */
    public static List<OwnField> form(byte[] pdf) {
        try (PDDocument document = open(pdf, new ArrayList<>())) {
            return OwnForm.of(document);
        } catch (IOException | RuntimeException e) {
            return List.of();
        }
    }

    /** Read strictly first, so that a file whose structure had to be mended is told from one that is whole. */
    private static PDDocument open(byte[] pdf, List<Message> notes) throws IOException {
        try {
            return new PDFParser(new RandomAccessReadBuffer(pdf)).parse(false);
        } catch (InvalidPasswordException e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            PDDocument mended = Loader.loadPDF(pdf);
            notes.add(Message.of("pdf.mended"));
            return mended;
        }
    }

    /** By way of a file: a buffer that grows would hold the document several times. */
    private static byte[] saved(PDDocument document) throws IOException {
        Path file = Files.createTempFile("pages", ".pdf");
        try {
            document.save(file.toFile());
            return Files.readAllBytes(file);
        } finally {
            Files.delete(file);
        }
    }

    private static PdfRefused protectedFile() {
        return new PdfRefused(PdfRefused.Reason.PROTECTED, Message.of("pdf.protected"));
    }

    private static void refuse(PDDocument document) throws IOException {
        if (document.isEncrypted()) throw protectedFile();
        int pages = 0;
        for (PDPage page : document.getPages()) {
            pages++;
            PageTurn turn = PageTurn.of(page);
            if (turn.width() < 10 || turn.height() < 10)
                throw new PdfRefused(PdfRefused.Reason.UNREADABLE, Message.of("pdf.page-without-room", "page", pages));
        }
        if (pages == 0) throw new PdfRefused(PdfRefused.Reason.UNREADABLE, Message.of("pdf.no-pages"));
        if (pages > MOST_PAGES)
            throw new PdfRefused(
                    PdfRefused.Reason.TOO_LONG, Message.of("pdf.too-long", "pages", pages, "most", MOST_PAGES));
        if (signed(document)) throw new PdfRefused(PdfRefused.Reason.SIGNED, Message.of("pdf.signed"));
        PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
        if (form != null && form.hasXFA()) throw new PdfRefused(PdfRefused.Reason.DYNAMIC, Message.of("pdf.dynamic"));
    }

    /** Whether a signature covers bytes of it (ISO 32000-1 §12.8.1). */
    private static boolean signed(PDDocument document) throws IOException {
        boolean[] found = new boolean[1];
        Objects.each(document, one -> {
            COSArray covered = one.getCOSArray(COSName.BYTERANGE);
            found[0] |= covered != null && one.containsKey(COSName.CONTENTS);
        });
        return found[0];
    }
}
