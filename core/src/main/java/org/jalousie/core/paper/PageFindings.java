package org.jalousie.core.paper;

import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.awt.Rectangle;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jalousie.core.pdf.PageWords;

/** Puts what two pages differ in into words and places. */
final class PageFindings {
    /** How far beside its place a signature may go, in points: 8 mm. */
    private static final double BESIDE = 22.7;

    private static final double POINTS = 72.0 / ScanFile.DOTS_PER_INCH;

    /** When more of its words look otherwise, it is another page. */
    private static final double MOST_OTHERS_SEEN = 0.7;

    /** When the text that came with a scan differs in more of its words, it is told once. */
    private static final double MOST_OTHERS = 0.2;

    private final PrintedPage page;
    private final List<Finding> findings = new ArrayList<>();

    private PageFindings(PrintedPage page) {
        this.page = page;
    }

    /** Whether it is that page at all, and what is to be said of it. */
    record Found(boolean same, List<Finding> findings) {}

    static Found of(PrintedPage page, Grey scan, Registration laid, List<PageWords.Word> read) {
        PageFindings all = new PageFindings(page);
        PageComparison.Result result = laid.alike() < Registration.SAME
                ? new PageComparison.Result(List.of(), List.of(), 1, false)
                : PageComparison.of(page.ink(), scan, laid.fit(), page.words(), all.captions());
        if (result.others() > MOST_OTHERS_SEEN) {
            all.wholePage(Finding.Kind.OTHER_PAGE);
            return new Found(false, List.copyOf(all.findings));
        }
        all.compared(result);
        all.readBeside(read);
        return new Found(true, List.copyOf(all.findings));
    }

    private void compared(PageComparison.Result result) {
        List<PaperPrint.Place> written = new ArrayList<>();
        if (result.unclear()) wholePage(Finding.Kind.UNCLEAR);
        for (Rectangle dots : result.changed()) {
            Rectangle2D at = points(dots);
            add(Finding.Kind.CHANGED, at, wordsAt(at), "");
        }
        for (Rectangle dots : result.written()) {
            Rectangle2D at = points(dots);
            List<PaperPrint.Place> places =
                    page.places().stream().filter(one -> belongs(at, one)).toList();
            written.addAll(places);
            if (places.isEmpty()) add(Finding.Kind.WRITTEN, at, "", "");
            else
                add(
                        Finding.Kind.IN_PLACE,
                        at,
                        places.get(0).caption(),
                        places.get(0).party());
        }
        for (PaperPrint.Place one : page.places())
            if (one.needed() && !written.contains(one))
                add(Finding.Kind.EMPTY, box(one, 0), one.caption(), one.party());
    }

    /** Where people write over small letters that say what goes there. */
    private List<Rectangle> captions() {
        return page.places().stream()
                .map(one -> new Rectangle(
                        (int) ((one.x() - 1) / POINTS),
                        (int) ((page.height() - one.y() - one.height() - 1) / POINTS),
                        (int) ((one.width() + 2) / POINTS),
                        (int) ((one.height() + 2 + PaperPrint.BELOW) / POINTS)))
                .toList();
    }

    /** Whoever signs goes over the edges, but not far from where they were asked to. */
    private static boolean belongs(Rectangle2D ink, PaperPrint.Place place) {
        if (!box(place, 0).intersects(ink)) return false;
        return box(place, BESIDE).contains(ink.getCenterX(), ink.getCenterY());
    }

    private static Rectangle2D box(PaperPrint.Place one, double around) {
        return new Rectangle2D.Double(
                one.x() - around, one.y() - around, one.width() + 2 * around, one.height() + 2 * around);
    }

    private Rectangle2D points(Rectangle dots) {
        return new Rectangle2D.Double(
                dots.x * POINTS,
                page.height() - (dots.y + dots.height) * POINTS,
                dots.width * POINTS,
                dots.height * POINTS);
    }

    private String wordsAt(Rectangle2D at) {
        return page.words().stream()
                .filter(one -> at.intersects(one.x(), one.y(), one.width(), Math.max(1, one.height())))
                .map(PageWords.Word::text)
                .collect(Collectors.joining(" "));
    }

    private void wholePage(Finding.Kind kind) {
        findings.add(new Finding(kind, 0, 0, page.ink().width() * POINTS, page.height(), "", "", ""));
    }

    private void add(Finding.Kind kind, Rectangle2D at, String text, String party) {
        findings.add(new Finding(kind, at.getX(), at.getY(), at.getWidth(), at.getHeight(), text, "", party));
    }

    /** The text that came with the scan, where there is enough of it to be the page's. */
    private void readBeside(List<PageWords.Word> read) {
        List<PageWords.Word> printed = page.words();
        if (read.size() * 2 < printed.size() || printed.isEmpty()) return;
        List<AbstractDelta<String>> deltas = DiffUtils.diff(plain(printed), plain(read)).getDeltas().stream()
                .filter(one -> one.getSource().size() > 0)
                .toList();
        int others = deltas.stream().mapToInt(one -> one.getSource().size()).sum();
        if (others > printed.size() * MOST_OTHERS) {
            wholePage(Finding.Kind.READS_OTHERWISE);
            return;
        }
        for (AbstractDelta<String> one : deltas) {
            int from = one.getSource().getPosition();
            PageWords.Word first = printed.get(from);
            findings.add(new Finding(
                    Finding.Kind.READS_OTHERWISE,
                    first.x(),
                    first.y() - 2,
                    first.width(),
                    first.height() + 4,
                    said(printed, from, one.getSource().size()),
                    said(read, one.getTarget().getPosition(), one.getTarget().size()),
                    ""));
        }
    }

    private static String said(List<PageWords.Word> words, int from, int count) {
        return words.subList(from, from + count).stream()
                .map(PageWords.Word::text)
                .collect(Collectors.joining(" "));
    }

    private static List<String> plain(List<PageWords.Word> words) {
        return words.stream().map(one -> PageWords.alike(one.text())).toList();
    }
}
