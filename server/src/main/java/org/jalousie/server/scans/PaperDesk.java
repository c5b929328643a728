package org.jalousie.server.scans;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.OnPaper;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.messages.Message;
import org.jalousie.core.paper.PaperFile;
import org.jalousie.core.paper.PaperPrint;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;

/** What goes out on paper and comes back: the print, what is lacking, and the closing. */
@Service
class PaperDesk {
    private final Agreements agreements;
    private final PrintedPapers printed;
    private final ScanRows rows;
    private final ScanDesk scans;
    private final FileStore files;
    private final Settings settings;
    private final Clock clock;

    PaperDesk(
            Agreements agreements,
            PrintedPapers printed,
            ScanRows rows,
            ScanDesk scans,
            FileStore files,
            Settings settings,
            Clock clock) {
        this.agreements = agreements;
        this.printed = printed;
        this.rows = rows;
        this.scans = scans;
        this.files = files;
        this.settings = settings;
        this.clock = clock;
    }

    /** How somebody closes it. @param looked what they have seen; {@code agreed} whether they have looked at all that is in doubt */
    record Closing(String broughtBy, String receivedOn, String note, String looked, boolean agreed) {}

    /** A printed page, with what came back of it. */
    private record Sheet(Document document, int page, Optional<ScanRows.Page> came, int others) {}

    /** All of it in one file, to be printed. */
    byte[] print(AgreementNumber number) {
        UUID id = agreements.idOf(number);
        Agreement agreement = agreements.read(id);
        return PaperPrint.together(PrintedPapers.documents(agreement).stream()
                .map(one -> printed.of(id, agreement, one))
                .toList());
    }

    /** One document as it was printed. */
    byte[] print(AgreementNumber number, String document) {
        UUID id = agreements.idOf(number);
        Agreement agreement = agreements.read(id);
        return printed.of(id, agreement, PrintedPapers.document(agreement, document))
                .pdf();
    }

    ScanViews.PaperView show(AgreementNumber number) {
        UUID id = agreements.idOf(number);
        Agreement agreement = agreements.read(id);
        OnPaper paper = agreement.paper().orElseThrow(() -> Refusal.notFound(Message.of("paper.not-on-paper")));
        List<Sheet> sheets = sheets(id, agreement);
        return new ScanViews.PaperView(
                paper.since(),
                day(paper.since()),
                PrintedPapers.signers(agreement).stream()
                        .map(one -> new ScanViews.SignerView(one.party(), one.label(), one.name()))
                        .toList(),
                sheets.stream().map(PaperDesk::view).toList(),
                scans.views(rows.scansOf(id)),
                agreement.onPaper()
                        ? lacking(sheets).map(Message::toString).stream().toList()
                        : List.of(),
                inDoubt(sheets),
                looked(agreement, sheets),
                paper.signed()
                        .map(one ->
                                new ScanViews.ClosedView(one.broughtBy(), one.receivedOn(), one.inDoubt(), one.note()))
                        .orElse(null));
    }

    /** Files what came back as the signed agreement. Nothing is held while the files are put together. */
    void close(AgreementNumber number, Closing closing, Actor by) {
        UUID id = agreements.idOf(number);
        Agreement agreement = agreements.read(id);
        if (!agreement.onPaper()) throw Refusal.conflict(Message.of("paper.not-on-paper"));
        LocalDate received = received(closing.receivedOn(), agreement);
        List<Sheet> sheets = sheets(id, agreement);
        lacking(sheets).ifPresent(fault -> {
            throw Refusal.conflict(fault);
        });
        if (!looked(agreement, sheets).equals(closing.looked())) throw Refusal.conflict(Message.of("paper.changed"));
        int inDoubt = inDoubt(sheets);
        if (inDoubt > 0 && !closing.agreed()) throw Refusal.conflict(Message.of("paper.look-first", "count", inDoubt));
        List<Revision> filed = new ArrayList<>();
        for (Document one : PrintedPapers.documents(agreement))
            filed.add(new Revision(one.id(), files.keep(file(agreement, one, sheets))));
        agreements.carryOut(
                id,
                by,
                new Command.SignOnPaper(
                        agreement.length(),
                        filed,
                        sheets.stream().map(PaperDesk::scanned).toList(),
                        closing.broughtBy(),
                        received,
                        inDoubt,
                        closing.note()));
    }

