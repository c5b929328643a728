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
import org.jalousie.server.agreement.Agreements;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes note of mail that came back. */
@Component
public class Returns {
    private static final Logger LOG = LoggerFactory.getLogger(Returns.class);

    private final ReturnsMailbox mailbox;
    private final Mails mails;
    private final Postroom postroom;
    private final Agreements agreements;
    private final TransactionTemplate transaction;

    Returns(
            ReturnsMailbox mailbox,
            Mails mails,
            Postroom postroom,
            Agreements agreements,
            TransactionTemplate transaction) {
        this.mailbox = mailbox;
        this.mails = mails;
        this.postroom = postroom;
        this.agreements = agreements;
        this.transaction = transaction;
    }

    /** Reads the mailbox for returns; what can't be read now is read the next time. */
    public void read() {
        try {
            mailbox.read(failures -> failures.stream().map(this::take).toList().contains(true));
        } catch (ReturnsMailbox.ReturnsAway e) {
            LOG.warn(
                    "the mailbox for returned mail can't be read: {}",
                    e.getCause().getClass().getSimpleName());
        }
    }

    /** @return whether it is about a mail of ours */
    private boolean take(ReturnedMail returned) {
        Optional<UUID> id = idOf(returned.messageId());
        return id.isPresent() && Boolean.TRUE.equals(transaction.execute(status -> take(id.get(), returned)));
    }

    private boolean take(UUID id, ReturnedMail returned) {
        Optional<Mail> found =
                mails.findById(id).filter(mail -> mail.recipient().strip().equalsIgnoreCase(returned.recipient()));
        if (found.isEmpty()) return false;
        Mail mail = found.get();
        if (!postroom.returned(mail.id(), (returned.status() + " " + returned.said()).strip())) return true;
        if (mail.agreementId() == null) return true;
        if (mail.party().isPresent() && mail.kind().reaches()) {
            agreements.carryOut(
                    mail.agreementId(),
                    Actor.PROGRAM,
                    new Command.ReportReturn(
                            mail.party().get(), mail.askedBy(), mail.recipient(), returned.status(), returned.said()));
        }
        return true;
    }

    /** Our Message-IDs begin with the id of the mail. */
    private static Optional<UUID> idOf(String messageId) {
        String before = messageId.split("@", 2)[0];
        if (!before.matches("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}")) return Optional.empty();
        return Optional.of(UUID.fromString(before));
    }

    /** The mail server won't take a mail at all. */
    void refused(Mail mail, AddressRefused why) {
        transaction.executeWithoutResult(status -> take(
                mail.id(),
                new ReturnedMail(
                        mail.id().toString(), mail.recipient().strip(), String.valueOf(why.reply()), why.said())));
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
