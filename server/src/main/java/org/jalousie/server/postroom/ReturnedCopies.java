package org.jalousie.server.postroom;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Signed copies that came back: the agreement is over, so that nothing of it changes; the copy goes out once more. */
@Service
public class ReturnedCopies {
    private final Mails mails;
    private final Postroom postroom;
    private final Agreements agreements;
    private final Clock clock;
    private final Sight sight;

    ReturnedCopies(Mails mails, Postroom postroom, Agreements agreements, Clock clock, Sight sight) {
        this.sight = sight;
        this.mails = mails;
        this.postroom = postroom;
        this.agreements = agreements;
        this.clock = clock;
    }

    /**
     * A signed copy that came back.
     *
     * @param mail which mail it was
     * @param subject of that mail
     * @param because what the mail server said
     */
    public record ReturnedCopy(
            UUID mail, AgreementNumber agreement, String subject, String recipient, String because, Instant since) {}

    /** Those that were not sent once more, the newest first. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<ReturnedCopy> list(int most) {
        var found = sight.seesAll()
                ? mails.copiesBack(PageRequest.of(0, most))
                : mails.copiesBackSeen(sight.hidden(), PageRequest.of(0, most));
        Map<UUID, AgreementNumber> numbers =
                agreements.numbersOf(found.map(Mail::agreementId).toSet());
        return new Page<>(
                found.map(mail -> view(mail, numbers.get(mail.agreementId()))).getContent(),
                found.getTotalElements(),
                0,
                most);
    }

    /** Those of one agreement. */
    @Transactional(readOnly = true)
    public List<ReturnedCopy> of(AgreementNumber number) {
        return mails.copiesBackOf(agreements.idOf(number)).stream()
                .map(mail -> view(mail, number))
                .toList();
    }

    /**
     * Sends a copy once more.
     *
     * @param address where to
     * @throws Refusal when it can be no address, or that copy didn't come back or was sent once more meanwhile
     */
    @Transactional
    public void sendAgain(AgreementNumber number, UUID id, String address) {
        try {
            ValueReader.mail(address);
        } catch (ValueReader.Unreadable e) {
            throw Refusal.invalid(Message.of("copy.wrong-mail"), Map.of("mail", e.said()));
        }
        Mail mail = mails.findById(id)
                .filter(one -> agreements.idOf(number).equals(one.agreementId()))
                .orElseThrow(() -> Refusal.notFound(Message.of("mail.none")));
        if (mails.sendingAgain(id, clock.instant()) == 0) throw Refusal.conflict(Message.of("copy.not-back"));
        postroom.queue(mail.agreementId(), mail.kind(), mail.party(), address.strip(), mail.subject(), mail.askedBy());
    }

    private static ReturnedCopy view(Mail mail, AgreementNumber number) {
        return new ReturnedCopy(
                mail.id(), number, mail.subject(), mail.recipient(), mail.returnedBecause(), mail.returnedAt());
    }
}
