package org.jalousie.server.archive.filing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.filing.FilingTerms;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Places outside to which completed agreements are filed. */
@RestController
@RequestMapping("/api/v1/archive/filing")
class FilingController {
    private final FilingService service;

    FilingController(FilingService service) {
        this.service = service;
    }

    record NewFilingTarget(FilingTerms terms, String password) {}

    /** @param revision that it is based on, {@code password} null for the one that is kept */
    record SettledFilingTarget(
            int revision,
            FilingTerms terms,
            @Schema(types = {"string", "null"}) String password) {}

    /** The places, by their names. */
    @GetMapping
    FilingService.FilingTargets list() {
        return service.list();
    }

    /** Makes one. What is complete already is filed there too. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    FilingService.FilingTargetView make(@RequestBody NewFilingTarget target, @AuthenticationPrincipal SignedIn by) {
        return service.make(target.terms(), target.password(), service.faults(target.terms()), by);
    }

    /** Settles where it is and how agreements are filed there. What is filed stays where it is. */
    @PutMapping("/{id}")
    FilingService.FilingTargetView settle(@PathVariable UUID id, @RequestBody SettledFilingTarget target) {
        return service.settle(
                id,
                target.revision(),
                target.terms(),
                Optional.ofNullable(target.password()),
                service.faults(target.terms()));
    }

    /** Files nothing there any more. What is there stays. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        service.remove(id);
    }

    /** What is completed waits until it goes on. */
    @PostMapping("/{id}/pause")
    FilingService.FilingTargetView pause(@PathVariable UUID id) {
        return service.pause(id, true);
    }

    /** Lets a paused place go on. */
    @DeleteMapping("/{id}/pause")
    FilingService.FilingTargetView goOn(@PathVariable UUID id) {
        return service.pause(id, false);
    }

    /** Tries again now. @param everything also what is filed: what is there stays, what is missing comes back */
    @PostMapping("/{id}/again")
    FilingService.FilingTargetView again(
            @PathVariable UUID id, @RequestParam(defaultValue = "false") boolean everything) {
        return service.again(id, everything);
    }

    /** What is filed there, waits or failed. */
    @GetMapping("/{id}/agreements")
    Page<FilingService.FilingRow> rows(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "FAILED") Filings.State state,
            @RequestParam(defaultValue = "0") int page) {
        return service.rows(id, state, page);
    }

    /** Where some agreements would go. */
    @PostMapping("/preview")
    List<FilingService.FilingRow> preview(@RequestBody FilingTerms terms) {
        return service.preview(terms);
    }
}
