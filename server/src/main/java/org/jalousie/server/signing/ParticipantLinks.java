package org.jalousie.server.signing;

import java.time.Instant;
import java.util.UUID;
import org.jalousie.core.parties.PartyKey;

/** The links by which participants come. */
public interface ParticipantLinks {
    /** The address of a new link, whose secret is known to nobody but the mail that carries it. */
    String issue(UUID agreementId, PartyKey party);

    /** The address of a link for somebody who has just sent the form in which they said who they are. It holds for an hour. */
    String straightOn(UUID agreementId, PartyKey party);

    /** The way to a signed copy. @param until from when on it leads nowhere any more */
    record CopyLink(String address, Instant until) {}

    /** The address of a new link to the signed copy. */
    CopyLink toCopy(UUID agreementId, PartyKey party);
}
