package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.ShownFields;
import org.jalousie.core.placement.SigningField;

/**
 * The rules of what somebody with a part in an agreement does. Who has several parts that can be done at once does them in one
 * act: each is an event of its own.
 */
final class Acts {
    private Acts() {}

    static Decision decide(List<Entry> history, Agreement agreement, Command.OfParty command, Instant now) {
        PartyKey party = command.party();
        if (agreement.participant(party).isEmpty() || agreement.absent().containsKey(party))
            return refused(Message.of("part.none"));
        if (agreement.state() == State.WITHDRAWN) return refused(Message.of("ended.withdrawn"));
        if (agreement.state() == State.DECLINED) return refused(Message.of("ended.declined"));
        if (agreement.state() == State.EXPIRED || agreement.hasRunOut(now)) {
            return refused(Message.of("ended.expired"));
        }
        if (agreement.onPaper()) return refused(Message.of("part.on-paper"));
        Standing standing = agreement.standing(party);
        if (standing == Standing.DONE || standing == Standing.SEALING) return refused(Message.of("part.done"));
        if (standing != Standing.TURN) return refused(Message.of("part.not-yet"));
        if (command instanceof Command.AskForCode || command instanceof Command.AnswerCheck)
            return IdentityActs.ofParty(agreement, command, now);
        if (!agreement.identified(party)) return refused(Message.of("identity.first"));
        if (command instanceof Command.View) {
            return agreement.viewed().contains(party)
                    ? accepted(List.of())
                    : accepted(List.of(new Event.Viewed(party)));
        }
        if (command instanceof Command.Decline decline) {
            if (decline.reason().isBlank()) return refused(Message.of("decline.reason-missing"));
            return accepted(List.of(new Event.Declined(party, decline.reason().strip())));
        }
        List<Participant> parts = agreement.together(party).parts();
        if (command instanceof Command.WithdrawConsent) return withdrawConsent(agreement, parts);
        if (command instanceof Command.AskOffice ask) return Questions.ask(agreement, ask);
        if (command instanceof Command.HandOver over) return RouteActs.handOver(history, agreement, over, now);
        if (command instanceof Command.Consent consent) return consent(agreement, parts, consent);
        return perform(history, agreement, parts, command, now);
    }

    /** Consent is a person's; it is kept for each of their parts that a signature needs it for. */
    private static Decision consent(Agreement agreement, List<Participant> parts, Command.Consent consent) {
        return accepted(parts.stream()
                .filter(one -> one.duty() == Duty.SIGNS || one.party().equals(consent.party()))
                .filter(one -> !agreement.consents().containsKey(one.party()))
                .<Event>map(one -> new Event.ConsentGiven(one.party(), consent.wording(), consent.wordingHash()))
                .toList());
    }

    /** Nothing was signed yet, so nothing is undone: what they would have agreed to is off until they agree again. */
    private static Decision withdrawConsent(Agreement agreement, List<Participant> parts) {
        List<Event> events = parts.stream()
                .filter(one -> agreement.consents().containsKey(one.party()))
                .<Event>map(one -> new Event.ConsentWithdrawn(one.party()))
                .toList();
        return events.isEmpty() ? refused(Message.of("consent.none")) : accepted(events);
    }

