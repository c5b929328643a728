package org.jalousie.server.signing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Proving;
import org.jalousie.core.agreement.State;
import org.jalousie.core.agreement.Together;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.ConsentWording;
import org.jalousie.core.evidence.SignatureMark;
import org.jalousie.core.evidence.SignedDate;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.AttachedFile;
import org.jalousie.core.placement.FilePlace;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.agreement.DocumentView;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a participant with a link may see and do. */
@Service
class SigningService {
    private static final int LONGEST_REASON = 2000;

    private final Links links;
    private final Identities identities;
    private final AttachedFiles attached;
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final FileStore files;
    private final Settings settings;
    private final Clock clock;

    SigningService(
            Links links,
            Identities identities,
            AttachedFiles attached,
            Agreements agreements,
            UsableTemplates templates,
            FileStore files,
            Settings settings,
            Clock clock) {
        this.links = links;
        this.identities = identities;
        this.attached = attached;
        this.agreements = agreements;
        this.templates = templates;
        this.files = files;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    SigningViews.SigningPage page(Visit visit) {
        Links.Holder holder = holder(visit.token());
        Agreement agreement = agreements.read(holder.agreementId());
        Participant one = agreement.participant(holder.party()).orElseThrow(SigningService::wrongLink);
        State state = agreement.hasRunOut(clock.instant()) ? State.EXPIRED : agreement.state();
        Together own = agreement.together(holder.party());
        boolean known = identities.proof(holder, agreement, visit).isPresent();
        Answers answers = answers(holder, agreement, one);
        Catalogue words = words(holder, one);
        String ended = switch (state) {
            case WITHDRAWN -> words.say("ended.withdrawn");
            case DECLINED -> words.say("ended.declined");
            case EXPIRED -> words.say("ended.expired");
            default -> "";
        };
        ConsentWording consent = ConsentWording.in(words);
        return new SigningViews.SigningPage(
                words.language(),
                agreement.created().number(),
                agreement.title(),
                settings.office().name(),
                own.parts().stream().map(Participant::party).toList(),
                own.parts().stream().map(Participant::label).collect(Collectors.joining(", ")),
                one.name(),
                one.duty(),
                agreement.standing(one.party()),
                state,
                agreement.expiresAt().orElse(null),
                agreement.consents().containsKey(one.party()),
                new SigningViews.Consent(consent.version(), consent.text()),
                SignedDate.print(
                        LocalDate.ofInstant(clock.instant(), settings.office().zone()),
                        Locale.forLanguageTag(content(holder).language())),
                known ? answers.toComplete() : List.of(),
                known ? answers.shown(Map.of()) : List.of(),
                known
                        ? agreement.documents().stream()
                                .map(DocumentView::forParticipants)
                                .toList()
                        : List.of(),
                known ? AgreementViews.route(agreement) : List.of(),
                ended,
                hasCopy(agreement, one),
                content(holder).language(),
                LocalDate.ofInstant(clock.instant(), settings.office().zone()),
                identity(holder, agreement, one, visit, known),
                known ? AgreementViews.attached(agreement) : List.of());
    }

    private SigningViews.Identity identity(
            Links.Holder holder, Agreement agreement, Participant one, Visit visit, boolean known) {
        Proving proving = agreement.provingOf(holder.party());
        IdentityCheck check = agreement.identityCheck(holder.party());
        return new SigningViews.Identity(
                check,
                known,
                switch (check) {
                    case MAILED_CODE -> Veiled.mail(one.mail());
                    case TEXTED_CODE -> Veiled.phone(one.person().phone());
                    default -> "";
                },
                proving.digits(),
                identities.codeWaits(holder, visit),
                proving.nextCode().filter(clock.instant()::isBefore).orElse(null),
                proving.locked(),
                settings.office().mail());
    }

    private static boolean hasCopy(Agreement agreement, Participant one) {
        return agreement.state() == State.COMPLETED && one.getsCopy();
    }

    /** A participant is spoken to in their own language, or else in the agreement's. */
    private Catalogue words(Links.Holder holder, Participant one) {
        String own = one.person().language();
        return Catalogue.of(own.isEmpty() ? content(holder).language() : own);
    }

    private TemplateContent content(Links.Holder holder) {
        return templates.content(agreements.templateVersion(holder.agreementId()));
    }

    /** The document as it stands; opening it is an event. */
    @Transactional
    byte[] document(Visit visit, String document) {
        Links.Holder holder = holder(visit.token());
        Agreement agreement = agreements.read(holder.agreementId());
        Actor.Proof proof = proof(holder, agreement, visit);
        if (agreement.state() == State.OUT
                && agreement.standing(holder.party()) == org.jalousie.core.agreement.Standing.TURN) {
            agreement = agreements
                    .carryOut(
                            holder.agreementId(),
                            new Actor.Participant(holder.party(), proof, visit.from()),
                            new Command.View(holder.party()))
                    .agreement();
        }
        boolean copy =
                agreement.participant(holder.party()).map(one -> one.getsCopy()).orElse(false)
                        && agreement.state() == State.COMPLETED;
        if (agreement.state().ended() && !copy) throw Refusal.of(Refusal.Kind.GONE, Message.of("ended.document"));
        return files.get(agreement
                .documentNamed(document)
                .orElseThrow(() -> Refusal.of(Refusal.Kind.NOT_FOUND, Message.of("document.none")))
                .pdf());
    }

    /** The signing record, for who gets the signed copy. */
    @Transactional(readOnly = true)
    byte[] record(String token) {
        Links.Holder holder = holder(token);
        Agreement agreement = agreements.read(holder.agreementId());
        return agreement
                .participant(holder.party())
                .filter(one -> hasCopy(agreement, one))
                .flatMap(one -> agreement.record())
                .map(files::get)
                .orElseThrow(() -> Refusal.of(Refusal.Kind.GONE, Message.of("ended.document")));
    }

    @Transactional
    void consent(Visit visit, String version) {
        Links.Holder holder = holder(visit.token());
        Agreement agreement = agreements.read(holder.agreementId());
        proof(holder, agreement, visit);
        Participant one = agreement.participant(holder.party()).orElseThrow(SigningService::wrongLink);
        ConsentWording wording = ConsentWording.in(words(holder, one));
        if (!version.equals(wording.version())) throw Refusal.of(Refusal.Kind.CONFLICT, Message.of("consent.changed"));
        act(visit, party -> new Command.Consent(party, wording.version(), wording.hash()));
    }

    @Transactional
    void complete(Visit visit, Map<String, String> values) {
        Answers answers = answers(visit);
        Map<String, String> taken = taken(visit, answers, values);
        Map<String, String> derived = answers.derived(taken);
        act(visit, party -> new Command.Complete(party, taken, derived));
    }

    @Transactional
    void approve(Visit visit) {
        act(visit, Command.Approve::new);
    }

    @Transactional
    void sign(Visit visit, Map<String, String> values, String mark, String base64) {
        Links.Holder holder = holder(visit.token());
        proof(holder, agreements.read(holder.agreementId()), visit);
        if (!mark.matches("drawn|typed:[A-Za-z ]{1,40}"))
            throw Refusal.of(Refusal.Kind.INVALID, Message.of("mark.how"));
        Answers answers = answers(visit);
        Map<String, String> taken = taken(visit, answers, values);
        Map<String, String> derived = answers.derived(taken);
        byte[] picture;
        try {
            picture = Base64.getDecoder().decode(base64);
            SignatureMark.read(picture);
        } catch (IllegalArgumentException e) {
            throw Refusal.of(Refusal.Kind.INVALID, Message.of("mark.unreadable"));
        } catch (SignatureMark.Unusable e) {
            throw Refusal.of(Refusal.Kind.INVALID, e.said());
        }
        act(visit, party -> new Command.Sign(party, taken, derived, mark, Sha256.of(picture)));
        // kept only when the act was taken, and before it is committed
        files.keep(picture);
    }

    private Map<String, String> taken(Visit visit, Answers answers, Map<String, String> values) {
        Map<String, String> taken = answers.taken(values);
        attached.requireBrought(holder(visit.token()), answers.fields(), taken);
        return taken;
    }

    /** @throws Refusal when this visitor may bring no file here and now */
    @Transactional(readOnly = true)
    void requireMayAttach(Visit visit) {
        Answers answers = answers(visit);
        if (!answers.turn() || answers.fields().stream().noneMatch(field -> field.type() instanceof FilePlace))
            throw Refusal.conflict(Message.of("attach.nowhere"));
        attached.requireRoom(holder(visit.token()));
    }

    @Transactional
    AttachedFile attach(Visit visit, String name, byte[] opened) {
        requireMayAttach(visit); // time has passed since it was looked at first
        return attached.keep(holder(visit.token()), name, opened);
    }

    /** @param name as its owner called it */
    record Fetched(byte[] bytes, String name) {}

    /** A file that somebody has answered with, for those who see the documents. */
    @Transactional(readOnly = true)
    Fetched attached(Visit visit, Sha256 file) {
        Links.Holder holder = holder(visit.token());
        Agreement agreement = agreements.read(holder.agreementId());
        proof(holder, agreement, visit);
        boolean copy = agreement
                .participant(holder.party())
                .filter(one -> hasCopy(agreement, one))
                .isPresent();
        if (agreement.state().ended() && !copy) throw Refusal.of(Refusal.Kind.GONE, Message.of("ended.document"));
        return agreement.attached().stream()
                .filter(one -> one.file().file().equals(file))
                .findFirst()
                .map(one -> new Fetched(files.get(file), one.file().name()))
                .orElseThrow(() -> Refusal.notFound(Message.of("attach.gone")));
    }

    @Transactional
    void decline(Visit visit, String reason) {
        if (reason.length() > LONGEST_REASON)
            throw Refusal.of(Refusal.Kind.INVALID, Message.of("decline.reason-too-long", "most", LONGEST_REASON));
        act(visit, party -> new Command.Decline(party, reason));
    }

    private interface Acting {
        Command by(PartyKey party);
    }

    private void act(Visit visit, Acting acting) {
        Links.Holder holder = holder(visit.token());
        Actor.Proof proof = proof(holder, agreements.read(holder.agreementId()), visit);
        agreements.carryOut(
                holder.agreementId(),
                new Actor.Participant(holder.party(), proof, visit.from()),
                acting.by(holder.party()));
    }

    /** @throws Refusal when the visitor has to show first who they are */
    private Actor.Proof proof(Links.Holder holder, Agreement agreement, Visit visit) {
        return identities
                .proof(holder, agreement, visit)
                .orElseThrow(() -> Refusal.of(Refusal.Kind.CONFLICT, Message.of("identity.first")));
    }

    @Transactional
    void askForCode(Visit visit) {
        identities.askForCode(holder(visit.token()), visit, visit.browser().orElseThrow());
    }

    /** @return what is wrong with the answer; empty when they have shown who they are */
    @Transactional
    Optional<Message> answerCheck(Visit visit, String answer) {
        if (answer == null) throw Refusal.malformed(Message.of("identity.word-missing"));
        return identities.answer(holder(visit.token()), visit, visit.browser().orElseThrow(), answer);
    }

    /** What the program works out of what has been typed so far. */
    @Transactional(readOnly = true)
    List<SigningViews.Derived> derived(Visit visit, Map<String, String> values) {
        return answers(visit).shown(values);
    }

    /** The answers of a visitor of whom it is known who they are. */
    private Answers answers(Visit visit) {
        Links.Holder holder = holder(visit.token());
        Agreement agreement = agreements.read(holder.agreementId());
        proof(holder, agreement, visit);
        return answers(holder, agreement, agreement.participant(holder.party()).orElseThrow(SigningService::wrongLink));
    }

    private Answers answers(Links.Holder holder, Agreement agreement, Participant one) {
        return new Answers(
                agreement,
                agreement.together(holder.party()),
                Locale.forLanguageTag(words(holder, one).language()),
                Locale.forLanguageTag(content(holder).language()));
    }

    private Links.Holder holder(String token) {
        return LinkToken.read(token).flatMap(links::holder).orElseThrow(SigningService::wrongLink);
    }

    private static Refusal wrongLink() {
        return Refusal.of(Refusal.Kind.GONE, Message.of("link.gone"));
    }
}
