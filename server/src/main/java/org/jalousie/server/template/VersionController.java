package org.jalousie.server.template;

import java.util.List;
import java.util.UUID;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Download;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The versions of a template over HTTP. */
@RestController
@RequestMapping("/api/v1/templates/{id}")
class VersionController {
    private final VersionService service;

    VersionController(VersionService service) {
        this.service = service;
    }

    record ReturnTo(int revision, int number) {}

    /** A template's versions. */
    @GetMapping("/versions")
    List<TemplateViews.VersionItem> history(@PathVariable UUID id) {
        return service.history(id);
    }

    /** What two versions of a template differ in. */
    @GetMapping("/difference")
    TemplateViews.VersionDifference difference(@PathVariable UUID id, @RequestParam int from, @RequestParam int to) {
        return service.difference(id, from, to);
    }

    /** Makes an earlier version the newest draft. */
    @PostMapping("/return")
    TemplateViews.TemplateDetail returnTo(
            @PathVariable UUID id, @RequestBody ReturnTo to, @AuthenticationPrincipal SignedIn by) {
        return service.returnTo(id, to.number(), to.revision(), by.displayName());
    }

    /** The Word file of one of a version's wordings. @param version 0 for the newest */
    @GetMapping(path = "/wording", produces = Download.WORD)
    ResponseEntity<byte[]> wording(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "0") int version,
            @RequestParam(defaultValue = "wording") String document) {
        return Download.of(service.wordFile(id, version, document), service.wordFileName(id, document), Download.WORD);
    }
}
