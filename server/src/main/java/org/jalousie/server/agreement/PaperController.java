package org.jalousie.server.agreement;

import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Command;
import org.jalousie.server.account.SignedIn;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Takes an agreement to paper, and back to the screen. */
@RestController
@RequestMapping("/api/v1/agreements/{number}/paper")
class PaperController {
    private final AgreementService service;

    PaperController(AgreementService service) {
        this.service = service;
    }

    /** Has those who haven't signed yet sign on paper. What isn't sent yet is sent by that, and nobody is mailed. */
    @PostMapping
    AgreementViews.AgreementDetail take(@PathVariable AgreementNumber number, @AuthenticationPrincipal SignedIn by) {
        service.takeToPaper(number, by.actor());
        return service.show(number);
    }

    /** Goes on on the screen; whose turn it is gets a new link. */
    @DeleteMapping
    AgreementViews.AgreementDetail leave(@PathVariable AgreementNumber number, @AuthenticationPrincipal SignedIn by) {
        service.carryOut(number, new Command.LeavePaper(), by.actor());
        return service.show(number);
    }
}
