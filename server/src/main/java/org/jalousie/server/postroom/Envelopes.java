package org.jalousie.server.postroom;

import java.util.List;
import org.jalousie.core.letters.LetterText;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Outgoing;
import org.jalousie.server.office.OfficeLooks;
import org.springframework.stereotype.Component;

/** Makes mails of letters: plain text and HTML, in the office's look. */
@Component
class Envelopes {
    private final OfficeLooks looks;
    private final Settings settings;

    Envelopes(OfficeLooks looks, Settings settings) {
        this.looks = looks;
        this.settings = settings;
    }

    /** @param toName may be empty; {@code chases} whether it asks somebody again */
    Outgoing of(Mail mail, String toName, LetterText letter, boolean chases, List<Outgoing.Attachment> attachments) {
        return of(mail.id().toString(), mail.recipient(), toName, mail.subject(), letter, chases, attachments);
    }

    /** @param id which the Message-ID is made of: the same mail always has the same one (RFC 5322 §3.6.4) */
    Outgoing of(
            String id,
            String recipient,
            String toName,
            String subject,
            LetterText letter,
            boolean chases,
            List<Outgoing.Attachment> attachments) {
        String office = settings.office().mail();
        OfficeLooks.InMail looked = looks.inMail();
        return new Outgoing(
                id + "@" + office.substring(office.indexOf('@') + 1),
                recipient,
                toName,
                subject,
                letter.plain(),
                letter.html(looked.look()),
                looked.logo(),
                chases,
                attachments);
    }
}
