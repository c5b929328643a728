package org.jalousie.server.archive;

import java.util.Set;
import org.jalousie.core.agreement.State;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.Verifier;
import org.jalousie.server.agreement.AgreementService;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.web.Page;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Completed agreements: found, and checked on demand. */
@RestController
@RequestMapping("/api/v1/archive")
class ArchiveController {
    private final AgreementService agreements;
    private final Verifier verifier;

    ArchiveController(AgreementService agreements, TrustService trust) {
        this.agreements = agreements;
        this.verifier = new Verifier(trust);
    }

    /** @param record whether the signing record holds too */
    record Checked(Verification agreement, Verification record) {}

    @GetMapping
    Page<AgreementViews.AgreementItem> list(
            @RequestParam(defaultValue = "") String find, @RequestParam(defaultValue = "0") int page) {
        return agreements.list(Set.of(State.COMPLETED), find, page);
    }

    /** Checks the filed document and its signing record now. */
    @PostMapping("/{number}/verification")
    Checked verify(@PathVariable String number) {
        return new Checked(
                verifier.verify(agreements.file(number, "document")),
                verifier.verify(agreements.file(number, "record")));
    }
}
