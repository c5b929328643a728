package org.jalousie.server.scans;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.messages.Message;
import org.jalousie.core.paper.Finding;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;

/** Scans and paper as they are shown. */
final class ScanViews {
    private ScanViews() {}

    /** @param number of the agreement, {@code title} of the document; {@code page} from 1 */
    record PageOf(AgreementNumber number, DocumentId document, String title, int page, int pages) {}

    /**
     * A page of a scan.
     *
     * @param of which page of an agreement it is; null where that isn't known
     * @param said what it is, in a sentence
     */
    record ScanPageView(
            int number,
            ScanRows.Kind kind,
            String said,
            @Schema(types = {"object", "null"}) PageOf of,
            boolean byHand,
            boolean shown,
            int inDoubt) {}

    /** @param agreements whose pages are in it, as far as it has been read; {@code seen} how many pages have been */
    record ScanRowView(
            UUID id,
            String name,
            String broughtBy,
            Instant broughtAt,
            ScanRows.State state,
            String fault,
            int pages,
            int seen,
            List<AgreementNumber> agreements,
            int loose) {}

    record ScanView(ScanRowView scan, List<ScanPageView> pages) {}

    /**
     * Something to look at on a page.
     *
     * @param left, top, width, height in hundredths of the page, from above left
     */
    record FindingView(
            Finding.Kind kind,
            String said,
            double left,
            double top,
            double width,
            double height,
            String text,
            String instead,
            boolean inDoubt) {
        static FindingView of(Finding one, Pages.Size page) {
            return new FindingView(
                    one.kind(),
                    Message.of(one.kind().code()).toString(),
                    percent(one.x(), page.width()),
                    percent(page.height() - one.y() - one.height(), page.height()),
                    percent(one.width(), page.width()),
                    percent(one.height(), page.height()),
                    one.text(),
                    one.instead(),
                    one.kind().inDoubt());
        }

        private static double percent(double part, double of) {
            return Math.round(Math.max(0, Math.min(1, part / of)) * 10_000) / 100.0;
        }
    }

    /** A scanned page that stands for a sheet. @param number within its scan; {@code laid} whether it could be laid over the print */
    record Came(UUID scan, int number, boolean marked, boolean byHand, boolean laid, List<FindingView> findings) {}

    /** A printed page and what came back of it. @param came null as long as nothing has; {@code others} how many more came of it */
    record SheetView(
            DocumentId document,
            String title,
            int page,
            @Schema(types = {"object", "null"}) Came came,
            int others) {}

    record SignerView(PartyKey party, String label, String name) {}

    /** How it was closed. @param note may be empty */
    record ClosedView(String broughtBy, LocalDate receivedOn, int inDoubt, String note) {}

    /**
     * An agreement on paper.
     *
     * @param looked tells what was seen, for the closing; another one when something has changed since
     * @param open what has to be there before it can be closed, in sentences
     * @param printedOn the office's day on which it was printed; nothing came back before
     */
    record PaperView(
            Instant since,
            LocalDate printedOn,
            List<SignerView> signers,
            List<SheetView> sheets,
            List<ScanRowView> scans,
            List<String> open,
            int inDoubt,
            String looked,
            @Schema(types = {"object", "null"}) ClosedView closed) {}
}
