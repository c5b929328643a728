package org.jalousie.server.scans;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.paper.ScanFile;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes scans in, and shows what was found in them. */
@Service
class ScanDesk {
    private static final int LONGEST_NAME = 120;

    private final ScanRows rows;
    private final ScanReading reading;
    private final Agreements agreements;
    private final FileStore files;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Sight sight;

    ScanDesk(
            ScanRows rows,
            ScanReading reading,
            Agreements agreements,
            FileStore files,
            Jobs jobs,
            TransactionTemplate transaction,
            Clock clock,
            Sight sight) {
        this.sight = sight;
        this.rows = rows;
        this.reading = reading;
        this.agreements = agreements;
        this.files = files;
        this.jobs = jobs;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** @param number the agreement that it is of, as far as somebody says so; read in a job */
    ScanViews.ScanRowView bring(String name, byte[] bytes, Optional<AgreementNumber> number, String by) {
        number.ifPresent(this::requireUse);
        Optional<UUID> agreement = number.map(agreements::idOf);
        try (ScanFile file = ScanFile.open(bytes)) {
            ScanRows.Scan scan = new ScanRows.Scan(
                    UUID.randomUUID(),
                    OpenFiles.plain(name, LONGEST_NAME),
                    Optional.of(files.keep(bytes)),
                    agreement,
                    by,
                    clock.instant(),
                    ScanRows.State.READING,
                    "",
                    file.pages(),
                    0);
            transaction.executeWithoutResult(status -> {
                rows.add(scan);
                rows.pages(scan.id(), file.pages());
                jobs.soon(JobKind.SCAN, scan.id().toString());
            });
            return views(List.of(scan)).get(0);
        } catch (NotPossible e) {
            throw Refusal.invalid(e.said());
        }
    }

    Page<ScanViews.ScanRowView> list(int page) {
        var request = Page.request(page);
        return new Page<>(
                views(rows.newest(sight.hidden(), request.getPageSize(), (int) request.getOffset())),
                rows.count(sight.hidden()),
                page,
                request.getPageSize());
    }

    ScanViews.ScanView show(UUID id) {
        ScanRows.Scan scan = scan(id);
        Map<UUID, Agreement> known = new HashMap<>();
        List<ScanViews.ScanPageView> pages =
                rows.pagesOf(id).stream().map(one -> view(one, known)).toList();
        return new ScanViews.ScanView(views(List.of(scan)).get(0), pages);
    }

    /** A page as it was scanned, or as it lies over the printed one. */
    byte[] picture(UUID id, int number, boolean laid) {
        ScanRows.Pictures pictures =
                page(id, number).pictures().orElseThrow(() -> Refusal.notFound(Message.of("scan.no-picture")));
        return files.get(laid ? pictures.laid().orElse(pictures.picture()) : pictures.picture());
    }

    /** Says by hand which page of which agreement it is, or that it is none. */
    void assign(UUID id, int number, Optional<AgreementNumber> agreement, String document, int printedPage) {
        ScanRows.Page page = page(id, number);
        if (scan(id).state() == ScanRows.State.READING) throw Refusal.conflict(Message.of("scan.being-read"));
        if (agreement.isEmpty()) {
            rows.keep(new ScanRows.Page(
                    page.id(),
                    id,
                    number,
                    ScanRows.Kind.NO_MARK,
                    Optional.empty(),
                    page.named(),
                    page.marked(),
                    true,
                    page.pictures(),
                    List.of(),
                    page.broughtAt()));
            return;
        }
        requireUse(agreement.get());
        UUID of = agreements.idOf(agreement.get());
        Agreement now = agreements.read(of);
        if (!now.onPaper()) throw Refusal.conflict(Message.of("paper.not-on-paper"));
        Document one = PrintedPapers.document(now, document);
        if (printedPage < 1 || printedPage > one.pages().sizes().size())
            throw Refusal.invalid(
                    Message.of("document.pages", "pages", one.pages().sizes().size()));
        ScanRows.Place place = new ScanRows.Place(of, one.id(), printedPage, PrintedPapers.stateOf(now, one.id()));
        rows.keep(reading.byHand(page, read(picture(id, number, false)), now, place));
    }

    private void requireUse(AgreementNumber number) {
        sight.requireUse(agreements.template(number));
    }

    private static BufferedImage read(byte[] jpeg) {
        try {
            return ImageIO.read(new ByteArrayInputStream(jpeg));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Takes it off the list, with its pages; what was filed of it stays. */
    void remove(UUID id) {
        if (!rows.remove(id)) throw Refusal.notFound(Message.of("scan.none"));
    }

    private ScanRows.Scan scan(UUID id) {
        return rows.find(id).orElseThrow(() -> Refusal.notFound(Message.of("scan.none")));
    }

    private ScanRows.Page page(UUID id, int number) {
        return rows.page(id, number).orElseThrow(() -> Refusal.notFound(Message.of("scan.none")));
    }

    List<ScanViews.ScanRowView> views(List<ScanRows.Scan> scans) {
        Map<UUID, List<ScanRows.Whose>> whose =
                rows.whose(scans.stream().map(ScanRows.Scan::id).toList());
        Set<UUID> ids = new LinkedHashSet<>();
        whose.values().forEach(all -> all.forEach(one -> one.agreement().ifPresent(ids::add)));
        Map<UUID, AgreementNumber> numbers = agreements.numbersOf(ids);
        return scans.stream()
                .map(one -> {
                    List<ScanRows.Whose> own = whose.getOrDefault(one.id(), List.of());
                    return new ScanViews.ScanRowView(
                            one.id(),
                            one.name(),
                            one.broughtBy(),
                            one.broughtAt(),
                            one.state(),
                            one.fault(),
                            one.pages(),
                            one.seen(),
                            own.stream()
                                    .flatMap(of -> of.agreement().stream())
                                    .map(numbers::get)
                                    .toList(),
                            own.stream()
                                    .filter(of -> of.agreement().isEmpty())
                                    .mapToInt(ScanRows.Whose::pages)
                                    .sum());
                })
                .toList();
    }

    private ScanViews.ScanPageView view(ScanRows.Page page, Map<UUID, Agreement> known) {
        Optional<ScanViews.PageOf> of = page.place().flatMap(place -> {
            Agreement agreement = known.computeIfAbsent(place.agreement(), agreements::read);
            return agreement
                    .document(place.document())
                    .map(one -> new ScanViews.PageOf(
                            agreement.created().number(),
                            one.id(),
                            one.title(),
                            place.page(),
                            one.pages().sizes().size()));
        });
        int inDoubt = (int)
                page.findings().stream().filter(one -> one.kind().inDoubt()).count();
        return new ScanViews.ScanPageView(
                page.number(),
                page.kind(),
                Message.of("scan.page."
                                + page.kind()
                                        .name()
                                        .toLowerCase(java.util.Locale.ROOT)
                                        .replace('_', '-'))
                        .toString(),
                of.orElse(null),
                page.byHand(),
                page.pictures().isPresent(),
                inDoubt);
    }
}
