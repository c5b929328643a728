package org.jalousie.server.agreement;

import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;

/** A room that keeps something about agreements: lets go of it when one is destroyed at the end of its retention. */
public interface WhenGone {
    /** @param request the number of the request that it was made from */
    record Gone(UUID id, AgreementNumber number, String request) {}

    /** Called in the transaction in which it goes, while its row is still there. */
    void gone(Gone gone);
}
