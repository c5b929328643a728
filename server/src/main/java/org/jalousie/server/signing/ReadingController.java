package org.jalousie.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import org.jalousie.core.reading.ReadingText;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What participants read on a narrow screen, over HTTP. It is made of the very file that they sign. */
@RestController
@RequestMapping("/api/v1/signing/{token}/documents/{document}")
class ReadingController {
    private final SigningService service;
    private final ReadingDesk desk;

    ReadingController(SigningService service, ReadingDesk desk) {
        this.service = service;
        this.desk = desk;
    }

    /** A document as text that flows, from the structure of its file. */
    @GetMapping("/text")
    ResponseEntity<ReadingText> text(
            @PathVariable String token, @PathVariable String document, HttpServletRequest request) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(desk.text(service.document(Visit.of(token, request), document)));
    }

    /** A picture of that text, as the page has it. */
    @GetMapping(path = "/pictures/{number}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(
            @PathVariable String token,
            @PathVariable String document,
            @PathVariable int number,
            HttpServletRequest request) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .contentType(MediaType.IMAGE_PNG)
                .body(desk.picture(service.document(Visit.of(token, request), document), number));
    }
}
