package org.jalousie.server.intake;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.AgreementNumber;

/** Who takes care of what was asked for, and which requests renew agreements, as other rooms see it. */
public interface Renewals {
    /**
     * @param request the number of the whole request
     * @param mail of who takes care of it; empty for nobody
     */
    record Care(String request, String mail, String name) {}

    /** Stays so until the end of the transaction. @param request its own number, or that of a part of it */
    Care careOf(String request);

    /** The agreement that a request renews. */
    Optional<AgreementNumber> renewedBy(String request);

    /** A request that renews an agreement. @param agreement empty before it is made */
    record Renewal(String request, Optional<AgreementNumber> agreement) {}

    /** Those that renew some agreements, the newest first. */
    Map<AgreementNumber, List<Renewal>> of(Collection<AgreementNumber> renewed);
}
