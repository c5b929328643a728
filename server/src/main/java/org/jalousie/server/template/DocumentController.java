package org.jalousie.server.template;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.pdf.OwnField;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.Spot;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Download;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** A template's documents besides its wording, over HTTP. */
@RestController
@RequestMapping("/api/v1/templates/{id}/documents")
class DocumentController {
    private final DocumentService service;
    private final DocumentEditions editions;
    private final DocumentSpots spots;

    DocumentController(DocumentService service, DocumentEditions editions, DocumentSpots spots) {
        this.service = service;
        this.editions = editions;
        this.spots = spots;
    }

    /**
     * Brings one more document in.
     *
     * @param plain whether a PDF is taken too that can't be made fit for keeping
     * @param as what it becomes: pages, a wording for a Word file unless it is to be pages, or itself untouched
     * @param attached the same as {@code UNTOUCHED}, as programs of earlier versions say it
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    TemplateViews.DocumentTaken bring(
            @PathVariable UUID id,
            @RequestParam int revision,
            @RequestParam String title,
            @RequestParam(defaultValue = "false") boolean plain,
            @RequestParam(defaultValue = "USUAL") DocumentService.As as,
            @RequestParam(defaultValue = "false") boolean attached,
            @RequestPart MultipartFile file,
            @AuthenticationPrincipal SignedIn by)
            throws IOException {
        return service.bring(
                id,
                revision,
                new DocumentService.Bringing(title, plain, attached ? DocumentService.As.UNTOUCHED : as),
                file.getBytes(),
                by.displayName());
    }

    /** The fields that the document's own form has. */
    @GetMapping("/{document}/form")
    List<OwnField> form(@PathVariable UUID id, @PathVariable String document) {
        return service.form(id, document);
    }

    /** The upright and level lines that the document's pages draw. */
    @GetMapping("/{document}/lines")
    List<RuledLines.Line> lines(@PathVariable UUID id, @PathVariable String document) {
        return spots.lines(id, document);
    }

    /** The document's pages with nothing on them. */
    @GetMapping("/{document}/pages")
    Pages pages(@PathVariable UUID id, @PathVariable String document) {
        return spots.pages(id, document);
    }

    /** A document's bare pages. */
    @GetMapping(path = "/{document}/pages.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(@PathVariable UUID id, @PathVariable String document) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(spots.pdf(id, document));
    }

    /** The file as it was brought in. */
    @GetMapping(path = "/{document}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> file(@PathVariable UUID id, @PathVariable String document) {
        return Download.of(service.brought(id, document), document, MediaType.APPLICATION_OCTET_STREAM_VALUE);
    }

    /** A rectangle on a page, in PDF points from its lower left corner. @param page from 1 */
    record Box(int page, double x, double y, double width, double height) {}

    /** What a place hangs on. @param place where the words stand */
    record Tie(Spot spot, Box place) {}

    /** The spot of something that is put on a page: hung on the nearest words that stand once. */
    @PostMapping("/{document}/tie")
    Tie tie(@PathVariable UUID id, @PathVariable String document, @RequestBody Box box) {
        return spots.tie(id, document, box);
    }

    /** Where the words stand that things of a document hang on. */
    @GetMapping("/{document}/ties")
    List<DocumentSpots.TiedWords> ties(@PathVariable UUID id, @PathVariable String document) {
        return spots.ties(id, document);
    }

    /** What a newer edition of a document's file would bring; nothing is taken over yet. */
    @PostMapping(path = "/{document}/edition/comparison", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    DocumentEditions.EditionComparison compare(
            @PathVariable UUID id,
            @PathVariable String document,
            @RequestParam(defaultValue = "false") boolean plain,
            @RequestPart MultipartFile file)
            throws IOException {
        return editions.compare(id, document, plain, file.getBytes());
    }

    /** @param brought as the comparison named it; {@code plain} as it was asked for */
    record AcceptEdition(int revision, String brought, boolean plain) {}

    /** Takes a newer file of a document that was compared before. */
    @PostMapping("/{document}/edition/acceptance")
    TemplateViews.DocumentTaken accept(
            @PathVariable UUID id,
            @PathVariable String document,
            @RequestBody AcceptEdition accept,
            @AuthenticationPrincipal SignedIn by) {
        return service.replace(
                id, accept.revision(), document, name(accept.brought()), accept.plain(), by.displayName());
    }

    private static Sha256 name(String file) {
        return Sha256.read(file).orElseThrow(() -> Refusal.notFound(Message.of("wording.file-gone")));
    }
}
