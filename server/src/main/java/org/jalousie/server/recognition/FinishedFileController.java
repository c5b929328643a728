package org.jalousie.server.recognition;

import java.io.IOException;
import java.util.Objects;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Files that were made elsewhere, over HTTP. */
@RestController
@RequestMapping("/api/v1/finished-files")
class FinishedFileController {
    private final FinishedFileService service;

    FinishedFileController(FinishedFileService service) {
        this.service = service;
    }

    /** Files made elsewhere. */
    @GetMapping
    Page<FinishedFileViews.FinishedFileRow> list(
            @RequestParam(defaultValue = "") String sort, @RequestParam(defaultValue = "0") int page) {
        return service.list(sort, page);
    }

    /** Takes a Word file, a PDF, or any other file that becomes pages. It is recognised afterwards. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    FinishedFileViews.FinishedFileRow bring(@RequestPart MultipartFile file, @AuthenticationPrincipal SignedIn by)
            throws IOException {
        return service.bring(
                Objects.requireNonNullElse(file.getOriginalFilename(), ""), file.getBytes(), by.displayName());
    }

    /** A file made elsewhere, with what was recognised. */
    @GetMapping("/{id}")
    FinishedFileViews.FinishedFileDetail show(@PathVariable UUID id) {
        return service.show(id);
    }

    /** The pages of a file made elsewhere. */
    @GetMapping(path = "/{id}/pages.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(@PathVariable UUID id) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(service.pdf(id));
    }

    /** @param version of the template; {@code document} one of its documents; {@code revision} as it was shown */
    record TakenAs(UUID version, String document, int revision) {}

    /** Takes the file for a document of a template. */
    @PutMapping("/{id}/template")
    FinishedFileViews.FinishedFileDetail takeFor(@PathVariable UUID id, @RequestBody TakenAs as) {
        return service.takeFor(id, as.version(), document(as.document()), as.revision());
    }

    /** @param plain whether it is taken though it can't be made fit for keeping */
    record ReadAgain(boolean plain) {}

    /** Has a file read once more that could not be taken in. */
    @PostMapping("/{id}/reading")
    FinishedFileViews.FinishedFileRow readAgain(@PathVariable UUID id, @RequestBody ReadAgain again) {
        return service.readAgain(id, again.plain());
    }

    record ByHand(UUID template) {}

    /** Makes a template for this file alone, in which its parties and fields are set by hand. */
    @PostMapping("/{id}/by-hand")
    ByHand byHand(@PathVariable UUID id) {
        return new ByHand(service.byHand(id));
    }

    /** Takes it off the list; what was made of it stays. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        service.remove(id);
    }

    private static DocumentId document(String name) {
        try {
            return new DocumentId(name);
        } catch (IllegalArgumentException e) {
            throw Refusal.notFound(Message.of("document.none"));
        }
    }
}
