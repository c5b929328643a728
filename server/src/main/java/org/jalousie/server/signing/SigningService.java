package org.jalousie.server.signing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Field;
import org.jalousie.core.evidence.ConsentWording;
import org.jalousie.core.evidence.Json;
import org.jalousie.core.evidence.Mark;
import org.jalousie.core.evidence.SignedDate;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.Glyphs;
import org.jalousie.core.placement.SigningField;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AgreementLog;
import org.jalousie.server.agreement.AgreementService;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.Links;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a participant with a link may see and do. */
@Service
class SigningService {
    private static final int LONGEST_DETAIL = 200;

    private final Links links;
    private final AgreementLog log;
    private final AgreementService agreements;
    private final FileStore files;
    private final Settings settings;
    private final Clock clock;

    SigningService(
            Links links,
            AgreementLog log,
            AgreementService agreements,
            FileStore files,
            Settings settings,
            Clock clock) {
        this.links = links;
        this.log = log;
        this.agreements = agreements;
        this.files = files;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    SigningViews.SigningPage page(String token) {
        Links.Holder holder = holder(token);
        Agreement agreement = log.read(holder.agreementId());
        Participant one = agreement.participant(holder.party()).orElseThrow(SigningService::wrongLink);
        boolean late = agreement.state() == State.OUT
                && agreement
                        .expiresAt()
                        .map(end -> !clock.instant().isBefore(end))
                        .orElse(false);
        State state = late ? State.EXPIRED : agreement.state();
        List<SigningViews.ToComplete> toComplete = agreement.fieldsOf(holder.party()).stream()
                .filter(SigningField::asked)
                .map(field -> new SigningViews.ToComplete(field.name(), ownLabel(field), field.required()))
                .toList();
        String ended = switch (state) {
            case WITHDRAWN -> "This agreement was withdrawn by the office. You need not do anything.";
            case DECLINED -> "This agreement was declined and has ended.";
            case EXPIRED -> "The time for this agreement has run out. Ask the office to send it again.";
            default -> "";
        };
        return new SigningViews.SigningPage(
                agreement.created().number(),
                agreement.title(),
                settings.office().name(),
                one.label(),
                one.name(),
                one.duty(),
                agreement.standing(one.party()),
                state,
                agreement.expiresAt().orElse(null),
                agreement.consents().containsKey(one.party()),
                new SigningViews.Consent(ConsentWording.CURRENT.version(), ConsentWording.CURRENT.text()),
                SignedDate.print(
                        LocalDate.ofInstant(clock.instant(), settings.office().zone()),
                        agreements.language(holder.agreementId())),
                toComplete,
                agreement.pages(),
                AgreementViews.blind(agreement),
                ended);
    }

    /** Without the party's own name, which a label has before it until somebody writes another one. */
    private static String ownLabel(SigningField field) {
        String party = Field.labelFor(field.party()) + ": ";
        String label = field.label().startsWith(party) ? field.label().substring(party.length()) : field.label();
        return Character.toUpperCase(label.charAt(0)) + label.substring(1);
    }

    /** The document as it stands; opening it is an event. */
    @Transactional
    byte[] document(String token, String from) {
        Links.Holder holder = holder(token);
        Agreement agreement = log.read(holder.agreementId());
        if (agreement.state() == State.OUT
                && agreement.standing(holder.party()) == org.jalousie.core.agreement.Standing.TURN) {
            agreement = log.carryOut(
                    holder.agreementId(),
                    new Actor.Participant(holder.party(), Actor.Proof.MAILED_LINK, from),
                    new Command.View(holder.party()));
        }
        if (agreement.state().ended())
            throw Refusal.gone("The agreement has ended; its document is no longer shown here.");
        return files.get(agreement.pdf());
    }

    @Transactional
    void consent(String token, String version, String from) {
        if (!version.equals(ConsentWording.CURRENT.version()))
            throw Refusal.conflict(
                    "The wording of the consent has changed meanwhile. Reload the page and read it again.");
        act(
                token,
                from,
                party -> new Command.Consent(party, ConsentWording.CURRENT.version(), ConsentWording.CURRENT.hash()));
    }

    @Transactional
    void complete(String token, Map<String, String> values, String from) {
        Map<String, String> checked = checked(values);
        act(token, from, party -> new Command.Complete(party, checked));
    }

    @Transactional
    void approve(String token, String from) {
        act(token, from, Command.Approve::new);
    }

    @Transactional
    void sign(String token, Map<String, String> values, String mark, String base64, String from) {
        holder(token);
        if (!mark.matches("drawn|typed:[A-Za-z ]{1,40}"))
            throw Refusal.invalid("The signature has to be typed or drawn.");
        Map<String, String> checked = checked(values);
        byte[] picture;
        try {
            picture = Base64.getDecoder().decode(base64);
            Mark.read(picture);
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("The picture of the signature can't be read. Clear it and sign again.");
        } catch (Mark.Unusable e) {
            throw Refusal.invalid(e.getMessage());
        }
        act(token, from, party -> new Command.Sign(party, checked, mark, Json.sha256(picture)));
        // kept only when the act was taken, and before it is committed
        files.keep(picture);
    }

    @Transactional
    void decline(String token, String reason, String from) {
        if (reason.length() > 2000) throw Refusal.invalid("At most 2,000 characters fit here.");
        act(token, from, party -> new Command.Decline(party, reason));
    }

    private interface Acting {
        Command by(String party);
    }

    private void act(String token, String from, Acting acting) {
        Links.Holder holder = holder(token);
        log.carryOut(
                holder.agreementId(),
                new Actor.Participant(holder.party(), Actor.Proof.MAILED_LINK, from),
                acting.by(holder.party()));
    }

    private static Map<String, String> checked(Map<String, String> values) {
        Map<String, String> checked = new TreeMap<>();
        Map<String, String> faults = new TreeMap<>();
        values.forEach((name, value) -> {
            String text = value == null ? "" : value.strip();
            if (text.length() > LONGEST_DETAIL) faults.put(name, "At most 200 characters fit here.");
            Glyphs.firstMissing(text)
                    .ifPresent(c -> faults.put(
                            name,
                            "The character \u201c" + new String(Character.toChars(c))
                                    + "\u201d can't be printed in this document. Write it another way."));
            if (!text.isEmpty()) checked.put(name, text);
        });
        if (!faults.isEmpty()) throw Refusal.invalid("Some details have to be mended.", faults);
        return checked;
    }

    private Links.Holder holder(String token) {
        if (!token.matches("[A-Za-z0-9_-]{43}")) throw wrongLink();
        return links.holder(token).orElseThrow(SigningService::wrongLink);
    }

    private static Refusal wrongLink() {
        return Refusal.gone(
                "This link doesn't lead anywhere any more. The agreement is completed, or the link was not copied whole. If in doubt, ask the office that sent it.");
    }
}
