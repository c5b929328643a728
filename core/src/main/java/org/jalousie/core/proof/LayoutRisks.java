package org.jalousie.core.proof;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;

/** Looks through finished pages for layout risks. The pages have to be tagged (ISO 32000-1 §14.8). */
public final class LayoutRisks {
    /** Words this far above a signature, in points, are no part of its block. */
    private static final double BLOCK_HEIGHT = 60;

    private final PDDocument document;
    private final Pages pages;
    private final List<LayoutRisk> risks = new ArrayList<>();

    private LayoutRisks(PDDocument document, Pages pages) {
        this.document = document;
        this.pages = pages;
    }

    /** @param pages where the signing fields stand on these pages */
    public static List<LayoutRisk> of(byte[] pdf, Pages pages) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return of(document, pages);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static List<LayoutRisk> of(PDDocument document, Pages pages) throws IOException {
        LayoutRisks look = new LayoutRisks(document, pages);
        look.all();
        return List.copyOf(look.risks);
    }

    /**
     * As {@link #of(byte[], Pages)}, and words that the pages lost because their box was too small.
     *
     * @param boxed the paragraphs that stand in boxes which do not grow
     */
    public static List<LayoutRisk> of(byte[] pdf, Pages pages, List<String> boxed) {
        List<LayoutRisk> risks = new ArrayList<>(of(pdf, pages));
        if (boxed.isEmpty()) return risks;
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String shown = bare(new PDFTextStripper().getText(document));
            for (String paragraph : boxed) {
                String wanted = bare(paragraph);
                // the end is what a box cuts off
                if (shown.contains(wanted.substring(Math.max(0, wanted.length() - 24)))) continue;
                risks.add(new LayoutRisk(
                        LayoutRisk.Kind.TEXT_OUTSIDE,
                        1,
                        document.getPage(0).getCropBox().getHeight() / 2,
                        Message.of("risk.outside-box", "words", shortened(paragraph)),
                        Message.of("risk.outside-box.cure")));
            }
            return risks;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String bare(String text) {
        return text.replaceAll("[\\s\u00a0\u00ad-]+", "");
    }

    private void all() throws IOException {
        TaggedPages tagged = TaggedPages.of(document);
        for (int page = 1; page <= document.getNumberOfPages(); page++) {
            List<TaggedPages.Stretch> stretches = tagged.onPage(page);
            empty(page, stretches);
            headingAtFoot(page, stretches);
            signatureAlone(page, stretches);
            outside(page, stretches);
        }
        for (Map.Entry<Object, TaggedPages.Row> row : tagged.rows().entrySet()) {
            if (row.getValue().lastPage() > row.getValue().firstPage()) {
                risks.add(new LayoutRisk(
                        LayoutRisk.Kind.ROW_BROKEN,
                        row.getValue().firstPage(),
                        lowest(
                                tagged.onPage(row.getValue().firstPage()),
                                row.getValue().firstPage()),
                        Message.of(
                                "risk.row-broken",
                                "words",
                                shortened(row.getValue().words())),
                        Message.of("risk.row-broken.cure")));
            }
        }
    }

    private void empty(int page, List<TaggedPages.Stretch> stretches) {
        boolean words = stretches.stream().anyMatch(one -> !one.text().isBlank() || one.picture());
        boolean fields = pages.fields().stream().anyMatch(field -> field.page() == page);
        if (words || fields) return;
        risks.add(new LayoutRisk(
                LayoutRisk.Kind.EMPTY_PAGE,
                page,
                document.getPage(page - 1).getCropBox().getHeight() / 2,
                Message.of("risk.empty-page", "page", page),
                Message.of("risk.empty-page.cure")));
    }

    private void headingAtFoot(int page, List<TaggedPages.Stretch> stretches) {
        if (page == document.getNumberOfPages()) return;
        for (int i = stretches.size() - 1; i >= 0; i--) {
            TaggedPages.Stretch last = stretches.get(i);
            if (last.text().isBlank() && !last.picture()) continue;
            if (last.heading()) {
                risks.add(new LayoutRisk(
                        LayoutRisk.Kind.HEADING_AT_FOOT,
                        page,
                        lowest(List.of(last), page),
                        Message.of("risk.heading-at-foot", "words", shortened(last.text()), "page", page),
                        Message.of("risk.heading-at-foot.cure")));
            }
            return;
        }
    }

    private void signatureAlone(int page, List<TaggedPages.Stretch> stretches) {
        if (page == 1) return;
        double highest = pages.fields().stream()
                .filter(field -> field.page() == page && field.field().type().signs())
                .mapToDouble(LayoutRisks::top)
                .max()
                .orElse(-1);
        if (highest < 0) return;
        double pageHeight = document.getPage(page - 1).getCropBox().getHeight();
        for (TaggedPages.Stretch stretch : stretches) {
            for (TextPosition letter : stretch.letters()) {
                if (!letter.getUnicode().isBlank() && pageHeight - letter.getYDirAdj() > highest + BLOCK_HEIGHT) return;
            }
        }
        risks.add(new LayoutRisk(
                LayoutRisk.Kind.SIGNATURE_ALONE,
                page,
                highest,
                Message.of("risk.signatures-alone", "page", page),
                Message.of("risk.signatures-alone.cure")));
    }

    private static double top(PlacedField field) {
        return field.y() + field.height();
    }

    private void outside(int page, List<TaggedPages.Stretch> stretches) {
        PDRectangle box = document.getPage(page - 1).getCropBox();
        for (TaggedPages.Stretch stretch : stretches) {
            boolean out = stretch.letters().stream()
                    .filter(letter -> !letter.getUnicode().isBlank())
                    .anyMatch(letter -> letter.getXDirAdj() < -0.5
                            || letter.getXDirAdj() + letter.getWidthDirAdj() > box.getWidth() + 0.5
                            || letter.getYDirAdj() > box.getHeight() + 0.5
                            || letter.getYDirAdj() < 0);
            if (!out) continue;
            risks.add(new LayoutRisk(
                    LayoutRisk.Kind.TEXT_OUTSIDE,
                    page,
                    lowest(List.of(stretch), page),
                    Message.of("risk.off-page", "words", shortened(stretch.text()), "page", page),
                    Message.of("risk.off-page.cure")));
            return;
        }
    }

    /** The height of the lowest letter, within the page. */
    private double lowest(List<TaggedPages.Stretch> stretches, int page) {
        double height = document.getPage(page - 1).getCropBox().getHeight();
        double down = stretches.stream()
                .flatMap(stretch -> stretch.letters().stream())
                .filter(letter -> !letter.getUnicode().isBlank())
                .mapToDouble(TextPosition::getYDirAdj)
                .max()
                .orElse(height / 2);
        return Math.max(0, Math.min(height, height - down));
    }

    private static String shortened(String text) {
        String line = text.strip().replaceAll("\\s+", " ");
        return line.length() > 60 ? line.substring(0, 60) + "\u2026" : line;
    }
}
