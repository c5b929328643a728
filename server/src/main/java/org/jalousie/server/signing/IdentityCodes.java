package org.jalousie.server.signing;

import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.parties.PartyKey;

/** One-time codes, made at the moment of sending, so that they are stored nowhere. */
public interface IdentityCodes {
    /**
     * A new code for somebody who has asked for one.
     *
     * @param askedBy the number of the event that asked for it
     * @return empty when it isn't waited for any more, since another one was asked for or they have shown who they are
     */
    Optional<String> issue(UUID agreementId, PartyKey party, int askedBy);
}
