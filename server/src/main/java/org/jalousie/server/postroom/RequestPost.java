package org.jalousie.server.postroom;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.letters.LetterText;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.server.adapters.Outgoing;

/** Mail that isn't about one agreement: about requests, forms that somebody goes on with later, days that come near. */
public interface RequestPost {
    /** Puts a mail into the queue, in the transaction of what asks for it. @param about of what it is */
    void queue(UUID about, RequestLetter.About occasion, String recipient, String subject);

    /** What goes, in the transaction in which it does: nothing stays of the mails about it. */
    void forget(UUID about);

    /** Words mails when they are sent, since the links in them are kept nowhere. */
    interface Writer {
        /** Whether it words mails of an occasion. */
        boolean words(RequestLetter.About occasion);

        /** @return empty when it isn't needed any more */
        Optional<Written> write(UUID about, RequestLetter.About occasion, UUID mail);
    }

    /** @param toName what the recipient is called; may be empty */
    record Written(String toName, LetterText text, List<Outgoing.Attachment> attachments) {}
}
