package org.jalousie.server.signing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.State;
import org.jalousie.core.agreement.Together;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.ConsentWording;
import org.jalousie.core.evidence.SignatureMark;
import org.jalousie.core.evidence.SignedDate;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
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
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final FileStore files;
    private final Settings settings;
    private final Clock clock;

    SigningService(
            Links links,
            Agreements agreements,
            UsableTemplates templates,
            FileStore files,
            Settings settings,
            Clock clock) {
        this.links = links;
        this.agreements = agreements;
        this.templates = templates;
        this.files = files;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    SigningViews.SigningPage page(String token) {
        Links.Holder holder = holder(token);
        Agreement agreement = agreements.read(holder.agreementId());
        Participant one = agreement.participant(holder.party()).orElseThrow(SigningService::wrongLink);
        State state = agreement.hasRunOut(clock.instant()) ? State.EXPIRED : agreement.state();
        Together own = agreement.together(holder.party());
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
                answers.toComplete(),
                answers.shown(Map.of()),
                agreement.documents().stream()
                        .map(DocumentView::forParticipants)
                        .toList(),
                AgreementViews.route(agreement),
                ended,
                hasCopy(agreement, one),
                content(holder).language(),
                LocalDate.ofInstant(clock.instant(), settings.office().zone()));
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
    byte[] document(String token, String document, String from) {
        Links.Holder holder = holder(token);
        Agreement agreement = agreements.read(holder.agreementId());
        if (agreement.state() == State.OUT
                && agreement.standing(holder.party()) == org.jalousie.core.agreement.Standing.TURN) {
            agreement = agreements
                    .carryOut(
                            holder.agreementId(),
                            new Actor.Participant(holder.party(), Actor.Proof.MAILED_LINK, from),
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
    void consent(String token, String version, String from) {
        Links.Holder holder = holder(token);
        Participant one = agreements
                .read(holder.agreementId())
                .participant(holder.party())
                .orElseThrow();
        ConsentWording wording = ConsentWording.in(words(holder, one));
        if (!version.equals(wording.version())) throw Refusal.of(Refusal.Kind.CONFLICT, Message.of("consent.changed"));
        act(token, from, party -> new Command.Consent(party, wording.version(), wording.hash()));
    }

    @Transactional
    void complete(String token, Map<String, String> values, String from) {
        Links.Holder holder = holder(token);
        Answers answers = answers(holder);
        Map<String, String> taken = answers.taken(values);
        Map<String, String> derived = answers.derived(taken);
        act(token, from, party -> new Command.Complete(party, taken, derived));
    }

    @Transactional
    void approve(String token, String from) {
        act(token, from, Command.Approve::new);
    }

    @Transactional
    void sign(String token, Map<String, String> values, String mark, String base64, String from) {
        Links.Holder holder = holder(token);
        if (!mark.matches("drawn|typed:[A-Za-z ]{1,40}"))
            throw Refusal.of(Refusal.Kind.INVALID, Message.of("mark.how"));
        Answers answers = answers(holder);
        Map<String, String> taken = answers.taken(values);
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
        act(token, from, party -> new Command.Sign(party, taken, derived, mark, Sha256.of(picture)));
        // kept only when the act was taken, and before it is committed
        files.keep(picture);
    }

    @Transactional
    void decline(String token, String reason, String from) {
        if (reason.length() > LONGEST_REASON)
            throw Refusal.of(Refusal.Kind.INVALID, Message.of("decline.reason-too-long", "most", LONGEST_REASON));
        act(token, from, party -> new Command.Decline(party, reason));
    }

    private interface Acting {
        Command by(PartyKey party);
    }

    private void act(String token, String from, Acting acting) {
        Links.Holder holder = holder(token);
        agreements.carryOut(
                holder.agreementId(),
                new Actor.Participant(holder.party(), Actor.Proof.MAILED_LINK, from),
                acting.by(holder.party()));
    }

    /** What the program works out of what has been typed so far. */
    @Transactional(readOnly = true)
    List<SigningViews.Derived> derived(String token, Map<String, String> values) {
        return answers(holder(token)).shown(values);
    }

    private Answers answers(Links.Holder holder) {
        Agreement agreement = agreements.read(holder.agreementId());
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
