package org.jalousie.server.postroom;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signed copies of an agreement that came back. */
@RestController
@RequestMapping("/api/v1/agreements/{number}/returned-copies")
class ReturnedCopiesController {
    private final ReturnedCopies copies;

    ReturnedCopiesController(ReturnedCopies copies) {
        this.copies = copies;
    }

    /** @param mail the address that the copy goes to now */
    record CopyAgain(String mail) {}

    /** Signed copies that came back and were not sent once more. */
    @GetMapping
    List<ReturnedCopies.ReturnedCopy> list(@PathVariable AgreementNumber number) {
        return copies.of(number);
    }

    /** Sends a signed copy that came back once more, to the same address or another one. */
    @PostMapping("/{mail}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void again(@PathVariable AgreementNumber number, @PathVariable UUID mail, @RequestBody CopyAgain again) {
        copies.sendAgain(number, mail, Objects.requireNonNullElse(again.mail(), ""));
    }
}
