package org.jalousie.server.paper;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.pdf.OwnField;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.pdf.PdfIntake;
import org.jalousie.core.pdf.PdfRefused;
import org.jalousie.core.pdf.PicturePage;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.springframework.stereotype.Component;

/**
 * Pages made of files that people bring: PDFs, pictures, and files of office programs. No transaction may be open around it, since
 * a conversion takes its time.
 */
@Component
public class Papers {
    /** Words of pages that are kept in memory. */
    private static final long MOST_WORDS = 2_000_000;

    private final Converter converter;
    private final FileStore files;
    private final Cache<Sha256, PageWords> words = Caffeine.newBuilder()
            .maximumWeight(MOST_WORDS)
            .weigher((Sha256 file, PageWords known) -> 1 + known.all().size())
            .build();

    private final Cache<Sha256, List<RuledLines.Line>> lines = Caffeine.newBuilder()
            .maximumWeight(400_000)
            .weigher((Sha256 file, List<RuledLines.Line> of) -> 1 + of.size())
            .build();

    private final Cache<Sha256, List<Pages.Size>> sizes =
            Caffeine.newBuilder().maximumSize(2000).build();

    Papers(Converter converter, FileStore files) {
        this.converter = converter;
        this.files = files;
    }

    /**
     * A file that has been taken in as pages.
     *
     * @param file its pages, {@code brought} as it came
     * @param form the fields that it brought
     * @param notes what was done to it that a person should know
     */
    public record Paper(
            Sha256 file, Sha256 brought, List<PdfIntake.Size> sizes, List<OwnField> form, List<Message> notes) {}

    /**
     * @param title what the document will be called
     * @param plain whether it is taken too when it can't be made fit for keeping
     * @throws Refusal with what is in the way, and what to do
     */
    public Paper take(byte[] bytes, String title, boolean plain) {
        PdfIntake.TakenIn taken = read(pdf(bytes), title, plain);
        return new Paper(files.keep(taken.pdf()), files.keep(bytes), taken.sizes(), taken.form(), taken.notes());
    }

    /** Keeps a PDF that goes along untouched. @throws Refusal for what is no PDF or can't be shown */
    public Sha256 attach(byte[] bytes) {
        if (!isPdf(bytes)) throw Refusal.invalid(Message.of("document.attached-kind"));
        try {
            PdfIntake.sizes(bytes);
        } catch (PdfRefused e) {
            throw Refusal.invalid(e.said());
        }
        return files.keep(bytes);
    }

    private static PdfIntake.TakenIn read(byte[] pdf, String title, boolean plain) {
        try {
            return PdfIntake.take(pdf, title, plain);
        } catch (PdfRefused e) {
            throw e.reason() == PdfRefused.Reason.NOT_ARCHIVABLE || e.reason() == PdfRefused.Reason.SIGNED
                    ? Refusal.conflict(e.said())
                    : Refusal.invalid(e.said());
        }
    }

    /** Whether a file is a PDF, whatever it is called. */
    public static boolean isPdf(byte[] bytes) {
        return OpenFiles.isPdf(bytes);
    }

    /**
     * Whether a file is a Word file of the kind that a wording is made of, or a packed one that is nothing else: what is wrong with
     * that is told there.
     */
    public static boolean isWord(byte[] bytes) {
        Optional<OfficeFormat> format = OfficeFormat.of(bytes);
        return format.isEmpty() ? OfficeFormat.packed(bytes) : format.get() == OfficeFormat.DOCX;
    }

    private byte[] pdf(byte[] bytes) {
        if (isPdf(bytes)) return bytes;
        Optional<OfficeFormat> office = OfficeFormat.of(bytes);
        if (office.isPresent()) {
            try {
                return converter.pages(bytes, office.get().ending());
            } catch (Converter.ConversionFailed e) {
                throw Refusal.conflict(e.said());
            }
        }
        byte[] picture = OpenFiles.taken(bytes).orElseThrow(() -> Refusal.invalid(Message.of("paper.kind")));
        return PicturePage.of(PictureFile.read(picture));
    }

    /** The words of pages that were taken in. */
    public PageWords words(Sha256 file) {
        return words.get(file, name -> PageWords.of(files.get(name)));
    }

    /** The upright and level lines that pages which were taken in draw. */
    public List<RuledLines.Line> lines(Sha256 file) {
        return lines.get(file, name -> RuledLines.of(files.get(name)));
    }

    /** The sizes of pages that were taken in, in points. */
    public List<Pages.Size> sizes(Sha256 file) {
        return sizes.get(
                file,
                name -> PdfIntake.sizes(files.get(name)).stream()
                        .map(one -> new Pages.Size(one.width(), one.height()))
                        .toList());
    }

    /** The fields that a file brought, in the order in which it has them. */
    public List<OwnField> form(Sha256 brought) {
        byte[] bytes = files.get(brought);
        return isPdf(bytes) ? PdfIntake.form(bytes) : List.of();
    }
}
