package org.jalousie.server.agreement;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.util.List;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.server.account.SignedIn;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Documents of a single agreement, over HTTP. */
@RestController
@RequestMapping("/api/v1/agreements/{number}/documents")
class AgreementDocumentsController {
    private final AgreementDocuments documents;
    private final AgreementService agreements;

    AgreementDocumentsController(AgreementDocuments documents, AgreementService agreements) {
        this.documents = documents;
        this.agreements = agreements;
    }

    /** What a file was taken in as. @param notes what was done to it on the way, a sentence each */
    record DocumentAdded(AgreementViews.AgreementDetail agreement, List<String> notes) {}

    /**
     * Brings a document that comes with an agreement.
     *
     * @param forDocument the document of the template that waits for the file; empty for one more
     * @param plain whether a PDF is taken too that can't be made fit for keeping
     * @param attached whether it goes along untouched, with the signatures that it has
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    DocumentAdded bring(
            @PathVariable AgreementNumber number,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "") String forDocument,
            @RequestParam(defaultValue = "false") boolean plain,
            @RequestParam(defaultValue = "false") boolean attached,
            @RequestPart MultipartFile file,
            @AuthenticationPrincipal SignedIn by)
            throws IOException {
        List<String> notes = documents.bring(
                number,
                new AgreementDocuments.Bringing(title, forDocument, plain, attached),
                file.getBytes(),
                by.actor());
        return new DocumentAdded(agreements.show(number), notes);
    }

    /** Takes out a document that came with an agreement. */
    @DeleteMapping("/{document}")
    AgreementViews.AgreementDetail takeOut(
            @PathVariable AgreementNumber number, @PathVariable String document, @AuthenticationPrincipal SignedIn by) {
        documents.takeOut(number, document, by.actor());
        return agreements.show(number);
    }

    /**
     * A signing field with its rectangle, in PDF points from the lower left corner of its page.
     *
     * @param field the name of a field of the template; empty for a new one
     * @param party whose a new one is
     * @param page from 1
     */
    record PutField(
            String field,
            String party,
            String label,
            @Schema(types = {"object", "null"}) SigningFieldType type,
            int page,
            double x,
            double y,
            double width,
            double height) {
        PutField {
            field = field == null ? "" : field;
            party = party == null ? "" : party;
            label = label == null ? "" : label;
        }
    }

    /** Puts a signing field on a document of one agreement. */
    @PostMapping("/{document}/places")
    AgreementViews.AgreementDetail put(
            @PathVariable AgreementNumber number,
            @PathVariable String document,
            @RequestBody PutField put,
            @AuthenticationPrincipal SignedIn by) {
        documents.put(
                number,
                document,
                new AgreementDocuments.Putting(
                        put.field(),
                        put.party(),
                        put.label(),
                        put.type(),
                        put.page(),
                        put.x(),
                        put.y(),
                        put.width(),
                        put.height()),
                by.actor());
        return agreements.show(number);
    }

    /** Takes a signing field off a document of one agreement. */
    @DeleteMapping("/{document}/places/{field}")
    AgreementViews.AgreementDetail takeOff(
            @PathVariable AgreementNumber number,
            @PathVariable String document,
            @PathVariable String field,
            @AuthenticationPrincipal SignedIn by) {
        documents.takeOff(number, document, field, by.actor());
        return agreements.show(number);
    }
}
