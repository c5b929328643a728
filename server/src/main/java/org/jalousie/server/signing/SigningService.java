package org.jalousie.server.signing;

import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.ConsentWording;
import org.jalousie.core.evidence.SignatureMark;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.SigningField;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a participant with a link may do. */
@Service
class SigningService {
    private static final int LONGEST_REASON = 2000;

    /** In letters, of all answers together. */
    private static final int MOST_BEGUN = 200_000;

    private final Visitors visitors;
    private final Identities identities;
    private final AttachedFiles attached;
    private final Agreements agreements;
    private final FileStore files;
    private final BegunAnswers begun;

    SigningService(
            Visitors visitors,
            Identities identities,
            AttachedFiles attached,
            Agreements agreements,
            FileStore files,
            BegunAnswers begun) {
        this.begun = begun;
        this.visitors = visitors;
        this.identities = identities;
        this.attached = attached;
        this.agreements = agreements;
        this.files = files;
    }

    /** The document as it stands; opening it is an event. */
    @Transactional
    byte[] document(Visit visit, String document) {
        Visitor visitor = visitors.known(visit);
        visitor.requireDocuments();
        Sha256 pdf = visitor.documents().stream()
                .filter(one -> one.id().value().equals(document))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("document.none")))
                .pdf();
        if (visitor.agreement().state() == State.OUT && visitor.agreement().standing(visitor.party()) == Standing.TURN)
            act(visitor, Command.View::new);
        return files.get(pdf);
    }

    /** The signing record, for who gets the signed copy. */
    @Transactional(readOnly = true)
    byte[] record(Visit visit) {
        Visitor visitor = visitors.known(visit);
        return visitor.agreement()
                .record()
                .filter(record -> visitor.hasCopy())
                .map(files::get)
                .orElseThrow(() -> Refusal.of(Refusal.Kind.GONE, Message.of("ended.document")));
    }

    @Transactional
    void consent(Visit visit, String version) {
        Visitor visitor = visitors.known(visit);
        ConsentWording wording = ConsentWording.in(visitor.words());
        if (!version.equals(wording.version())) throw Refusal.conflict(Message.of("consent.changed"));
        act(visitor, party -> new Command.Consent(party, wording.version(), wording.hash()));
    }

    @Transactional
    void complete(Visit visit, Map<String, String> values) {
        Visitor visitor = visitors.known(visit);
        Map<String, String> taken = taken(visitor, values);
        Map<String, String> derived = visitor.answers().derived(taken);
        finish(visitor, party -> new Command.Complete(party, taken, derived));
    }

    @Transactional
    void approve(Visit visit) {
        finish(visitors.known(visit), Command.Approve::new);
    }

    @Transactional
    void sign(Visit visit, Map<String, String> values, String mark, String base64, Optional<String> initials) {
        Visitor visitor = visitors.known(visit);
        if (!mark.matches("drawn|picture|typed:[A-Za-z ]{1,40}")) throw Refusal.invalid(Message.of("mark.how"));
        Map<String, String> taken = taken(visitor, values);
        Map<String, String> derived = visitor.answers().derived(taken);
        byte[] picture = picture(base64);
        Optional<byte[]> shortened = initials.map(SigningService::picture);
        finish(
                visitor,
                party -> new Command.Sign(party, taken, derived, mark, Sha256.of(picture), shortened.map(Sha256::of)));
        // kept only when the act was taken, and before it is committed
        files.keep(picture);
        shortened.ifPresent(files::keep);
    }

    private static byte[] picture(String base64) {
        try {
            byte[] picture = Base64.getDecoder().decode(base64);
            SignatureMark.read(picture);
            return picture;
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid(Message.of("mark.unreadable"));
        } catch (SignatureMark.Unusable e) {
            throw Refusal.invalid(e.said());
        }
    }

    /** Whoever agreed to act electronically doesn't any more. */
    @Transactional
    void withdrawConsent(Visit visit) {
        act(visitors.known(visit), Command.WithdrawConsent::new);
    }

    /** A question to the office. */
    @Transactional
    void ask(Visit visit, String question) {
        act(visitors.known(visit), party -> new Command.AskOffice(party, question));
    }

    /** Another person has the part from now on; the link by which this was asked leads nowhere any more. */
    @Transactional
    void handOver(Visit visit, Person person, String reason) {
        Visitor visitor = visitors.known(visit);
        boolean allowed = visitor.content().sending().acting().handOver();
        act(visitor, party -> new Command.HandOver(party, person, reason, allowed));
    }

    private Map<String, String> taken(Visitor visitor, Map<String, String> values) {
        Answers answers = visitor.answers();
        Map<String, String> taken = answers.taken(values);
        attached.requireBrought(visitor.holder(), answers.fields(), taken);
        return taken;
    }

    @Transactional
    void decline(Visit visit, String reason) {
        Visitor visitor = visitors.known(visit);
        if (reason.length() > LONGEST_REASON)
            throw Refusal.invalid(Message.of("decline.reason-too-long", "most", LONGEST_REASON));
        finish(visitor, party -> new Command.Decline(party, reason));
    }

    /** Whoever had the part when they pressed may not have it any more when it is their turn to be heard. */
    private void act(Visitor visitor, Function<PartyKey, Command> by) {
        UUID id = visitor.holder().agreementId();
        visitors.requireStillTheirs(visitor.holder(), Agreement.of(agreements.historyForChange(id)));
        agreements.carryOut(id, visitor.actor(), by.apply(visitor.party()));
    }

    /** An act that is the last one of who does it; what they had begun is handed in, or of no use any more. */
    private void finish(Visitor visitor, Function<PartyKey, Command> by) {
        act(visitor, by);
        visitor.agreement()
                .together(visitor.party())
                .parts()
                .forEach(part -> begun.forget(visitor.holder().agreementId(), part.party()));
    }

    /** Keeps what was typed so far to their own fields. @throws Refusal when it isn't their turn */
    @Transactional
    void begin(Visit visit, Map<String, String> typed) {
        // an act that is on its way comes first, and there is nothing to keep then
        begun.afterActs(visitors.holder(visit).agreementId());
        Visitor visitor = visitors.known(visit);
        Answers answers = visitor.answers();
        if (!answers.turn()) throw Refusal.conflict(Message.of("part.not-yet"));
        Set<String> own = answers.fields().stream()
                .filter(SigningField::asked)
                .map(SigningField::name)
                .collect(Collectors.toSet());
        Map<String, String> kept = new HashMap<>();
        typed.forEach((name, value) -> {
            if (value != null && own.contains(name)) kept.put(name, value);
        });
        if (kept.values().stream().mapToInt(String::length).sum() > MOST_BEGUN)
            throw Refusal.invalid(Message.of("fields.too-much"));
        begun.keep(LinkToken.read(visit.token()).orElseThrow(), kept);
    }

    @Transactional
    void askForCode(Visit visit) {
        identities.askForCode(heard(visit), visit, visit.browser().orElseThrow());
    }

    /** @return what is wrong with the answer; empty when they have shown who they are */
    @Transactional
    Optional<Message> answerCheck(Visit visit, String answer) {
        return identities.answer(heard(visit), visit, visit.browser().orElseThrow(), answer);
    }

    /** Whose link it is when nobody changes the agreement any more until the end of the transaction. */
    private Links.Holder heard(Visit visit) {
        Links.Holder holder = visitors.holder(visit);
        visitors.requireStillTheirs(holder, Agreement.of(agreements.historyForChange(holder.agreementId())));
        return holder;
    }

    /** What the program works out of what has been typed so far. */
    @Transactional(readOnly = true)
    List<SigningViews.Derived> derived(Visit visit, Map<String, String> values) {
        return visitors.known(visit).answers().shown(values);
    }
}
