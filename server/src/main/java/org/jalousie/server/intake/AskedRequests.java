package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.filing.OneArchive;
import org.jalousie.core.intake.LinkTerms;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.signing.ParticipantLinks;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Requests as those who have asked look them up: how far they have come, and no more. */
@Service
class AskedRequests {
    private final IntakeRequests requests;
    private final FormLinks links;
    private final Secrets secrets;
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final ParticipantLinks participants;
    private final FileStore files;
    private final Settings settings;

    AskedRequests(
            IntakeRequests requests,
            FormLinks links,
            Secrets secrets,
            Agreements agreements,
            UsableTemplates templates,
            ParticipantLinks participants,
            FileStore files,
            Settings settings) {
        this.requests = requests;
        this.links = links;
        this.secrets = secrets;
        this.agreements = agreements;
        this.templates = templates;
        this.participants = participants;
        this.files = files;
        this.settings = settings;
    }

    private IntakeRequest request(String secret) {
        return secrets.request(secret)
                .flatMap(requests::findById)
                .orElseThrow(() -> Refusal.of(Refusal.Kind.GONE, Message.of("ask.no-request")));
    }

    private Optional<FormLink> link(IntakeRequest request) {
        return request.formLinkId().flatMap(links::findById);
    }

    private Optional<Agreement> agreement(IntakeRequest request) {
        return request.agreementNumber().map(number -> agreements.read(agreements.idOf(number)));
    }

    @Transactional(readOnly = true)
    FormLinkViews.AskStatus status(String secret) {
        IntakeRequest request = request(secret);
        Optional<FormLink> link = link(request);
        Optional<Agreement> agreement = agreement(request);
        String language = request.language().isEmpty()
                ? templates.content(request.templateVersionId()).language()
                : request.language();
        return new FormLinkViews.AskStatus(
                request.number(),
                link.map(FormLink::title).orElse(""),
                settings.office().name(),
                language,
                request.createdAt(),
                agreement.map(one -> stage(one.state())).orElse(FormLinkViews.Stage.WITH_OFFICE),
                signer(request, link, agreement).isPresent(),
                canFetch(link, agreement));
    }

    private static FormLinkViews.Stage stage(State state) {
        return switch (state) {
            case GENERATING -> FormLinkViews.Stage.MADE;
            case CHECK -> FormLinkViews.Stage.WITH_OFFICE;
            case OUT, SEALING -> FormLinkViews.Stage.OUT;
            case COMPLETED -> FormLinkViews.Stage.DONE;
            default -> FormLinkViews.Stage.ENDED;
        };
    }

    private static boolean canFetch(Optional<FormLink> link, Optional<Agreement> agreement) {
        return link.filter(one -> one.terms().document()).isPresent()
                && agreement.filter(one -> one.state() == State.COMPLETED).isPresent();
    }

    /** Who has asked, where it is their turn and they may go on at once. */
    private static Optional<Participant> signer(
            IntakeRequest request, Optional<FormLink> link, Optional<Agreement> agreement) {
        if (link.filter(one -> one.terms().then() == LinkTerms.Then.SIGN).isEmpty()) return Optional.empty();
        return agreement
                .filter(one -> one.state() == State.OUT)
                .flatMap(one -> one.present().stream()
                        .filter(each ->
                                each.mail().equalsIgnoreCase(request.asker().mail()))
                        .filter(each -> one.standing(each.party()) == Standing.TURN)
                        .findFirst());
    }

    /**
     * The address at which who has just asked signs.
     *
     * @throws Refusal when it isn't their turn, or not any more
     */
    @Transactional
    FormLinkViews.GoOn straightOn(String secret) {
        IntakeRequest request = request(secret);
        Participant one = signer(request, link(request), agreement(request))
                .orElseThrow(() -> Refusal.conflict(Message.of("ask.not-now")));
        AgreementNumber number = request.agreementNumber().orElseThrow();
        return new FormLinkViews.GoOn(participants.straightOn(agreements.idOf(number), one.party()));
    }

    /** @param bytes a PDF, or a ZIP archive of several */
    record Finished(String name, String type, byte[] bytes) {}

    /** The finished document. @throws Refusal while there is none, or when it isn't given to who asked */
    Finished document(String secret) {
        IntakeRequest request = request(secret);
        Optional<Agreement> agreement = agreement(request);
        if (!canFetch(link(request), agreement)) throw Refusal.notFound(Message.of("document.none"));
        return finished(agreement.orElseThrow(), files);
    }

    static Finished finished(Agreement agreement, FileStore files) {
        List<Document> documents = agreement.documents();
        Map<String, Supplier<byte[]>> entries = new LinkedHashMap<>();
        List<String> names = new ArrayList<>();
        for (Document one : documents) {
            String name = OneArchive.free(FileNames.of(agreement, one.id(), "pdf"), entries.keySet());
            names.add(name);
            entries.put(name, () -> files.get(one.pdf()));
        }
        if (names.size() == 1)
            return new Finished(
                    names.get(0), "application/pdf", entries.get(names.get(0)).get());
        String archive = FileNames.of(agreement.created().number(), agreement.title(), "", "zip");
        return new Finished(archive, "application/zip", OneArchive.of(entries));
    }
}
