package org.jalousie.server.signing;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The participants' side over HTTP; the link's secret stands for the person. */
@RestController
@RequestMapping("/api/v1/signing/{token}")
class SigningController {
    private final SigningService service;
    private final SigningPages pages;

    SigningController(SigningService service, SigningPages pages) {
        this.service = service;
        this.pages = pages;
    }

    record ConsentGiven(String version) {}

    record Details(Map<String, String> values) {}

    /**
     * @param mark {@code drawn}, {@code typed:NAME OF FONT} or {@code picture} for one of their own
     * @param picture a PNG in base64
     * @param initials a PNG in base64; left out where the mark stands for initials too
     */
    record Signature(
            Map<String, String> values,
            String mark,
            String picture,
            @Schema(types = {"string", "null"}) String initials) {}

    record Reason(String reason) {}

    /** What a participant sees. */
    @GetMapping
    SigningViews.SigningPage page(@PathVariable String token, HttpServletRequest request) {
        return pages.page(Visit.of(token, request));
    }

    /** A document, for a participant. */
    @GetMapping(path = "/documents/{document}.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> document(
            @PathVariable String token, @PathVariable String document, HttpServletRequest request) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .contentType(MediaType.APPLICATION_PDF)
                .body(service.document(Visit.of(token, request), document));
    }

    /** The signing record, for a participant. */
    @GetMapping(path = "/record.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> record(@PathVariable String token, HttpServletRequest request) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .contentType(MediaType.APPLICATION_PDF)
                .body(service.record(Visit.of(token, request)));
    }

    /** A participant agrees to sign electronically. */
    @PostMapping("/consent")
    SigningViews.SigningPage consent(
            @PathVariable String token, @RequestBody ConsentGiven consent, HttpServletRequest request) {
        Visit visit = Visit.of(token, request);
        service.consent(visit, consent.version());
        return pages.page(visit);
    }

    /** A participant doesn't agree any more to sign electronically. */
    @PostMapping("/consent/withdrawal")
    SigningViews.SigningPage withdrawConsent(@PathVariable String token, HttpServletRequest request) {
        Visit visit = Visit.of(token, request);
        service.withdrawConsent(visit);
        return pages.page(visit);
    }

    /** What the program works out of answers as they are being typed; nothing is kept. */
    @PostMapping("/derived")
    List<SigningViews.Derived> derived(
            @PathVariable String token, @RequestBody Details typed, HttpServletRequest request) {
        return service.derived(Visit.of(token, request), typed.values());
    }

    /** Keeps what a participant has typed so far, until they act; it is read by their link alone. */
    @PutMapping("/begun")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void begin(@PathVariable String token, @RequestBody Details typed, HttpServletRequest request) {
        service.begin(Visit.of(token, request), typed.values());
    }

    /** A participant completes their details. */
    @PostMapping("/details")
    SigningViews.SigningPage complete(
            @PathVariable String token, @RequestBody Details details, HttpServletRequest request) {
        Visit visit = Visit.of(token, request);
        service.complete(visit, details.values());
        return pages.page(visit);
    }

    /** A participant approves. */
    @PostMapping("/approval")
    SigningViews.SigningPage approve(@PathVariable String token, HttpServletRequest request) {
        Visit visit = Visit.of(token, request);
        service.approve(visit);
        return pages.page(visit);
    }

    /** A participant signs. */
    @PostMapping("/signature")
    SigningViews.SigningPage sign(
            @PathVariable String token, @RequestBody Signature signature, HttpServletRequest request) {
        Visit visit = Visit.of(token, request);
        service.sign(
                visit,
                signature.values(),
                signature.mark(),
                signature.picture(),
                Optional.ofNullable(signature.initials()));
        return pages.page(visit);
    }

    /** A participant declines. */
    @PostMapping("/refusal")
    SigningViews.SigningPage decline(
            @PathVariable String token, @RequestBody Reason reason, HttpServletRequest request) {
        Visit visit = Visit.of(token, request);
        service.decline(visit, reason.reason());
        return pages.page(visit);
    }
}
