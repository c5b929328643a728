package org.jalousie.server.scans;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.util.Objects;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
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

/** Scans of what was signed on paper, over HTTP. */
@RestController
@RequestMapping("/api/v1/scans")
class ScanController {
    private final ScanDesk desk;

    ScanController(ScanDesk desk) {
        this.desk = desk;
    }

    /** Scans that came in, the newest first. */
    @GetMapping
    Page<ScanViews.ScanRowView> list(@RequestParam(defaultValue = "0") int page) {
        return desk.list(page);
    }

    /**
     * Takes a scan: PDF, TIFF, JPEG or PNG, of one agreement or of many. Its pages are told by their marks afterwards.
     *
     * @param number the agreement that it is of; left out, that is found out
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ScanViews.ScanRowView bring(
            @RequestPart MultipartFile file,
            @RequestParam(defaultValue = "") String number,
            @AuthenticationPrincipal SignedIn by)
            throws IOException {
        return desk.bring(
                Objects.requireNonNullElse(file.getOriginalFilename(), ""),
                file.getBytes(),
                AgreementNumber.read(number),
                by.displayName());
    }

    /** A scan with its pages. */
    @GetMapping("/{id}")
    ScanViews.ScanView show(@PathVariable UUID id) {
        return desk.show(id);
    }

    /** One page of a scan as a picture. @param laid whether as it lies over the printed page */
    @GetMapping(path = "/{id}/pages/{page}.jpg", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> picture(
            @PathVariable UUID id, @PathVariable int page, @RequestParam(defaultValue = "false") boolean laid) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).body(desk.picture(id, page, laid));
    }

    /** @param number of the agreement; null for a page that is of none. {@code page} from 1 */
    record WhichPage(
            @Schema(types = {"string", "null"}) String number,
            @Schema(types = {"string", "null"}) String document,
            @Schema(types = {"integer", "null"}) Integer page) {}

    /** Says by hand which page of which agreement a page of a scan is. */
    @PutMapping("/{id}/pages/{page}")
    ScanViews.ScanView assign(@PathVariable UUID id, @PathVariable int page, @RequestBody WhichPage which) {
        desk.assign(
                id,
                page,
                AgreementNumber.read(which.number()),
                Objects.requireNonNullElse(which.document(), ""),
                Objects.requireNonNullElse(which.page(), 0));
        return desk.show(id);
    }

    /** Takes a scan off the list; what was filed of it stays. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        desk.remove(id);
    }
}
