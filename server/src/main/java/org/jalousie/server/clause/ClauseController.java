package org.jalousie.server.clause;

import java.io.IOException;
import java.util.UUID;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Clauses over HTTP. */
@RestController
@RequestMapping("/api/v1/clauses")
class ClauseController {
    private final ClauseService service;

    ClauseController(ClauseService service) {
        this.service = service;
    }

    /** Clauses. */
    @GetMapping
    Page<ClauseViews.ClauseItem> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return service.list(find, sort, page);
    }

    /** Makes a clause of a Word file. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ClauseViews.ClauseDetail bringIn(
            @RequestParam String name, @RequestPart MultipartFile file, @AuthenticationPrincipal SignedIn by)
            throws IOException {
        return service.bringIn(name, file.getBytes(), by.displayName());
    }

    /** A clause with its versions. */
    @GetMapping("/{id}")
    ClauseViews.ClauseDetail show(@PathVariable UUID id) {
        return service.show(id);
    }

    /** Brings a clause's next version in. */
    @PostMapping(path = "/{id}/versions", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ClauseViews.ClauseDetail bringVersion(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String note,
            @RequestPart MultipartFile file,
            @AuthenticationPrincipal SignedIn by)
            throws IOException {
        return service.bringVersion(id, file.getBytes(), note, by.displayName());
    }

    /** Accepts tracked changes and deletes comments, as a next version. */
    @PostMapping("/{id}/tidying")
    ClauseViews.ClauseDetail tidy(@PathVariable UUID id, @AuthenticationPrincipal SignedIn by) {
        return service.tidy(id, by.displayName());
    }

    /** A clause's version as a Word file. */
    @GetMapping(path = "/{id}/versions/{number}/wording", produces = Download.WORD)
    ResponseEntity<byte[]> wording(@PathVariable UUID id, @PathVariable int number) {
        return Download.of(
                service.wordFile(id, number), service.show(id).name() + " v" + number + ".docx", Download.WORD);
    }

    /** A clause's version as pages. */
    @GetMapping(path = "/{id}/versions/{number}/pages.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pages(@PathVariable UUID id, @PathVariable int number) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(service.pages(id, number));
    }
}
