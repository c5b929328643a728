package org.jalousie.server.signing;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.agreement.Agreements;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What was tried at an agreement's links and refused. */
@RestController
@RequestMapping("/api/v1/agreements/{number}/refused-acts")
class RefusedActsController {
    private final RefusedActs refused;
    private final Agreements agreements;

    RefusedActsController(RefusedActs refused, Agreements agreements) {
        this.refused = refused;
        this.agreements = agreements;
    }

    /** What was tried at the links of an agreement and refused, the latest first. */
    @GetMapping
    List<RefusedActs.RefusedAct> list(@PathVariable AgreementNumber number) {
        UUID id = agreements.idOf(number);
        Agreement agreement = agreements.read(id);
        return refused.of(id).stream()
                .map(one -> one.at(label(agreement, one.party())))
                .toList();
    }

    private static String label(Agreement agreement, String key) {
        return PartyKey.read(key)
                .flatMap(agreement::participant)
                .map(Participant::label)
                .orElse(key);
    }
}
