package org.jalousie.server.scans;

import java.util.Objects;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.filing.FileNames;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.PageImage;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** An agreement that is signed on paper: what is printed, what came back, and its closing. */
@RestController
@RequestMapping("/api/v1/agreements/{number}/paper")
class SignedPaperController {
    private final PaperDesk desk;

    SignedPaperController(PaperDesk desk) {
        this.desk = desk;
    }

    /** What was printed, and what came back of it. */
    @GetMapping
    ScanViews.PaperView show(@PathVariable AgreementNumber number) {
        return desk.show(number);
    }

    /** All documents to be signed on paper in one file, with a mark on each page by which its scan is recognised. */
    @GetMapping(path = "/print.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> print(@PathVariable AgreementNumber number) {
        return Download.of(
                desk.print(number), FileNames.of(number, "to sign", "", "pdf"), MediaType.APPLICATION_PDF_VALUE);
    }

    /** One page as it was printed. @param page from 1 */
    @GetMapping(path = "/{document}/{page}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            @PathVariable AgreementNumber number, @PathVariable String document, @PathVariable int page) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .body(PageImage.of(desk.print(number, document), page));
    }

    /**
     * @param broughtBy who brought the paper, or how it came
     * @param receivedOn the day on which it came, such as 2027-03-15
     * @param note may be empty
     * @param looked what was seen, as {@link ScanViews.PaperView} tells it
     * @param agreed whether all places in doubt were looked at, and are as they should be
     */
    record ClosingRequest(String broughtBy, String receivedOn, String note, String looked, boolean agreed) {}

    /** Files what came back as the signed agreement. */
    @PostMapping("/closing")
    ScanViews.PaperView close(
            @PathVariable AgreementNumber number,
            @RequestBody ClosingRequest closing,
            @AuthenticationPrincipal SignedIn by) {
        desk.close(
                number,
                new PaperDesk.Closing(
                        Objects.requireNonNullElse(closing.broughtBy(), ""),
                        Objects.requireNonNullElse(closing.receivedOn(), ""),
                        Objects.requireNonNullElse(closing.note(), ""),
                        Objects.requireNonNullElse(closing.looked(), ""),
                        closing.agreed()),
                by.actor());
        return desk.show(number);
    }
}
