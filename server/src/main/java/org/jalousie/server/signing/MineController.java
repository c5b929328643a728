package org.jalousie.server.signing;

import java.security.Principal;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.web.Page;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What waits for who is signed in, under the mail address of their account. */
@RestController
@RequestMapping("/api/v1/mine")
class MineController {
    private final MineService service;

    MineController(MineService service) {
        this.service = service;
    }

    /** Where it is read and acted on; it holds for a working day. */
    record WayIn(String address) {}

    /** What waits for who is signed in, longest first. */
    @GetMapping
    Page<Agreements.Waits> list(@RequestParam(defaultValue = "0") int page, Principal by) {
        return service.all(by.getName(), page);
    }

    /** Opens an agreement to act on it, for whose turn it is under the mail address of the account. */
    @PostMapping("/{number}/way-in")
    WayIn open(@PathVariable AgreementNumber number, Principal by) {
        return new WayIn(service.wayIn(number, by.getName()));
    }
}
