package org.jalousie.server.programs;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.programs.ProgramTerms;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
import org.jalousie.server.web.SendingKey;
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

/** Programs that the office lets in, over HTTP. */
@RestController
@RequestMapping("/api/v1/programs")
class ProgramController {
    private final ProgramService service;

    ProgramController(ProgramService service) {
        this.service = service;
    }

    record NewProgram(ProgramTerms terms) {}

    /** @param revision that it is based on */
    record SettledProgram(int revision, ProgramTerms terms) {}

    /** @param othersEndIn hours after which the other keys of this kind end, 0 for at once; left out, they stay */
    record WantedKey(
            ProgramKeys.Kind kind,
            @Schema(types = {"integer", "null"}) Integer othersEndIn) {}

    /** Programs that the office lets in. */
    @GetMapping
    Page<ProgramViews.ProgramItem> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return service.list(find, sort, page);
    }

    /** Lets a program in. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ProgramViews.ProgramDetail letIn(@RequestBody NewProgram program, @AuthenticationPrincipal SignedIn by) {
        return service.letIn(program.terms(), by);
    }

    /** A program with its keys. */
    @GetMapping("/{id}")
    ProgramViews.ProgramDetail show(@PathVariable UUID id) {
        return service.show(id);
    }

    /** Settles what a program may do. */
    @PutMapping("/{id}")
    ProgramViews.ProgramDetail settle(
            @PathVariable UUID id, @RequestBody SettledProgram program, @AuthenticationPrincipal SignedIn by) {
        return service.settle(id, program.revision(), program.terms(), by);
    }

    /** It isn't let in any more. What it did stays known. */
    @DeleteMapping("/{id}")
    ProgramViews.ProgramDetail end(@PathVariable UUID id) {
        return service.end(id);
    }

    /** Makes a key, whose secret is told this once. */
    @PostMapping("/{id}/keys")
    @ResponseStatus(HttpStatus.CREATED)
    ProgramViews.FreshKey makeKey(
            @PathVariable UUID id,
            @RequestBody WantedKey key,
            @AuthenticationPrincipal SignedIn by,
            HttpServletRequest request) {
        SendingKey.answersOnce(request);
        return service.makeKey(id, key.kind(), Optional.ofNullable(key.othersEndIn()), by);
    }

    /** Ends a key now. */
    @DeleteMapping("/{id}/keys/{key}")
    ProgramViews.ProgramDetail endKey(@PathVariable UUID id, @PathVariable UUID key) {
        return service.endKey(id, key);
    }

    /** What it asked for, the newest first. */
    @GetMapping("/{id}/uses")
    Page<ProgramUses.ProgramUse> uses(@PathVariable UUID id, @RequestParam(defaultValue = "0") int page) {
        return service.uses(id, page);
    }
}
