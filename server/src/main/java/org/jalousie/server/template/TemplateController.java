package org.jalousie.server.template;

import java.io.IOException;
import java.util.UUID;
import org.jalousie.core.wording.write.Composer;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.paper.Papers;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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

/** Templates over HTTP. */
@RestController
@RequestMapping("/api/v1/templates")
class TemplateController {
    private final TemplateService service;
    private final WrittenTemplates written;
    private final DocumentService documents;

    TemplateController(TemplateService service, WrittenTemplates written, DocumentService documents) {
        this.documents = documents;
        this.service = service;
        this.written = written;
    }

    record Settle(int revision, TemplateViews.TemplateSettings content) {}

    /** The draft as the person saw it. */
    record AtRevision(int revision) {}

    record Publish(int revision) {}

    record TemplateName(String name) {}

    /** Templates. */
    @GetMapping
    Page<TemplateViews.TemplateItem> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "false") boolean retired,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return service.list(find, retired, sort, page);
    }

    /** Makes a template of a Word file, or of any other file as its only document. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    TemplateViews.TemplateDetail bringIn(
            @RequestParam String name,
            @RequestParam(defaultValue = "false") boolean plain,
            @RequestPart MultipartFile file)
            throws IOException {
        byte[] bytes = file.getBytes();
        return Papers.isWord(bytes)
                ? service.bringIn(name, bytes)
                : documents.newTemplate(
                        name, new DocumentService.Bringing(name, plain, DocumentService.As.USUAL), bytes);
    }

    /** A template written in the program: it becomes a Word file. */
    @PostMapping(path = "/composition", consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    TemplateViews.TemplateDetail compose(@RequestBody Composer.Composition composition) {
        return written.compose(composition);
    }

    /** A template with its settings. */
    @GetMapping("/{id}")
    TemplateViews.TemplateDetail show(@PathVariable UUID id) {
        return service.show(id);
    }

    /** Settles fields, rules, choices, parties, signing fields, sending and specimens. */
    @PutMapping("/{id}/content")
    TemplateViews.TemplateDetail settle(
            @PathVariable UUID id, @RequestBody Settle settle, @AuthenticationPrincipal SignedIn by) {
        return service.settle(id, settle.revision(), settle.content().toCore(), by.displayName());
    }

    /** Takes the last change of a draft back, of its wording or of its settings. */
    @PostMapping("/{id}/undo")
    TemplateViews.TemplateDetail undo(@PathVariable UUID id, @RequestBody AtRevision at) {
        return service.takeBack(id, at.revision());
    }

    /** Makes the change again that was taken back last. */
    @PostMapping("/{id}/redo")
    TemplateViews.TemplateDetail redo(@PathVariable UUID id, @RequestBody AtRevision at) {
        return service.makeAgain(id, at.revision());
    }

    /** Gives a template another name. */
    @PutMapping("/{id}/name")
    TemplateViews.TemplateDetail rename(@PathVariable UUID id, @RequestBody TemplateName name) {
        return service.rename(id, name.name());
    }

    /** Makes another template that is the same. */
    @PostMapping("/{id}/duplicate")
    @ResponseStatus(HttpStatus.CREATED)
    TemplateViews.TemplateDetail duplicate(@PathVariable UUID id, @RequestBody TemplateName name) {
        return service.duplicate(id, name.name());
    }

    /** A template that was made for one agreement is kept as one like any other. */
    @PostMapping("/{id}/keeping")
    TemplateViews.TemplateDetail keep(@PathVariable UUID id) {
        return documents.keep(id);
    }

    /** Retires a template: nothing new is made of it. */
    @PostMapping("/{id}/retirement")
    TemplateViews.TemplateDetail retire(@PathVariable UUID id) {
        return service.retire(id);
    }

    /** Brings a retired template back. */
    @DeleteMapping("/{id}/retirement")
    TemplateViews.TemplateDetail bringBack(@PathVariable UUID id) {
        return service.bringBack(id);
    }

    /** Publishes the newest draft. */
    @PostMapping("/{id}/publication")
    TemplateViews.TemplateDetail publish(
            @PathVariable UUID id, @RequestBody Publish publish, @AuthenticationPrincipal SignedIn by) {
        return service.publish(id, publish.revision(), by.displayName());
    }

    /** Begins a draft of the next version. */
    @PostMapping("/{id}/draft")
    TemplateViews.TemplateDetail startDraft(@PathVariable UUID id) {
        return service.startDraft(id);
    }
}
