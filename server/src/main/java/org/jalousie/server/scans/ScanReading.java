package org.jalousie.server.scans;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.paper.PagePicture;
import org.jalousie.core.paper.PaperMark;
import org.jalousie.core.paper.PaperPrint;
import org.jalousie.core.paper.PrintedPage;
import org.jalousie.core.paper.ScanFile;
import org.jalousie.core.paper.ScannedPage;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.springframework.stereotype.Component;

/** Reads scans page by page: whose each is, and what it shows otherwise than was printed. */
@Component
class ScanReading implements JobWork {
    /** Each page against each that is lacking; where that is more, somebody says by hand which they are. */
    private static final int MOST_TRIED = 200;

    /** Prints of so many documents are held while a file is read: a stack may have hundreds. */
    private static final int MOST_HELD = 6;

    private final ScanRows rows;
    private final PrintedPapers printed;
    private final Agreements agreements;
    private final FileStore files;

    ScanReading(ScanRows rows, PrintedPapers printed, Agreements agreements, FileStore files) {
        this.rows = rows;
        this.printed = printed;
        this.agreements = agreements;
        this.files = files;
    }

    @Override
    public JobKind kind() {
        return JobKind.SCAN;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        Optional<ScanRows.Scan> scan = rows.find(id).filter(one -> one.state() == ScanRows.State.READING);
        if (scan.isEmpty() || scan.get().file().isEmpty()) return false;
        try (ScanFile file = ScanFile.open(files.get(scan.get().file().get()))) {
            rows.pages(id, file.pages());
            Run run = new Run(scan.get(), file);
            run.marked();
            run.unmarked();
            rows.settle(id, ScanRows.State.READ, "");
        } catch (NotPossible e) {
            rows.settle(id, ScanRows.State.REFUSED, e.getMessage());
        }
        return true;
    }

    @Override
    public void givenUp(String instance, String reason) {
        rows.settle(UUID.fromString(instance), ScanRows.State.REFUSED, reason);
    }

    /** Compares a picture with the page that somebody says it is. */
    ScanRows.Page byHand(ScanRows.Page before, BufferedImage picture, Agreement agreement, ScanRows.Place place) {
        Document document = PrintedPapers.document(agreement, place.document().value());
        PrintedPage page = PrintedPage.of(printed.of(place.agreement(), agreement, document), place.page());
        return matched(before.scan(), before.number(), new ScannedPage(picture, List.of()), picture, page, place, true);
    }

    /** One reading of one file. */
    private final class Run {
        private final ScanRows.Scan scan;
        private final ScanFile file;
        private final Map<UUID, Agreement> known = new HashMap<>();
        private final Map<Sha256, PaperPrint.Printed> prints = new LinkedHashMap<>() {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Sha256, PaperPrint.Printed> eldest) {
                return size() > MOST_HELD;
            }
        };

        Run(ScanRows.Scan scan, ScanFile file) {
            this.scan = scan;
            this.file = file;
        }

        /** What was read before the program was stopped isn't read again. */
        void marked() {
            Set<Integer> read =
                    rows.pagesOf(scan.id()).stream().map(ScanRows.Page::number).collect(Collectors.toSet());
            for (int number = 1; number <= file.pages(); number++) if (!read.contains(number)) rows.keep(page(number));
        }

        private ScanRows.Page page(int number) {
            try {
                BufferedImage picture = file.picture(number);
                ScannedPage page = new ScannedPage(picture, file.words(number));
                if (!page.marks().isEmpty()) return marked(number, page, picture);
                return plain(
                        number,
                        picture,
                        page.blank() ? ScanRows.Kind.BLANK : ScanRows.Kind.NO_MARK,
                        false,
                        Optional.empty());
            } catch (NotPossible e) {
                return new ScanRows.Page(
                        UUID.randomUUID(),
                        scan.id(),
                        number,
                        ScanRows.Kind.UNREADABLE,
                        Optional.empty(),
                        Optional.empty(),
                        false,
                        false,
                        Optional.empty(),
                        List.of(),
                        scan.broughtAt());
            }
        }

        /** By the first of its marks that was printed for an agreement that is on paper; else by what is wrong with the first. */
        private ScanRows.Page marked(int number, ScannedPage page, BufferedImage picture) {
            ScanRows.Kind kind = null;
            Optional<UUID> named = Optional.empty();
            for (PaperMark mark : page.marks()) {
                Optional<UUID> id = agreements.known(mark.agreement()).map(agreements::idOf);
                Optional<ScanRows.Page> found = id.flatMap(one -> of(one, number, page, picture, mark));
                if (found.isPresent()) return found.get();
                named = named.or(() -> id);
                if (kind == null) kind = id.map(this::whyNot).orElse(ScanRows.Kind.UNKNOWN);
            }
            return plain(number, picture, kind, true, named);
        }

        private ScanRows.Kind whyNot(UUID id) {
            return agreement(id).onPaper() ? ScanRows.Kind.OTHER_PRINT : ScanRows.Kind.NOT_ON_PAPER;
        }

        private Optional<ScanRows.Page> of(
                UUID id, int number, ScannedPage page, BufferedImage picture, PaperMark mark) {
            Agreement agreement = agreement(id);
            if (!agreement.onPaper()) return Optional.empty();
            for (Document one : PrintedPapers.documents(agreement)) {
                Sha256 state = PrintedPapers.stateOf(agreement, one.id());
                if (!PaperMark.stateOf(state).equals(mark.state())) continue;
                PaperPrint.Printed print = print(id, agreement, one, state);
                if (print.pages() != mark.pages()) continue;
                return Optional.of(matched(
                        scan.id(),
                        number,
                        page,
                        picture,
                        PrintedPage.of(print, mark.page()),
                        new ScanRows.Place(id, one.id(), mark.page(), state),
                        false));
            }
            return Optional.empty();
        }

