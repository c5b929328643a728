package org.jalousie.server.recognition;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.template.SingleUseTemplates;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Files that were made elsewhere: brought, recognised, taken for a template's, or set up by hand. */
@Service
class FinishedFileService implements ReadFiles {
    private static final ListOrder ORDER = new ListOrder(Map.of("created", "createdAt", "name", "name"), "-created");
    private static final int LONGEST_NAME = 200;

    private final FinishedFiles rows;
    private final FinishedFileShown shown;
    private final Recognition recognition;
    private final UsableTemplates templates;
    private final SingleUseTemplates singleUse;
    private final FileStore files;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Sight sight;

    FinishedFileService(
            FinishedFiles rows,
            FinishedFileShown shown,
            Recognition recognition,
            UsableTemplates templates,
            SingleUseTemplates singleUse,
            FileStore files,
            Jobs jobs,
            TransactionTemplate transaction,
            Clock clock,
            Sight sight) {
        this.sight = sight;
        this.rows = rows;
        this.shown = shown;
        this.recognition = recognition;
        this.templates = templates;
        this.singleUse = singleUse;
        this.files = files;
        this.jobs = jobs;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Takes a file; it is read and recognised afterwards. */
    FinishedFileViews.FinishedFileRow bring(String name, byte[] bytes, String by) {
        String called = Texts.bare(name);
        if (called.isEmpty()) throw Refusal.invalid(Message.of("document.no-title"));
        if (bytes.length == 0) throw Refusal.invalid(Message.of("paper.kind"));
        Sha256 brought = files.keep(bytes);
        return transaction.execute(status -> {
            FinishedFile row = rows.save(new FinishedFile(
                    called.substring(0, Math.min(called.length(), LONGEST_NAME)), brought, by, clock.instant()));
            jobs.soon(JobKind.RECOGNISE, row.id().toString());
            return shown.row(row);
        });
    }

    @Transactional(readOnly = true)
    Page<FinishedFileViews.FinishedFileRow> list(String sort, int page) {
        var found = sight.seesAll()
                ? rows.findAll(ORDER.page(page, sort))
                : rows.seen(sight.hidden(), ORDER.page(page, sort));
        return new Page<>(shown.rows(found.getContent()), found.getTotalElements(), page, Page.SIZE);
    }

    FinishedFileViews.FinishedFileDetail show(UUID id) {
        return shown.detail(row(id));
    }

    byte[] pdf(UUID id) {
        return files.get(paper(row(id)).file());
    }

    /** Has it read once more. @param plain whether it is taken though it can't be made fit for keeping */
    @Transactional
    public FinishedFileViews.FinishedFileRow readAgain(UUID id, boolean plain) {
        FinishedFile row = locked(id, FinishedFile.State.REFUSED);
        row.readAgain(plain);
        jobs.soon(JobKind.RECOGNISE, id.toString());
        return shown.row(row);
    }

    /** Takes it for a document of a template. It is read before a transaction is open. */
    FinishedFileViews.FinishedFileDetail takeFor(UUID id, UUID version, DocumentId document, int revision) {
        FinishedFile before = row(id);
        require(before, FinishedFile.State.READ);
        sight.requireUse(templates.templateOf(version));
        if (!templates.inUse().contains(version)) throw Refusal.conflict(Message.of("finished.not-in-use"));
        Recognition.Taken taken = recognition.taken(paper(before), new KnownTexts.Key(version, document));
        transaction.executeWithoutResult(status -> {
            FinishedFile row = locked(id, FinishedFile.State.READ);
            if (row.revision() != revision) throw Refusal.conflict(Message.of("finished.changed-meanwhile"));
            row.takenFor(version, document, taken.understanding());
        });
        return show(id);
    }

    /** Makes a template for it alone, in which its parties and fields are set by hand. Asked twice, the same. */
    UUID byHand(UUID id) {
        FinishedFile before = row(id);
        if (before.template().isPresent()) return before.template().get();
        require(before, FinishedFile.State.READ);
        return transaction.execute(status -> {
            FinishedFile row = rows.locked(id).orElseThrow(FinishedFileService::none);
            if (row.template().isPresent()) return row.template().get();
            require(row, FinishedFile.State.READ);
            UUID template = singleUse.forOneAgreement(row.title(), paper(row).file(), row.brought());
            row.byHand(template);
            return template;
        });
    }

    /** Takes it off the list; what was made of it stays. */
    @Transactional
    public void remove(UUID id) {
        rows.locked(id).ifPresent(rows::delete);
    }

    @Transactional(readOnly = true)
    @Override
    public UUID versionOf(UUID file) {
        return row(file).templateVersion().orElseThrow(() -> Refusal.conflict(Message.of("finished.no-template")));
    }

    @Transactional(propagation = Propagation.MANDATORY)
    @Override
    public Ready ready(UUID file, Confirmation said) {
        FinishedFile row = rows.locked(file).orElseThrow(FinishedFileService::none);
        UUID version = row.templateVersion().orElseThrow(() -> Refusal.conflict(Message.of("finished.no-template")));
        Understanding understanding = row.understood().orElseThrow();
        if (row.agreement().isEmpty()) {
            require(row, FinishedFile.State.READ);
            if (said.revision() != row.revision()) throw Refusal.conflict(Message.of("finished.changed-meanwhile"));
            if (understanding.differences() > 0 && !said.seen())
                throw Refusal.conflict(Message.of("finished.differences", "count", understanding.differences()));
        }
        Set<PartyKey> keep = said.keep();
        FinishedFile.Paper paper = paper(row);
        Agreements.Finished finished = new Agreements.Finished(
                row.document(),
                title(row, version),
                paper.file(),
                row.brought(),
                places(understanding, keep, templates.content(version)),
                understanding.without().stream()
                        .filter(party -> !keep.contains(party))
                        .toList());
        return new Ready(
                version,
                understanding.values(),
                understanding.sure(),
                finished,
                understanding.complete(),
                row.agreement());
    }

    private String title(FinishedFile row, UUID version) {
        return templates
                .content(version)
                .document(row.document())
                .map(document ->
                        document.titleIn(templates.namesOf(List.of(version)).get(version)))
                .orElse(row.title());
    }

    /** Parties that are kept without a place get one later, by hand: what they sign, or what they complete, is open. */
    private static List<GivenPlace> places(Understanding understanding, Set<PartyKey> keep, TemplateContent content) {
        List<GivenPlace> places = new ArrayList<>(understanding.places());
        Set<PartyKey> without = new HashSet<>(understanding.without());
        without.retainAll(keep);
        content.signingFields().stream()
                .filter(field ->
                        without.contains(field.party()) && field.sameAs().isEmpty())
                .forEach(field -> places.add(new GivenPlace(field, new Spot.Open())));
        return places;
    }

    @Transactional(propagation = Propagation.MANDATORY)
    @Override
    public void became(UUID file, AgreementNumber agreement) {
        rows.locked(file).orElseThrow(FinishedFileService::none).became(agreement);
    }

    private FinishedFile row(UUID id) {
        return rows.findById(id).orElseThrow(FinishedFileService::none);
    }

    private FinishedFile locked(UUID id, FinishedFile.State state) {
        FinishedFile row = rows.locked(id).orElseThrow(FinishedFileService::none);
        require(row, state);
        return row;
    }

    private static void require(FinishedFile row, FinishedFile.State state) {
        if (row.state() == state) return;
        throw Refusal.conflict(
                switch (row.state()) {
                    case READING -> Message.of("finished.being-read");
                    case REFUSED -> Message.of("finished.refused");
                    case READ -> Message.of("finished.read");
                    case BY_HAND -> Message.of("finished.by-hand");
                    case MADE ->
                        Message.of("finished.made", "agreement", row.agreement().orElseThrow());
                });
    }

    private static FinishedFile.Paper paper(FinishedFile row) {
        return row.paper().orElseThrow(() -> Refusal.conflict(Message.of("finished.being-read")));
    }

    private static Refusal none() {
        return Refusal.notFound(Message.of("finished.none"));
    }
}
