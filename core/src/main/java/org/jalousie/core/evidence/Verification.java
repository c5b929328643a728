package org.jalousie.core.evidence;

import java.time.Instant;
import java.util.List;

/**
 * The result of checking a signed file.
 *
 * @param intact whether every signature holds and nothing was changed since
 * @param findings what is wrong, a sentence each; empty when intact
 */
public record Verification(boolean intact, List<SignatureCheck> signatures, List<String> findings) {
    /**
     * One signature.
     *
     * @param field the form field it stands in
     * @param by the name in the certificate
     * @param at the time that its time stamp proves
     * @param level for example {@code PAdES-BASELINE-LTA}
     */
    public record SignatureCheck(String field, String by, Instant at, String level, boolean valid, String detail) {}
}
