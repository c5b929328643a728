package org.jalousie.server.signing;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Proving;
import org.jalousie.core.agreement.State;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** How those who come by a link show who they are: a code that was sent to them, or a word agreed on with them. */
@Component
class Identities implements IdentityCodes, AfterEvents {
    /** How long a code can be typed (common practice, no source: minutes). */
    static final Duration CODE_LIFE = Duration.ofMinutes(10);
    /** How long a browser stays known in which somebody has shown who they are: a working day. */
    static final Duration SHOWN_LIFE = Duration.ofHours(8);

    private final ObjectProvider<Agreements> agreements;
    private final IdentitySecrets secrets;
    private final PasswordEncoder encoder;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Identities(ObjectProvider<Agreements> agreements, IdentitySecrets secrets, PasswordEncoder encoder, Clock clock) {
        this.agreements = agreements;
        this.secrets = secrets;
        this.encoder = encoder;
        this.clock = clock;
    }

    /** By what it is known who a visitor is; empty when they have to show that first. */
    Optional<Actor.Proof> proof(Links.Holder holder, Agreement agreement, Visit visit) {
        IdentityCheck check = agreement.identityCheck(holder.party());
        // a signed copy goes to who it is for by the same mail that brings the link to it
        if (check == IdentityCheck.NONE || agreement.state() == State.COMPLETED) return Optional.of(link(holder));
        PartyKey part = part(holder, agreement).party();
        return visit.browser()
                .flatMap(browser -> secrets.shownBy(holder.agreementId(), part, browser, clock.instant()))
                .map(Actor.Proof::by);
    }

    /** Whether a code that was asked for in this browser can still be typed. */
    boolean codeWaits(Links.Holder holder, Agreement agreement, Visit visit) {
        Links.Holder part = part(holder, agreement);
        return visit.browser().flatMap(browser -> live(part, browser)).isPresent();
    }

    private Optional<IdentitySecrets.Code> live(Links.Holder holder, Browser browser) {
        return secrets.code(holder.agreementId(), holder.party())
                .filter(code -> code.browserHash().equals(browser.hash()))
                .filter(code -> code.expiresAt().map(clock.instant()::isBefore).orElse(true));
    }

    /** Asks for a code to be sent. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void askForCode(Links.Holder holder, Visit visit, Browser browser) {
        Agreement after = agreements
                .getObject()
                .carryOut(holder.agreementId(), actor(holder, visit), new Command.AskForCode(holder.party()))
                .agreement();
        secrets.ask(holder.agreementId(), after.identifiedAs(holder.party()), browser, after.length());
    }

    @Override
    @Transactional
    public Optional<String> issue(UUID agreementId, PartyKey party, int askedBy) {
        Agreement agreement = agreements.getObject().read(agreementId);
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < agreement.provingOf(party).digits(); i++) code.append(random.nextInt(10));
        String hash = encoder.encode(code);
        Instant end = clock.instant().plus(CODE_LIFE);
        return secrets.keep(agreementId, party, askedBy, hash, end) ? Optional.of(code.toString()) : Optional.empty();
    }

    /**
     * Looks at what somebody answers. A wrong answer is kept too, so it is no exception: that would undo it.
     *
     * @return what is wrong with it; empty when they have shown who they are
     * @throws Refusal when it isn't looked at at all
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public Optional<Message> answer(Links.Holder holder, Visit visit, Browser browser, String typed) {
        UUID id = holder.agreementId();
        Agreement agreement = Agreement.of(agreements.getObject().historyForChange(id));
        IdentityCheck check = agreement.identityCheck(holder.party());
        Links.Holder part = part(holder, agreement);
        boolean right = check.byCode()
                ? isCode(part, browser, agreement.provingOf(holder.party()), typed)
                : isWord(part, typed);
        Agreement after = agreements
                .getObject()
                .carryOut(id, actor(holder, visit), new Command.AnswerCheck(holder.party(), right))
                .agreement();
        if (!right) {
            int left = Proving.MOST_WRONG - after.provingOf(holder.party()).wrong();
            return Optional.of(
                    Message.of(check.byCode() ? "identity.wrong-code" : "identity.wrong-word", "left", left));
        }
        secrets.used(id, part.party());
        secrets.shown(id, part.party(), browser, check, clock.instant().plus(SHOWN_LIFE));
        return Optional.empty();
    }

    /** Secrets are kept with the part that asks for them; the link may be another part's of the same act. */
    private static Links.Holder part(Links.Holder holder, Agreement agreement) {
        return new Links.Holder(
                holder.agreementId(), agreement.identifiedAs(holder.party()), holder.by(), holder.askedBy());
    }

    /** What can be no code at all, or came too late, costs nobody a try. */
    private boolean isCode(Links.Holder holder, Browser browser, Proving proving, String typed) {
        String digits = typed.replaceAll("[\\s-]", "");
        if (!digits.matches("[0-9]{" + proving.digits() + "}"))
            throw Refusal.invalid(Message.of("identity.digits", "digits", proving.digits()));
        Optional<IdentitySecrets.Code> asked = secrets.code(holder.agreementId(), holder.party())
                .filter(code -> code.browserHash().equals(browser.hash()));
        if (asked.isPresent() && live(holder, browser).isEmpty())
            throw Refusal.conflict(Message.of("identity.code-old"));
        return asked.flatMap(IdentitySecrets.Code::hash)
                .filter(hash -> encoder.matches(digits, hash))
                .isPresent();
    }

    private boolean isWord(Links.Holder holder, String typed) {
        AgreedWord word = AgreedWord.of(typed);
        if (word.plain().isEmpty()) throw Refusal.invalid(Message.of("identity.word-missing"));
        return !word.isTooLong()
                && secrets.word(holder.agreementId(), holder.party())
                        .filter(hash -> encoder.matches(word.digest(), hash))
                        .isPresent();
    }

    private static Actor.Proof link(Links.Holder holder) {
        return switch (holder.by()) {
            case MAIL -> Actor.Proof.MAILED_LINK;
            case FORM -> Actor.Proof.SENT_FORM;
            case ACCOUNT -> Actor.Proof.SIGNED_IN;
        };
    }

    /** Until they have shown who they are, what is known of a visitor is the link. */
    private static Actor actor(Links.Holder holder, Visit visit) {
        return new Actor.Participant(holder.party(), link(holder), visit.from());
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (agreement.state().ended()) secrets.forget(id);
        for (Entry entry : happened)
            if (entry.event() instanceof Event.PersonChanged changed)
                secrets.forgetPerson(id, changed.party(), changed.how() == Event.PersonChanged.Change.CORRECTED);
    }
}
