package org.jalousie.server.template;

import java.util.List;
import java.util.UUID;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Download;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Specimens and the proof over HTTP. */
@RestController
@RequestMapping("/api/v1/templates/{id}")
class SpecimenController {
    private final SpecimenService service;

    SpecimenController(SpecimenService service) {
        this.service = service;
    }

    record DrawUp(int revision) {}

    /** Draws up the fewest specimens that reach every case. */
    @PostMapping("/specimens/drawing")
    TemplateViews.Work drawUp(@PathVariable UUID id, @RequestBody DrawUp at, @AuthenticationPrincipal SignedIn by) {
        return service.drawUp(id, at.revision(), by.displayName());
    }

    /** Which specimens print each passage. */
    @GetMapping("/passages")
    List<TemplateViews.PassageSpecimens> passages(
            @PathVariable UUID id, @RequestParam(defaultValue = "wording") String document) {
        return service.passages(id, document);
    }

    /** How far specimens are that are being drawn up, in cases reached. */
    @GetMapping("/specimens/drawing")
    TemplateViews.Work drawing(@PathVariable UUID id) {
        return service.drawing(id);
    }

    /** Prints all specimens. */
    @PostMapping("/proof")
    TemplateViews.ProofView prove(@PathVariable UUID id, @AuthenticationPrincipal SignedIn by) {
        return service.prove(id, by.displayName());
    }

    /** How far the proof is; then what was seen in it and what wasn't. */
    @GetMapping("/proof")
    TemplateViews.ProofView proof(@PathVariable UUID id) {
        return service.proof(id);
    }

    /** A specimen's pages as the proof printed them. */
    @GetMapping(path = "/proof/{file}/pages.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> proofPdf(@PathVariable UUID id, @PathVariable String file) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(service.proofPdf(file));
    }

    /**
     * How many pages a specimen has.
     *
     * @param position of the specimen in the template's list, from 0
     */
    @GetMapping("/specimens/{position}/pages")
    TemplateViews.Preview pages(
            @PathVariable UUID id,
            @PathVariable int position,
            @RequestParam(defaultValue = "wording") String document) {
        return service.pages(id, position, document);
    }

    /** A specimen's pages. */
    @GetMapping(path = "/specimens/{position}/pages.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(
            @PathVariable UUID id,
            @PathVariable int position,
            @RequestParam(defaultValue = "wording") String document) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(service.pdf(id, position, document));
    }

    /** A specimen as a Word file. */
    @GetMapping(path = "/specimens/{position}/specimen.docx", produces = Download.WORD)
    ResponseEntity<byte[]> word(
            @PathVariable UUID id,
            @PathVariable int position,
            @RequestParam(defaultValue = "wording") String document) {
        return Download.of(service.word(id, position, document), "specimen.docx", Download.WORD);
    }

    /** A page of a specimen as the proof printed it. @param page from 1 */
    @GetMapping(path = "/specimens/{position}/pages/{page}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> image(@PathVariable UUID id, @PathVariable int position, @PathVariable int page) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(service.picture(id, position, page));
    }
}
