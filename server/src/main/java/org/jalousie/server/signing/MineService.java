package org.jalousie.server.signing;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Asking;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What waits for somebody of the office, as a participant of their own. */
@Service
class MineService {
    private final Agreements agreements;
    private final Links links;
    private final Clock clock;

    MineService(Agreements agreements, Links links, Clock clock) {
        this.agreements = agreements;
        this.links = links;
        this.clock = clock;
    }

    Page<Agreements.Waits> all(String mail, int page) {
        return agreements.waitingFor(mail, page);
    }

    /** A way in for whose turn it is under a mail address. @throws Refusal when it isn't theirs */
    @Transactional
    String wayIn(AgreementNumber number, String mail) {
        UUID id = agreements.idOf(number);
        List<Entry> history = agreements.history(id);
        Agreement agreement = Agreement.of(history);
        PartyKey party = agreement.asked().stream()
                .filter(one -> one.mail().strip().equalsIgnoreCase(mail.strip()))
                .filter(one -> Asking.of(history, one.party(), clock.instant()).isPresent())
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(Message.of("mine.not-now")))
                .party();
        return links.signedIn(id, party, agreement.length());
    }
}
