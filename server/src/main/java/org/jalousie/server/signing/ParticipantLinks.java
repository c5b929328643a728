package org.jalousie.server.signing;

import java.time.Instant;
import java.util.UUID;
import org.jalousie.core.parties.PartyKey;

/** The links by which participants come. */
public interface ParticipantLinks {
    /**
     * The address of a new link, whose secret is known to nobody but the mail that carries it.
     *
     * @param askedBy the number of the event that asked for it; it leads nowhere when a later one has ended the links before it
     */
    String issue(UUID agreementId, PartyKey party, int askedBy);

    /**
     * The address of a link for somebody who has just sent the form in which they said who they are. It holds for an hour.
     *
     * @param askedBy how many events the agreement had
     */
    String straightOn(UUID agreementId, PartyKey party, int askedBy);

    /** The way to a signed copy. @param until from when on it leads nowhere any more */
    record CopyLink(String address, Instant until) {}

    /** The address of a new link to the signed copy. @param askedBy as above */
    CopyLink toCopy(UUID agreementId, PartyKey party, int askedBy);
}
