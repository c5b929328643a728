package org.jalousie.server.archive;

import java.io.IOException;
import java.util.List;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.evidence.EvidenceContainer;
import org.jalousie.server.web.Download;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Completed agreements: found, and checked on demand. */
@RestController
@RequestMapping("/api/v1/archive")
class ArchiveController {
    private final ArchiveCheck check;
    private final EvidenceFiles evidence;
    private final FileCheck brought;

    ArchiveController(ArchiveCheck check, EvidenceFiles evidence, FileCheck brought) {
        this.check = check;
        this.evidence = evidence;
        this.brought = brought;
    }

    /** Checks the filed document, its signing record and its trail now. */
    @PostMapping("/{number}/verification")
    ArchiveCheck.Checked verify(@PathVariable AgreementNumber number) {
        return check.check(number);
    }

    /** All evidence of an agreement in one file under the office's signature: ASiC-E (ETSI EN 319 162-1). */
    @GetMapping(path = "/{number}/evidence.asice", produces = EvidenceContainer.TYPE)
    ResponseEntity<byte[]> evidence(@PathVariable AgreementNumber number) {
        return Download.of(evidence.of(List.of(number)), number + " evidence.asice", EvidenceContainer.TYPE);
    }

    /** @param numbers of agreements that are filed */
    record Wanted(List<AgreementNumber> numbers) {
        Wanted {
            numbers = numbers == null ? List.of() : numbers;
        }
    }

    /** The evidence of several agreements in one file, a folder for each. */
    @PostMapping(path = "/evidence", produces = EvidenceContainer.TYPE)
    ResponseEntity<byte[]> evidence(@RequestBody Wanted wanted) {
        return Download.of(evidence.of(wanted.numbers()), "evidence.asice", EvidenceContainer.TYPE);
    }

    /** What answers the laws about electronic signatures in this agreement, element by element, looked at now. */
    @GetMapping("/{number}/law")
    List<ArchiveCheck.LawRow> law(@PathVariable AgreementNumber number) {
        return check.law(number);
    }

    /** Checks a PDF, or a file of evidence, that somebody has. @param number the agreement that it should be; left out, it is found out */
    @PostMapping(path = "/check", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    FileCheck.FileChecked check(@RequestPart MultipartFile file, @RequestParam(defaultValue = "") String number)
            throws IOException {
        return brought.check(file.getBytes(), AgreementNumber.read(number));
    }
}