    private static Decision perform(
            List<Entry> history, Agreement agreement, List<Participant> parts, Command command, Instant now) {
        Map<String, String> values = answers(command);
        List<SigningField> asked = parts.stream()
                .flatMap(one -> agreement.fieldsOf(one.party()).stream())
                .filter(SigningField::asked)
                .toList();
        Optional<Decision> refusal = command instanceof Command.Approve ? Optional.empty() : refusal(asked, values);
        if (refusal.isPresent()) return refusal.get();
        Optional<Message> wrong = wrongAct(parts, command);
        if (wrong.isPresent()) return refused(wrong.get());
        if (parts.stream()
                .anyMatch(
                        one -> one.duty() == Duty.SIGNS && !agreement.consents().containsKey(one.party())))
            return refused(Message.of("consent.first"));
        List<Event> events = new ArrayList<>();
        for (Participant one : parts) {
            if (agreement.standing(one.party()) != Standing.TURN) continue;
            Map<String, String> own = of(one.party(), asked, values);
            agreement.fieldsOf(one.party()).stream()
                    .map(SigningField::name)
                    .filter(derived(command)::containsKey)
                    .forEach(name -> own.put(name, derived(command).get(name)));
            events.add(
                    switch (one.duty()) {
                        case APPROVES -> new Event.Approved(one.party());
                        case COMPLETES -> new Event.FieldsCompleted(one.party(), own);
                        case SIGNS -> signed(one, own, (Command.Sign) command);
                        case RECEIVES_COPY -> throw new IllegalStateException("a copy is nothing to act on");
                    });
        }
        return Decider.withInvitations(history, events, now);
    }

    private static Event signed(Participant one, Map<String, String> values, Command.Sign sign) {
        return new Event.Signed(one.party(), values, sign.mark(), sign.markImage(), sign.initials());
    }

    /** What a person has to do is what asks most of them: who signs as well as approves signs. */
    private static Optional<Message> wrongAct(List<Participant> parts, Command command) {
        Predicate<Duty> has = duty -> parts.stream().anyMatch(one -> one.duty() == duty);
        if (command instanceof Command.Sign)
            return has.test(Duty.SIGNS) ? Optional.empty() : Optional.of(Message.of("duty.not-sign"));
        if (command instanceof Command.Complete) {
            return has.test(Duty.COMPLETES) && !has.test(Duty.SIGNS)
                    ? Optional.empty()
                    : Optional.of(Message.of("duty.not-complete"));
        }
        return parts.stream().allMatch(one -> one.duty() == Duty.APPROVES)
                ? Optional.empty()
                : Optional.of(Message.of("duty.not-approve"));
    }

    private static Map<String, String> answers(Command command) {
        if (command instanceof Command.Sign sign) return sign.values();
        return command instanceof Command.Complete complete ? complete.values() : Map.of();
    }

    private static Map<String, String> derived(Command command) {
        if (command instanceof Command.Sign sign) return sign.derived();
        return command instanceof Command.Complete complete ? complete.derived() : Map.of();
    }

    private static Optional<Decision> refusal(List<SigningField> asked, Map<String, String> values) {
        Set<String> shown = ShownFields.among(asked, values);
        for (SigningField field : asked) {
            if (shown.contains(field.name())
                    && ShownFields.required(field, shown, values)
                    && Texts.bare(values.getOrDefault(field.name(), "")).isEmpty()) {
                return Optional.of(refused(Message.of("field.required", "field", field.question())));
            }
        }
        Map<String, Message> faults = new TreeMap<>();
        for (Map.Entry<String, String> answer : values.entrySet()) {
            Optional<SigningField> field = asked.stream()
                    .filter(one -> one.name().equals(answer.getKey()))
                    .findFirst();
            if (field.isEmpty()) return Optional.of(refused(Message.of("field.not-yours", "field", answer.getKey())));
            if (!shown.contains(answer.getKey())
                    && !Texts.bare(answer.getValue()).isEmpty())
                faults.put(answer.getKey(), Message.of("field.not-asked"));
            field.get().type().fault(answer.getValue()).ifPresent(fault -> faults.put(answer.getKey(), fault));
        }
        return faults.isEmpty()
                ? Optional.empty()
                : Optional.of(new Decision.Refused(Message.of("fields.mend"), faults));
    }

    private static Map<String, String> of(PartyKey party, List<SigningField> asked, Map<String, String> values) {
        Map<String, String> own = new TreeMap<>();
        asked.stream()
                .filter(field -> field.party().equals(party) && values.containsKey(field.name()))
                .forEach(field -> own.put(field.name(), values.get(field.name())));
        return own;
    }

    private static Decision accepted(List<Event> events) {
        return new Decision.Accepted(events);
    }

    private static Decision refused(Message reason) {
        return new Decision.Refused(reason);
    }
}
