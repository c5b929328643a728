package org.jalousie.server.intake;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
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
    private static final List<FormLinkViews.Stage> BEHIND = List.of(
            FormLinkViews.Stage.MADE,
            FormLinkViews.Stage.WITH_OFFICE,
            FormLinkViews.Stage.OUT,
            FormLinkViews.Stage.ENDED,
            FormLinkViews.Stage.DONE);

    private final IntakeRequests requests;
    private final RequestGroups groups;
    private final FormLinks links;
    private final Secrets secrets;
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final ParticipantLinks participants;
    private final FileStore files;
    private final Settings settings;

    AskedRequests(
            IntakeRequests requests,
            RequestGroups groups,
            FormLinks links,
            Secrets secrets,
            Agreements agreements,
            UsableTemplates templates,
            ParticipantLinks participants,
            FileStore files,
            Settings settings) {
        this.requests = requests;
        this.groups = groups;
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

    /** All agreements that are made of a request; none as long as one of them isn't. */
    private List<Agreement> agreements(IntakeRequest request) {
        List<IntakeRequest> wanted = groups.of(request).stream()
                .filter(IntakeRequest::wanted)
                // what was destroyed isn't waited for
                .filter(one -> one.agreementNumber().isEmpty()
                        || one.agreementNumber().flatMap(agreements::known).isPresent())
                .toList();
        List<Agreement> all = wanted.stream()
                .flatMap(one -> one.agreementNumber().stream())
                .map(number -> agreements.read(agreements.idOf(number)))
                .toList();
        return all.size() == wanted.size() ? all : List.of();
    }

    @Transactional(readOnly = true)
    FormLinkViews.AskStatus status(String secret) {
        IntakeRequest request = request(secret);
        Optional<FormLink> link = link(request);
        List<Agreement> all = agreements(request);
        String language = request.language().isEmpty()
                ? templates.content(request.templateVersionId()).language()
                : request.language();
        return new FormLinkViews.AskStatus(
                request.number(),
                link.map(FormLink::title).orElse(""),
                settings.office().name(),
                language,
                request.createdAt(),
                // of several, how far the one has come that is furthest behind
                all.stream()
                        .map(one -> stage(one.state()))
                        .min(Comparator.comparing(BEHIND::indexOf))
                        .orElse(FormLinkViews.Stage.WITH_OFFICE),
                turns(request, link, all).findFirst().isPresent(),
                canFetch(link, all));
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

    private static boolean canFetch(Optional<FormLink> link, List<Agreement> all) {
        return link.filter(one -> one.terms().document()).isPresent()
                && !all.isEmpty()
                && all.stream().allMatch(one -> one.state() == State.COMPLETED);
    }

    /** An agreement with the part of who has asked. */
    private record Turn(Agreement agreement, Participant participant) {}

    /** The agreements in which it is the turn of who has asked, where they may go on at once. */
    private static Stream<Turn> turns(IntakeRequest request, Optional<FormLink> link, List<Agreement> all) {
        if (link.filter(one -> one.terms().then() == LinkTerms.Then.SIGN).isEmpty()) return Stream.empty();
        return all.stream()
                .filter(one -> one.state() == State.OUT)
                .flatMap(one -> one.present().stream()
                        .filter(each ->
                                each.mail().equalsIgnoreCase(request.asker().mail()))
                        .filter(each -> one.standing(each.party()) == Standing.TURN)
                        .findFirst()
                        .map(each -> new Turn(one, each))
                        .stream());
    }

    /**
     * The address at which who has just asked signs; of several agreements, the first in which it is their turn.
     *
     * @throws Refusal when it isn't their turn, or not any more
     */
    @Transactional
    FormLinkViews.GoOn straightOn(String secret) {
        IntakeRequest request = request(secret);
        Turn turn = turns(request, link(request), agreements(request))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(Message.of("ask.not-now")));
        AgreementNumber number = turn.agreement().created().number();
        return new FormLinkViews.GoOn(participants.straightOn(
                agreements.idOf(number),
                turn.participant().party(),
                turn.agreement().length()));
    }

    /** @param bytes a PDF, or a ZIP archive of several */
    record Finished(String name, String type, byte[] bytes) {}

    /** The finished documents. @throws Refusal while there are none, or when they aren't given to who asked */
    Finished document(String secret) {
        IntakeRequest request = request(secret);
        List<Agreement> all = agreements(request);
        if (!canFetch(link(request), all)) throw Refusal.notFound(Message.of("document.none"));
        return finished(request.number(), all);
    }

    private Finished finished(String number, List<Agreement> all) {
        Map<String, Supplier<byte[]>> entries = new LinkedHashMap<>();
        for (Agreement agreement : all)
            for (Document one : agreement.documents())
                entries.put(
                        OneArchive.free(FileNames.of(agreement, one.id(), "pdf"), entries.keySet()),
                        () -> files.get(one.pdf()));
        if (entries.size() == 1) {
            Map.Entry<String, Supplier<byte[]>> only =
                    entries.entrySet().iterator().next();
            return new Finished(
                    only.getKey(), "application/pdf", only.getValue().get());
        }
        String archive = all.size() == 1
                ? FileNames.of(all.get(0).created().number(), all.get(0).title(), "", "zip")
                : number + ".zip";
        return new Finished(archive, "application/zip", OneArchive.of(entries));
    }
}
