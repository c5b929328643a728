package org.jalousie.server.archive.trust;

import java.io.IOException;
import java.util.Optional;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Certificates that are trusted when files from elsewhere are checked. */
@RestController
@RequestMapping("/api/v1/archive/trusted")
class TrustedController {
    private final TrustedStore store;

    TrustedController(TrustedStore store) {
        this.store = store;
    }

    /** @param certificates how many of the file's were not there before */
    record Added(int certificates) {}

    /** The certificates, by name. */
    @GetMapping
    Page<TrustedStore.Trusted> list(@RequestParam(defaultValue = "0") int page) {
        return store.list(page);
    }

    /** Trusts the certificates of a file: PEM, DER, or a trusted list of the EU (ETSI TS 119 612), whose own signature isn't checked. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Added add(@RequestPart MultipartFile file, @AuthenticationPrincipal SignedIn by) throws IOException {
        return new Added(
                store.add(Optional.ofNullable(file.getOriginalFilename()).orElse(""), file.getBytes(), by));
    }

    /** Trusts a certificate no more. @param sha256 of the certificate */
    @DeleteMapping("/{sha256}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String sha256) {
        store.remove(sha256);
    }
}
