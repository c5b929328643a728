package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Renewals by what requests say of themselves. */
@Service
class KnownRenewals implements Renewals {
    private final IntakeRequests requests;
    private final RequestGroups groups;
    private final Agreements agreements;
    private final Sight sight;

    KnownRenewals(IntakeRequests requests, RequestGroups groups, Agreements agreements, Sight sight) {
        this.sight = sight;
        this.requests = requests;
        this.groups = groups;
        this.agreements = agreements;
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public Care careOf(String request) {
        return requests.findByNumber(request)
                .map(IntakeRequest::number)
                .map(groups::locked)
                .map(one -> new Care(one.number(), one.ownerMail(), one.ownerName()))
                .orElse(new Care(request, "", ""));
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<AgreementNumber> renewedBy(String request) {
        return requests.findByNumber(request).flatMap(IntakeRequest::renews);
    }

    @Override
    @Transactional(readOnly = true)
    public Map<AgreementNumber, List<Renewal>> of(Collection<AgreementNumber> renewed) {
        Map<AgreementNumber, List<Renewal>> found = new HashMap<>();
        if (renewed.isEmpty()) return found;
        requests.renewing(renewed.stream().map(AgreementNumber::value).toList())
                .forEach(one -> found.computeIfAbsent(one.renews().orElseThrow(), number -> new ArrayList<>())
                        .add(new Renewal(one.number(), one.agreementNumber())));
        return found;
    }

    /** @throws Refusal unless it is complete */
    AgreementNumber required(String number) {
        return AgreementNumber.read(number)
                .flatMap(agreements::known)
                .filter(one -> agreements.state(one) == State.COMPLETED && sight.sees(agreements.template(one)))
                .orElseThrow(() -> Refusal.invalid(Message.of("dates.renews-unknown", "number", number)));
    }
}
