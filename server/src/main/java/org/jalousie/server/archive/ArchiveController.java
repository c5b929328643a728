package org.jalousie.server.archive;

import java.io.IOException;
import java.util.Set;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.web.Page;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Completed agreements: found, and checked on demand. */
@RestController
@RequestMapping("/api/v1/archive")
class ArchiveController {
    private final Agreements agreements;
    private final ArchiveCheck check;

    ArchiveController(Agreements agreements, ArchiveCheck check) {
        this.agreements = agreements;
        this.check = check;
    }

    /** What is filed. */
    @GetMapping
    Page<AgreementViews.AgreementItem> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return agreements.list(Set.of(State.COMPLETED), find, sort, page);
    }

    /** Checks the filed document, its signing record and its trail now. */
    @PostMapping("/{number}/verification")
    ArchiveCheck.Checked verify(@PathVariable AgreementNumber number) {
        return check.check(number);
    }

    /** Checks a PDF that somebody has. @param number the agreement that it should be; left out, it is found out */
    @PostMapping(path = "/check", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ArchiveCheck.FileChecked check(@RequestPart MultipartFile file, @RequestParam(defaultValue = "") String number)
            throws IOException {
        return check.check(file.getBytes(), AgreementNumber.read(number));
    }
}
