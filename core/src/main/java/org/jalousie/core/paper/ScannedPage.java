package org.jalousie.core.paper;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.util.List;
import org.jalousie.core.pdf.PageWords;

/** A page that came out of a scanner. */
public final class ScannedPage {
    /** Less ink than that is dust. */
    private static final double BLANK = 0.0004;

    private final BufferedImage picture;
    private final Grey ink;
    private final List<MarkReader.Found> marks;
    private final List<PageWords.Word> words;

    /** @param words that the scanner's program has read on it; none where it hasn't tried */
    public ScannedPage(BufferedImage picture, List<PageWords.Word> words) {
        this.picture = picture;
        this.words = words;
        Grey grey = Grey.of(picture);
        this.marks = MarkReader.all(grey);
        this.ink = grey.ink();
    }

    /** What its mark says; empty where none can be read. Where words of the page pass themselves off as one, there are several. */
    public List<PaperMark> marks() {
        return marks.stream().map(MarkReader.Found::mark).toList();
    }

    /** Whether nothing is on it, like on the back of most sheets. */
    public boolean blank() {
        return marks.isEmpty() && ink.share(110, Math.min(ink.width(), ink.height()) / 25) < BLANK;
    }

    /**
     * What it shows beside the page that was printed.
     *
     * @param alike how alike they are, from 0 to 1
     * @param same whether it is that page at all
     * @param upright how often it has to be turned by a quarter, with the hands of a clock, to stand upright
     * @param scale how many dots of it go into one of the printed page
     * @param laid as it lies over the printed page
     */
    public record Look(
            double alike, boolean same, int upright, double scale, BufferedImage laid, List<Finding> findings) {}

    /** How alike it is to a page, and nothing else. */
    public double alike(PrintedPage page) {
        return registered(page).alike();
    }

    /** Compares it with a page. */
    public Look against(PrintedPage page) {
        Registration found = registered(page);
        PageFindings.Found all = PageFindings.of(page, ink, found, words);
        double angle = Math.toDegrees(Math.atan2(found.fit().yx(), found.fit().xx()));
        int upright = Math.floorMod((int) Math.round(-angle / 90), 4);
        return new Look(found.alike(), all.same(), upright, found.fit().scale(), laid(page, found), all.findings());
    }

    private Registration registered(PrintedPage page) {
        for (MarkReader.Found here : marks)
            for (MarkReader.Found there : page.marks())
                if (here.mark().equals(there.mark()))
                    return Registration.of(page.ink(), ink, there.points(), here.points());
        return Registration.of(page.ink(), ink, List.of(), List.of());
    }

    /** Half as many dots as were compared are enough to look at. */
    private BufferedImage laid(PrintedPage page, Registration found) {
        int wide = page.ink().width() / 2;
        int high = page.ink().height() / 2;
        BufferedImage laid = new BufferedImage(wide, high, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = laid.createGraphics();
        graphics.setColor(java.awt.Color.WHITE);
        graphics.fillRect(0, 0, wide, high);
        graphics.dispose();
        for (int y = 0; y < high; y++) {
            for (int x = 0; x < wide; x++) {
                int sx = (int) Math.round(found.fit().x(2 * x + 0.5, 2 * y + 0.5));
                int sy = (int) Math.round(found.fit().y(2 * x + 0.5, 2 * y + 0.5));
                if (sx >= 0 && sy >= 0 && sx < picture.getWidth() && sy < picture.getHeight())
                    laid.setRGB(x, y, picture.getRGB(sx, sy));
            }
        }
        return laid;
    }
}
