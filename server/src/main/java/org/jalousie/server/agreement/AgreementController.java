package org.jalousie.server.agreement;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.FileNames;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.files.OpenFiles;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.PageImage;
import org.jalousie.server.web.RouteCalendarView;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Agreements over HTTP. */
@RestController
@RequestMapping("/api/v1/agreements")
class AgreementController {
    private final AgreementService service;
    private final AgreementFiles files;
    private final AgreementLists lists;

    AgreementController(AgreementService service, AgreementFiles files, AgreementLists lists) {
        this.service = service;
        this.files = files;
        this.lists = lists;
    }

    /**
     * Who fills a part.
     *
     * @param phone may be left out; {@code language} too, for the one that was spoken to before
     * @param instead the mail address that was looked at; refused when the part has another one meanwhile. May be left out
     * @param another whether it is another person, when the agreement is out; else it is the same, called or reached otherwise
     */
    record Naming(
            String name,
            String mail,
            @Schema(types = {"string", "null"}) String phone,
            @Schema(types = {"string", "null"}) String language,
            @Schema(types = {"string", "null"}) String instead,
            @Schema(types = {"boolean", "null"}) Boolean another) {}

    record Reason(String reason) {}

    /** @param events how long the trail was when the agreement was looked at; null sends it as it is now */
    record Seen(@Schema(types = {"integer", "null"}) Integer events) {}

    /** Agreements, found, narrowed by their states and sorted. A long list is walked by the keys that each page gives. */
    @GetMapping
    KeyedPage<AgreementViews.AgreementItem> list(
            @RequestParam(defaultValue = "") List<State> state,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        return lists.list(
                AgreementsAsked.of(state.isEmpty() ? EnumSet.allOf(State.class) : state, find),
                ListPlace.of(sort, page, after, before),
                List.of());
    }

    /** An agreement: its people, documents, route and trail, and what stands in the way of sending. */
    @GetMapping("/{number}")
    AgreementViews.AgreementDetail show(@PathVariable AgreementNumber number) {
        return service.show(number);
    }

    /**
     * What has happened on its route and what will, if everybody takes so many days from now on.
     *
     * @param start when it would be sent, on the office's clock; of one that was sent nothing follows from it
     */
    @GetMapping("/{number}/calendar")
    RouteCalendarView calendar(
            @PathVariable AgreementNumber number,
            @RequestParam(defaultValue = "0") int pace,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE_TIME) LocalDateTime start) {
        return service.calendar(number, Math.max(0, Math.min(pace, 365)), Optional.ofNullable(start));
    }

    /**
     * Changes a party's person. While the agreement is out: the links before lead nowhere any more, and whose turn it is gets a new one;
     * refused when the part is done.
     */
    @PutMapping("/{number}/people/{party}")
    AgreementViews.AgreementDetail changePerson(
            @PathVariable AgreementNumber number,
            @PathVariable String party,
            @RequestBody Naming naming,
            @AuthenticationPrincipal SignedIn by) {
        service.changePerson(number, RouteController.party(party), naming, by.actor());
        return service.show(number);
    }

    /** Sends an agreement. */
    @PostMapping("/{number}/sending")
    AgreementViews.AgreementDetail send(
            @PathVariable AgreementNumber number,
            @RequestBody(required = false) Seen seen,
            @AuthenticationPrincipal SignedIn by) {
        service.send(number, seen == null ? null : seen.events(), by.actor());
        return service.show(number);
    }

    /** Withdraws an agreement that was sent, or one that won't be. */
    @PostMapping("/{number}/withdrawal")
    AgreementViews.AgreementDetail withdraw(
            @PathVariable AgreementNumber number, @RequestBody Reason reason, @AuthenticationPrincipal SignedIn by) {
        service.withdraw(number, reason.reason(), by.actor());
        return service.show(number);
    }

    /** Tries jobs again that were given up. */
    @PostMapping("/{number}/another-try")
    AgreementViews.AgreementDetail tryAgain(@PathVariable AgreementNumber number) {
        service.tryAgain(number);
        return service.show(number);
    }

    /** A document as a PDF, in its newest state; the signed one when all have acted. */
    @GetMapping(path = "/{number}/documents/{document}.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> document(@PathVariable AgreementNumber number, @PathVariable String document) {
        return Download.of(
                files.pdf(number, document), files.fileName(number, document, "pdf"), MediaType.APPLICATION_PDF_VALUE);
    }

    /** A document as a Word file. */
    @GetMapping(path = "/{number}/documents/{document}.docx", produces = Download.WORD)
    ResponseEntity<byte[]> word(@PathVariable AgreementNumber number, @PathVariable String document) {
        return Download.of(files.word(number, document), files.fileName(number, document, "docx"), Download.WORD);
    }

    /** One page as a picture. @param page from 1 */
    @GetMapping(path = "/{number}/documents/{document}/pages/{page}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> pageImage(
            @PathVariable AgreementNumber number, @PathVariable String document, @PathVariable int page) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .body(PageImage.of(files.pdf(number, document), page));
    }

    /** All documents, the signing record and what parties attached, in one ZIP file. */
    @GetMapping(path = "/{number}/documents.zip", produces = "application/zip")
    ResponseEntity<byte[]> together(@PathVariable AgreementNumber number) {
        return Download.of(
                files.together(number), FileNames.of(number, service.title(number), "", "zip"), "application/zip");
    }

    /** A file that a party attached. @param file its SHA-256 */
    @GetMapping("/{number}/attached/{file}")
    ResponseEntity<byte[]> attached(@PathVariable AgreementNumber number, @PathVariable String file) {
        Agreement.Attached one = files.attached(number, file);
        byte[] bytes = files.file(one);
        return Download.of(bytes, one.file().name(), OpenFiles.typeOf(bytes));
    }

    /** The signing record. */
    @GetMapping(path = "/{number}/record.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> record(@PathVariable AgreementNumber number) {
        return Download.of(
                files.record(number),
                FileNames.of(number, service.title(number), "signing record", "pdf"),
                MediaType.APPLICATION_PDF_VALUE);
    }
}