    private LocalDate received(String said, Agreement agreement) {
        LocalDate day;
        try {
            day = LocalDate.parse(said);
        } catch (java.time.DateTimeException e) {
            throw Refusal.invalid(Message.of("paper.no-day"));
        }
        if (day.isAfter(day(clock.instant()))) throw Refusal.invalid(Message.of("paper.day-to-come"));
        if (day.isBefore(day(agreement.paper().orElseThrow().since())))
            throw Refusal.invalid(Message.of("paper.day-before-print"));
        return day;
    }

    private LocalDate day(Instant at) {
        return LocalDate.ofInstant(at, settings.office().zone());
    }

    private byte[] file(Agreement agreement, Document document, List<Sheet> sheets) {
        List<PaperFile.Page> pages = sheets.stream()
                .filter(one -> one.document().id().equals(document.id()))
                .map(one -> one.came().orElseThrow().pictures().orElseThrow())
                .map(one -> new PaperFile.Page(files.get(one.picture()), one.wide(), one.high()))
                .toList();
        Sha256 state = PrintedPapers.stateOf(agreement, document.id());
        return PaperFile.of(
                document.title(),
                pages,
                files.get(state),
                FileNames.of(agreement, document.id(), "pdf"),
                clock.instant());
    }

    private static Event.ScannedSheet scanned(Sheet sheet) {
        ScanRows.Page came = sheet.came().orElseThrow();
        return new Event.ScannedSheet(
                sheet.document().id(),
                sheet.page(),
                came.pictures().orElseThrow().picture(),
                came.marked());
    }

    /** Each printed page in order; of several that came of one, the one that came last. Those of a file that is there twice are shared out. */
    private List<Sheet> sheets(UUID id, Agreement agreement) {
        List<ScanRows.Page> all = rows.ofAgreement(id);
        List<Sheet> sheets = new ArrayList<>();
        Map<Sha256, Integer> same = new HashMap<>();
        for (Document document : PrintedPapers.documents(agreement)) {
            Sha256 state = PrintedPapers.stateOf(agreement, document.id());
            // of two documents that are the same file the pages bear the same mark
            int before = same.merge(state, 1, Integer::sum) - 1;
            for (int number = 1; number <= document.pages().sizes().size(); number++) {
                int page = number;
                List<ScanRows.Page> came = all.stream()
                        .filter(one -> one.place()
                                .filter(at -> at.printed().equals(state) && at.page() == page)
                                .isPresent())
                        .toList();
                sheets.add(new Sheet(
                        document, page, came.stream().skip(before).findFirst(), Math.max(0, came.size() - 1 - before)));
            }
        }
        return sheets;
    }

    private static Optional<Message> lacking(List<Sheet> sheets) {
        List<Message> missing = sheets.stream()
                .filter(one -> one.came().isEmpty())
                .map(one -> Message.of("paper.page-of", "title", one.document().title(), "page", one.page()))
                .toList();
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of(Message.of("paper.lacking", "count", missing.size(), "pages", Message.list(missing)));
    }

    private static int inDoubt(List<Sheet> sheets) {
        return (int) sheets.stream()
                .flatMap(one -> one.came().stream())
                .flatMap(one -> one.findings().stream())
                .filter(one -> one.kind().inDoubt())
                .count();
    }

    /** What somebody has seen when they saw this. */
    private static String looked(Agreement agreement, List<Sheet> sheets) {
        StringBuilder all = new StringBuilder(String.valueOf(agreement.length()));
        for (Sheet one : sheets)
            all.append(one.came()
                    .map(came -> "\n" + came.id() + came.pictures() + came.findings())
                    .orElse("\n-"));
        return Sha256.of(all.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8))
                .hex()
                .substring(0, 16);
    }

    private static ScanViews.SheetView view(Sheet sheet) {
        return new ScanViews.SheetView(
                sheet.document().id(),
                sheet.document().title(),
                sheet.page(),
                sheet.came()
                        .map(one -> new ScanViews.Came(
                                one.scan(),
                                one.number(),
                                one.marked(),
                                one.byHand(),
                                one.pictures().flatMap(ScanRows.Pictures::laid).isPresent(),
                                one.findings().stream()
                                        .map(found -> ScanViews.FindingView.of(
                                                found,
                                                sheet.document().pages().sizes().get(sheet.page() - 1)))
                                        .toList()))
                        .orElse(null),
                sheet.others());
    }
}
