package org.jalousie.server.postroom;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Command;
import org.jalousie.server.adapters.AddressRefused;
import org.jalousie.server.adapters.ReturnedMail;
import org.jalousie.server.adapters.ReturnsMailbox;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.jobs.Outages;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes note of mail that came back. */
@Component
public class Returns {
    private final ReturnsMailbox mailbox;
    private final Mails mails;
    private final Postroom postroom;
    private final Agreements agreements;
    private final Outages outages;
    private final TransactionTemplate transaction;

    Returns(
            ReturnsMailbox mailbox,
            Mails mails,
            Postroom postroom,
            Agreements agreements,
            Outages outages,
            TransactionTemplate transaction) {
        this.outages = outages;
        this.mailbox = mailbox;
        this.mails = mails;
        this.postroom = postroom;
        this.agreements = agreements;
        this.transaction = transaction;
    }

    /** Reads the mailbox for returns; what can't be read now is read the next time, and told meanwhile. */
    public void read() {
        try {
            mailbox.read(this::take);
            outages.over(ServiceAway.Service.RETURNS);
        } catch (ServiceAway away) {
            outages.began(away);
        }
    }

    /** @return whether it is about a mail of ours */
    private boolean take(ReturnedMail returned) {
        return idOf(returned.messageId())
                .flatMap(id -> transaction.execute(status -> mails.findById(id).map(mail -> {
                    take(mail, returned.status(), returned.said());
                    return mail;
                })))
                .isPresent();
    }

    /** A mail of ours has one recipient, whatever addresses it was passed on to on its way. */
    private void take(Mail mail, String status, String said) {
        if (!postroom.returned(mail.id(), (status + " " + said).strip())) return;
        if (mail.agreementId() == null || mail.party().isEmpty() || !mail.kind().reaches()) return;
        agreements.carryOut(
                mail.agreementId(),
                Actor.PROGRAM,
                new Command.ReportReturn(mail.party().get(), mail.askedBy(), mail.recipient(), status, said));
    }

    /** Our Message-IDs begin with the id of the mail. */
    private static Optional<UUID> idOf(String messageId) {
        String before = messageId.split("@", 2)[0];
        if (!before.matches("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}")) return Optional.empty();
        return Optional.of(UUID.fromString(before));
    }

    /** The mail server won't take a mail at all. */
    void refused(Mail mail, AddressRefused why) {
        transaction.executeWithoutResult(status -> take(mail, String.valueOf(why.reply()), why.said()));
    }

    @Configuration
    static class Setup {
        @Bean
        Task<Void> returnsTask(ObjectProvider<Returns> returns) {
            return Tasks.recurring("returns", FixedDelay.of(Duration.ofMinutes(1)))
                    .execute((instance, context) -> returns.getObject().read());
        }
    }
}
