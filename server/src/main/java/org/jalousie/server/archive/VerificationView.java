package org.jalousie.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.messages.Message;

/** What checking a file came to, said in the office's language. */
@Schema(name = "Verification")
record VerificationView(
        boolean intact, List<Verification.SignatureCheck> signatures, List<String> findings, List<String> notes) {
    static VerificationView of(Verification found) {
        return new VerificationView(found.intact(), found.signatures(), said(found.findings()), said(found.notes()));
    }

    static List<String> said(List<Message> messages) {
        return messages.stream().map(Message::toString).toList();
    }
}
