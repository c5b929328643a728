package org.jalousie.core.evidence;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.messages.Message;

/**
 * The result of checking a signed file.
 *
 * @param intact whether every signature holds, nothing was changed since, and it is the file that it should be
 * @param findings what is wrong; empty when intact
 * @param notes what is right but worth knowing, such as a time stamp that was put on later
 */
public record Verification(
        boolean intact, List<SignatureCheck> signatures, List<Message> findings, List<Message> notes) {
    /**
     * One signature.
     *
     * @param field the form field it stands in
     * @param by the name in the certificate
     * @param at the time that its time stamp proves
     * @param level for example {@code PAdES-BASELINE-LTA}
     * @param certificate which certificate it was made with
     */
    public record SignatureCheck(
            String field,
            String by,
            Instant at,
            String level,
            boolean valid,
            String detail,
            CertificateId certificate) {}

    /** The same with more that was found. */
    public Verification and(List<Message> moreFindings, List<Message> moreNotes) {
        List<Message> allFindings = new ArrayList<>(findings);
        allFindings.addAll(moreFindings);
        List<Message> allNotes = new ArrayList<>(notes);
        allNotes.addAll(moreNotes);
        return new Verification(allFindings.isEmpty(), signatures, allFindings, allNotes);
    }
}
