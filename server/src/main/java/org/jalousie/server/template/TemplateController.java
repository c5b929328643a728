package org.jalousie.server.template;

import java.io.IOException;
import java.util.UUID;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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

/** Templates over HTTP. */
@RestController
@RequestMapping("/api/v1/templates")
class TemplateController {
    private final TemplateService service;

    TemplateController(TemplateService service) {
        this.service = service;
    }

    record Settle(int revision, TemplateViews.TemplateSettings content) {}

    record Publish(int revision) {}

    @GetMapping
    Page<TemplateViews.TemplateItem> list(
            @RequestParam(defaultValue = "") String find, @RequestParam(defaultValue = "0") int page) {
        return service.list(find, page);
    }

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    TemplateViews.TemplateDetail bringIn(@RequestParam String name, @RequestPart MultipartFile file)
            throws IOException {
        return service.bringIn(name, file.getBytes());
    }

    @GetMapping("/{id}")
    TemplateViews.TemplateDetail show(@PathVariable UUID id) {
        return service.show(id);
    }

    @PutMapping("/{id}/content")
    TemplateViews.TemplateDetail settle(@PathVariable UUID id, @RequestBody Settle settle) {
        return service.settle(id, settle.revision(), settle.content().toCore());
    }

    @PostMapping(path = "/{id}/wording", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    TemplateViews.TemplateDetail replaceWording(
            @PathVariable UUID id, @RequestParam int revision, @RequestPart MultipartFile file) throws IOException {
        return service.replaceWording(id, revision, file.getBytes());
    }

    @GetMapping(path = "/{id}/wording", produces = Download.WORD)
    ResponseEntity<byte[]> wording(@PathVariable UUID id) {
        return Download.of(service.wordFile(id), service.show(id).name() + ".docx", Download.WORD);
    }

    @GetMapping("/{id}/preview")
    TemplateViews.Preview preview(@PathVariable UUID id) {
        return service.preview(id);
    }

    @GetMapping(path = "/{id}/preview.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> previewPdf(@PathVariable UUID id) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(service.previewPdf(id));
    }

    @PostMapping("/{id}/publication")
    TemplateViews.TemplateDetail publish(@PathVariable UUID id, @RequestBody Publish publish) {
        return service.publish(id, publish.revision());
    }

    @PostMapping("/{id}/draft")
    TemplateViews.TemplateDetail startDraft(@PathVariable UUID id) {
        return service.startDraft(id);
    }
}
