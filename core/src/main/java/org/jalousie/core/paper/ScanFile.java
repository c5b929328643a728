package org.jalousie.core.paper;

import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.pdf.Opened;
import org.jalousie.core.pdf.PageWords;

/** A file that a scanner made: PDF, or one or several pictures (TIFF, JPEG, PNG). Its pages are read one at a time. */
public final class ScanFile implements AutoCloseable {
    /** The most pages of one file. */
    public static final int MOST_PAGES = 300;

    /** How fine pages are drawn, where that can be said. */
    public static final int DOTS_PER_INCH = 200;

    private static final int COARSEST = 90;
    private static final int FINEST = 320;
    /** A4 with 440 dots to the inch; more is made fewer. */
    private static final int ENOUGH_PIXELS = 18_000_000;

    private static final long MOST_PIXELS = 80_000_000;
    private static final Set<String> PICTURES = Set.of("tif", "tiff", "jpeg", "jpg", "png");

    /** A coarse scan that is drawn finer has no steps at its edges. */
    private static final RenderingHints SMOOTH = new RenderingHints(Map.of(
            RenderingHints.KEY_INTERPOLATION,
            RenderingHints.VALUE_INTERPOLATION_BICUBIC,
            RenderingHints.KEY_RENDERING,
            RenderingHints.VALUE_RENDER_QUALITY,
            RenderingHints.KEY_ANTIALIASING,
            RenderingHints.VALUE_ANTIALIAS_ON));

    private final PDDocument pdf;
    private final ImageInputStream stream;
    private final ImageReader pictures;
    private final byte[] bytes;
    private PageWords words;
    private final int pages;

    private ScanFile(PDDocument pdf, byte[] bytes, ImageInputStream stream, ImageReader pictures, int pages) {
        this.pdf = pdf;
        this.bytes = bytes;
        this.stream = stream;
        this.pictures = pictures;
        this.pages = pages;
    }

    /** @throws NotPossible for what is no such file, can't be read or has too many pages */
    public static ScanFile open(byte[] bytes) {
        try {
            boolean pdf = bytes.length > 4
                    && new String(bytes, 0, 5, java.nio.charset.StandardCharsets.US_ASCII).equals("%PDF-");
            return pdf ? ofPdf(bytes) : ofPictures(bytes);
        } catch (InvalidPasswordException e) {
            throw new NotPossible(Message.of("scan.protected"));
        } catch (IOException | RuntimeException | StackOverflowError e) {
            if (e instanceof NotPossible told) throw told;
            throw new NotPossible(Message.of("scan.unreadable"));
        }
    }

    private static ScanFile ofPdf(byte[] bytes) throws IOException {
        if (Opened.tooLarge(bytes)) throw new NotPossible(Message.of("pdf.too-much"));
        PDDocument document = Loader.loadPDF(bytes);
        try {
            int pages = bounded(document.getNumberOfPages());
            return new ScanFile(document, bytes, null, null, pages);
        } catch (RuntimeException e) {
            document.close();
            throw e;
        }
    }

    private static ScanFile ofPictures(byte[] bytes) throws IOException {
        ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes));
        Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
        if (!readers.hasNext()) throw new NotPossible(Message.of("scan.kind"));
        ImageReader reader = readers.next();
        if (!PICTURES.contains(reader.getFormatName().toLowerCase(Locale.ROOT)))
            throw new NotPossible(Message.of("scan.kind"));
        reader.setInput(in);
        return new ScanFile(null, null, in, reader, bounded(reader.getNumImages(true)));
    }

    private static int bounded(int pages) {
        if (pages < 1) throw new NotPossible(Message.of("scan.unreadable"));
        if (pages > MOST_PAGES) throw new NotPossible(Message.of("scan.too-long", "most", MOST_PAGES));
        return pages;
    }

    public int pages() {
        return pages;
    }

    /**
     * A page as a picture, at about {@value #DOTS_PER_INCH} dots to the inch where that is known.
     *
     * @param page from 1
     * @throws NotPossible for one that can't be read
     */
    public BufferedImage picture(int page) {
        try {
            if (pdf == null) return picture(page - 1, pictures);
            PDPage one = pdf.getPage(page - 1);
            PDFRenderer renderer = new PDFRenderer(pdf);
            renderer.setRenderingHints(SMOOTH);
            return renderer.renderImageWithDPI(page - 1, fineness(one, page), ImageType.RGB);
        } catch (IOException | RuntimeException | StackOverflowError e) {
            if (e instanceof NotPossible told) throw told;
            throw new NotPossible(Message.of("scan.page-unreadable", "page", page));
        }
    }

    private static BufferedImage picture(int index, ImageReader reader) throws IOException {
        long dots = (long) reader.getWidth(index) * reader.getHeight(index);
        if (dots > MOST_PIXELS) throw new NotPossible(Message.of("scan.page-too-large", "page", index + 1));
        ImageReadParam param = reader.getDefaultReadParam();
        int step = (int) Math.ceil(Math.sqrt((double) dots / ENOUGH_PIXELS));
        if (step > 1) param.setSourceSubsampling(step, step, 0, 0);
        return reader.read(index, param);
    }

    /** As fine as the scanner's picture, so that it is drawn dot by dot. What no reader here opens would be an empty page. */
    private static float fineness(PDPage page, int number) throws IOException {
        PDRectangle box = page.getCropBox();
        float dots = 0;
        PDResources resources = page.getResources() == null ? new PDResources() : page.getResources();
        for (COSName name : resources.getXObjectNames()) {
            PDXObject object = resources.getXObject(name);
            if (!(object instanceof PDImageXObject image)) continue;
            COSBase filter = image.getCOSObject().getFilters();
            if (filter != null && filter.toString().contains("JPXDecode"))
                throw new NotPossible(Message.of("scan.jpeg-2000", "page", number));
            dots = Math.max(dots, image.getWidth() * 72f / Math.max(1, box.getWidth()));
        }
        float usual = dots < COARSEST || dots > FINEST ? DOTS_PER_INCH : dots;
        // a page that says it is as large as a poster is a page all the same
        double inches = Math.max(1, box.getWidth()) * Math.max(1, box.getHeight()) / 72 / 72;
        return (float) Math.min(usual, Math.sqrt(ENOUGH_PIXELS / inches));
    }

    /** The words that the scanner's program has read on a page; none where it hasn't tried. */
    public List<PageWords.Word> words(int page) {
        if (pdf == null) return List.of();
        if (words == null) words = PageWords.of(bytes);
        return words.all().stream().filter(one -> one.page() == page).toList();
    }

    @Override
    public void close() {
        try {
            if (pdf != null) pdf.close();
            if (pictures != null) pictures.dispose();
            if (stream != null) stream.close();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