        /** Pages without a mark may be those that their agreement still lacks. */
        void unmarked() {
            Optional<UUID> whose = whose();
            if (whose.isEmpty()) return;
            Agreement agreement = agreement(whose.get());
            if (!agreement.onPaper()) return;
            List<List<Object>> there = new ArrayList<>();
            for (ScanRows.Page one : rows.ofAgreement(whose.get()))
                one.place().ifPresent(at -> there.add(List.of(at.printed(), at.page())));
            List<Wanted> wanted = new ArrayList<>();
            for (Document one : PrintedPapers.documents(agreement)) {
                Sha256 state = PrintedPapers.stateOf(agreement, one.id());
                PaperPrint.Printed print = print(whose.get(), agreement, one, state);
                for (int page = 1; page <= print.pages(); page++)
                    if (!there.remove(List.of((Object) state, page)))
                        wanted.add(new Wanted(new ScanRows.Place(whose.get(), one.id(), page, state), print));
            }
            List<ScanRows.Page> unknown = rows.pagesOf(scan.id()).stream()
                    .filter(one -> one.kind() == ScanRows.Kind.NO_MARK && !one.byHand())
                    .toList();
            if ((long) unknown.size() * wanted.size() <= MOST_TRIED) unknown.forEach(one -> match(one, wanted));
        }

        private record Wanted(ScanRows.Place place, PaperPrint.Printed print) {}

        private void match(ScanRows.Page unknown, List<Wanted> wanted) {
            BufferedImage picture = file.picture(unknown.number());
            ScannedPage page = new ScannedPage(picture, file.words(unknown.number()));
            Wanted best = null;
            PrintedPage bestPage = null;
            double most = 0;
            for (Wanted one : wanted) {
                PrintedPage candidate = PrintedPage.of(one.print(), one.place().page());
                double alike = page.alike(candidate);
                if (alike <= most) continue;
                most = alike;
                best = one;
                bestPage = candidate;
            }
            if (best == null) return;
            ScanRows.Page found = matched(scan.id(), unknown.number(), page, picture, bestPage, best.place(), false);
            if (found.kind() != ScanRows.Kind.MATCHED) return;
            rows.keep(found);
            wanted.remove(best);
        }

        /** For which agreement it was brought, or the only one that pages of it are of. */
        private Optional<UUID> whose() {
            if (scan.agreement().isPresent()) return scan.agreement();
            Set<UUID> all = rows.pagesOf(scan.id()).stream()
                    .flatMap(one -> one.place().stream())
                    .map(ScanRows.Place::agreement)
                    .collect(Collectors.toSet());
            return all.size() == 1 ? all.stream().findFirst() : Optional.empty();
        }

        private Agreement agreement(UUID id) {
            return known.computeIfAbsent(id, agreements::read);
        }

        private PaperPrint.Printed print(UUID id, Agreement agreement, Document document, Sha256 state) {
            PaperPrint.Printed before = prints.get(state);
            if (before != null) return before;
            PaperPrint.Printed made = printed.of(id, agreement, document);
            prints.put(state, made);
            return made;
        }

        private ScanRows.Page plain(
                int number, BufferedImage picture, ScanRows.Kind kind, boolean marked, Optional<UUID> named) {
            return new ScanRows.Page(
                    UUID.randomUUID(),
                    scan.id(),
                    number,
                    kind,
                    Optional.empty(),
                    named,
                    marked,
                    false,
                    Optional.of(pictures(picture, 0, 1, Optional.empty())),
                    List.of(),
                    scan.broughtAt());
        }
    }

    private ScanRows.Page matched(
            UUID scan,
            int number,
            ScannedPage page,
            BufferedImage picture,
            PrintedPage printedPage,
            ScanRows.Place place,
            boolean byHand) {
        ScannedPage.Look look = page.against(printedPage);
        boolean marked = !page.marks().isEmpty();
        // a mark or a person says which page it is, also of one that was exchanged; a guess has to be like it
        boolean taken = look.same() || marked || byHand;
        return new ScanRows.Page(
                UUID.randomUUID(),
                scan,
                number,
                taken ? ScanRows.Kind.MATCHED : ScanRows.Kind.NO_MARK,
                taken ? Optional.of(place) : Optional.empty(),
                Optional.empty(),
                marked,
                byHand,
                Optional.of(pictures(
                        picture,
                        look.same() ? look.upright() : 0,
                        look.same() ? look.scale() : 1,
                        look.same() ? Optional.of(look.laid()) : Optional.empty())),
                taken ? look.findings() : List.of(),
                java.time.Instant.EPOCH);
    }

    private ScanRows.Pictures pictures(BufferedImage picture, int upright, double scale, Optional<BufferedImage> laid) {
        boolean across = upright % 2 == 1;
        double points = 72.0 / (ScanFile.DOTS_PER_INCH * Math.max(0.05, scale));
        int wide = across ? picture.getHeight() : picture.getWidth();
        int high = across ? picture.getWidth() : picture.getHeight();
        return new ScanRows.Pictures(
                files.keep(PagePicture.jpeg(picture, upright)),
                wide * points,
                high * points,
                laid.map(one -> files.keep(PagePicture.jpeg(one, 0))));
    }
}
