package org.jalousie.server.documents;

import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.evidence.word.SealWords;
import org.jalousie.server.web.Download;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Word files of agreements under the office's signature. */
@RestController
@RequestMapping("/api/v1/agreements/{number}")
class WordSealController {
    private final WordSeals seals;

    WordSealController(WordSeals seals) {
        this.seals = seals;
    }

    /** What the office's signature said last on a Word file of the same template's agreements, with tags. */
    @GetMapping("/word-seal")
    SealWords words(@PathVariable AgreementNumber number) {
        return seals.kept(number);
    }

    /** A document's Word file under the office's signature (ISO/IEC 29500-2, XAdES). What it says is kept for the next one. */
    @PostMapping(path = "/documents/{document}/sealed.docx", produces = Download.WORD)
    ResponseEntity<byte[]> seal(
            @PathVariable AgreementNumber number, @PathVariable String document, @RequestBody SealWords words) {
        WordSeals.Sealed sealed = seals.seal(number, document, words);
        return Download.of(sealed.file(), sealed.name(), Download.WORD);
    }
}
