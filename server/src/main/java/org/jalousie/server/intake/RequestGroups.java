package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.store.RowLock;
import org.springframework.stereotype.Component;

/** Requests with their parts: those that one form has made together, the whole one first. Changed one at a time. */
@Component
class RequestGroups {
    private final IntakeRequests requests;
    private final Agreements agreements;
    private final RowLock lock;

    RequestGroups(IntakeRequests requests, Agreements agreements, RowLock lock) {
        this.requests = requests;
        this.agreements = agreements;
        this.lock = lock;
    }

    IntakeRequest request(String number) {
        return requests.findByNumber(number)
                .orElseThrow(() -> Refusal.notFound(Message.of("request.none", "number", number)));
    }

    /** The request that one is a part of; itself for a whole one. */
    IntakeRequest whole(IntakeRequest one) {
        return one.partOf().flatMap(requests::findById).orElse(one);
    }

    /** The whole request of one, and its parts in the order of their numbers. */
    List<IntakeRequest> of(IntakeRequest one) {
        IntakeRequest whole = whole(one);
        List<IntakeRequest> all = new ArrayList<>(List.of(whole));
        all.addAll(requests.partsOf(whole.id()));
        return all;
    }

    /** Locks the whole request: parts change only with it. */
    IntakeRequest locked(String number) {
        return lock.on(whole(request(number)));
    }

    /**
     * All of a request, and its agreements before it: what happens with an agreement changes how far its request has come, and
     * each would wait for the other.
     */
    List<IntakeRequest> lockedWithAgreements(String number) {
        List<Optional<AgreementNumber>> before = numbers(of(request(number)));
        before.stream()
                // one of them may have been destroyed, at the end of its own retention
                .flatMap(one -> one.flatMap(agreements::known).stream())
                .forEach(one -> agreements.historyForChange(agreements.idOf(one)));
        List<IntakeRequest> group = of(locked(number));
        if (!numbers(group).equals(before)) throw Refusal.conflict(Message.of("request.changed"));
        return group;
    }

    private static List<Optional<AgreementNumber>> numbers(List<IntakeRequest> group) {
        return group.stream().map(IntakeRequest::agreementNumber).toList();
    }

    /** Whether its agreement ended without being completed, so that another one may be made of the same answers. */
    boolean failed(IntakeRequest request) {
        return request.agreementNumber()
                .flatMap(agreements::known)
                .map(agreements::state)
                .filter(state -> state.ended() && state != State.COMPLETED)
                .isPresent();
    }

    /** All that was answered, whichever part it is for. */
    static Agreements.Answers answers(List<IntakeRequest> group) {
        Map<FieldName, String> data = new LinkedHashMap<>();
        Map<PartyKey, Person> people = new LinkedHashMap<>();
        for (IntakeRequest one : group) {
            one.values().forEach(data::putIfAbsent);
            one.people().forEach(people::putIfAbsent);
        }
        return new Agreements.Answers(data, people);
    }
}
