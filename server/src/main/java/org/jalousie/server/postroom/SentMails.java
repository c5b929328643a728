package org.jalousie.server.postroom;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What mail went out about an agreement. The words of a mail are kept nowhere, since its link would be kept with them. */
@Service
public class SentMails {
    private final Mails mails;

    SentMails(Mails mails) {
        this.mails = mails;
    }

    /**
     * One mail.
     *
     * @param occasion what it was about, {@code state} what became of it
     * @param sentAt when the mail server took it; empty when it didn't
     * @param returned what the mail server said when it came back; empty when it didn't
     */
    public record SentMail(
            String occasion,
            String to,
            String subject,
            String state,
            String createdAt,
            String sentAt,
            String returned) {}

    /** All mail about an agreement, in the order in which it was asked for. */
    @Transactional(readOnly = true)
    public List<SentMail> about(UUID agreement) {
        return mails.findByAgreementIdOrderByCreatedAtAscIdAsc(agreement).stream()
                .map(Mail::sentMail)
                .toList();
    }

    /** The agreements about which mail went to an address, at most so many. @param to in lower case */
    @Transactional(readOnly = true)
    public List<UUID> agreementsTo(String to, int most) {
        return mails.agreementsTo(to, PageRequest.of(0, most));
    }

    /**
     * Why the last mail about what is no agreement came back, in the words of the mail server.
     *
     * @return empty where it didn't, or there was none
     */
    @Transactional(readOnly = true)
    public Optional<String> cameBack(UUID about) {
        return mails.findFirstByAboutOrderByCreatedAtDescIdDesc(about).map(Mail::returnedBecause);
    }

    /** How many mails went to an address. @param to in lower case */
    @Transactional(readOnly = true)
    public long countTo(String to) {
        return mails.countTo(to);
    }

    static String said(Instant at) {
        return at == null ? "" : at.toString();
    }
}
