package org.jalousie.server.signing;

import java.util.UUID;
import org.jalousie.core.parties.PartyKey;

/** The links by which participants come. */
public interface ParticipantLinks {
    /** The address of a new link, whose secret is known to nobody but the mail that carries it. */
    String issue(UUID agreementId, PartyKey party);
}
