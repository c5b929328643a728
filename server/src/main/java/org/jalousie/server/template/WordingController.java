package org.jalousie.server.template;

import java.io.IOException;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.wording.edit.Selection;
import org.jalousie.server.account.SignedIn;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** The wording of a template's draft over HTTP. */
@RestController
@RequestMapping("/api/v1/templates/{id}")
class WordingController {
    private final WordingService service;
    private final TagService tags;
    private final PlacingService placing;
    private final PreviewService previews;
    private final ClauseTexts clauses;

    WordingController(
            WordingService service,
            TagService tags,
            PlacingService placing,
            PreviewService previews,
            ClauseTexts clauses) {
        this.service = service;
        this.tags = tags;
        this.placing = placing;
        this.previews = previews;
        this.clauses = clauses;
    }

    /**
     * @param name the field, rule, list or clause
     * @param label what a field that is new with this act is called; blank for what its name says
     * @param document the wording; blank for the template's first one
     * @param everywhere for a field: all further occurrences too
     */
    record WordingAct(
            int revision,
            String document,
            WordingService.Act act,
            TemplateViews.WordsOnPage words,
            String name,
            String label,
            boolean everywhere) {
        WordingAct {
            document = shown(document);
            words = words == null ? new TemplateViews.WordsOnPage("", "", "") : words;
            name = name == null ? "" : name;
            label = label == null ? "" : label;
        }
    }

    record Accept(int revision, String document, String file, Map<String, String> renames) {
        Accept {
            document = shown(document);
            renames = renames == null ? Map.of() : renames;
        }
    }

    /** The document that is meant: the template's first wording where none is named. */
    private static String shown(String document) {
        return document == null || document.isBlank() ? DocumentId.WORDING.value() : document;
    }

    record Rename(int revision, String from, String to) {}

    /** What a newer file of the wording would change. */
    @PostMapping(path = "/wording/comparison", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    TemplateViews.WordingComparison compare(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "wording") String document,
            @RequestPart MultipartFile file)
            throws IOException {
        return service.compare(id, DraftWording.id(document), file.getBytes());
    }

    /** Takes a newer file of the wording that was compared before. */
    @PostMapping("/wording/acceptance")
    TemplateViews.TemplateDetail accept(
            @PathVariable UUID id, @RequestBody Accept accept, @AuthenticationPrincipal SignedIn by) {
        return service.accept(
                id,
                accept.revision(),
                new WordingService.Accepted(DraftWording.id(accept.document()), accept.file(), accept.renames()),
                by.displayName());
    }

    /** Makes words a field, a condition, a list or a clause, or takes that back. */
    @PostMapping("/wording/acts")
    TemplateViews.WordingEdited act(
            @PathVariable UUID id, @RequestBody WordingAct act, @AuthenticationPrincipal SignedIn by) {
        Selection at = new Selection(
                act.words().text(), act.words().before(), act.words().after());
        WordingService.Doing doing = new WordingService.Doing(
                act.act(),
                DraftWording.id(act.document()),
                at,
                act.name().strip(),
                act.label().strip(),
                act.everywhere());
        return service.edit(id, act.revision(), doing, by.displayName());
    }

    /** Mends tags that are nearly right. */
    @PostMapping("/wording/tidying")
    TemplateViews.TemplateDetail tidy(
            @PathVariable UUID id,
            @RequestBody TemplateController.AtRevision at,
            @AuthenticationPrincipal SignedIn by) {
        return service.tidy(id, at.revision(), by.displayName());
    }

    /** Gives a tag another name wherever it stands. */
    @PostMapping("/wording/renaming")
    TemplateViews.TemplateDetail rename(
            @PathVariable UUID id, @RequestBody Rename rename, @AuthenticationPrincipal SignedIn by) {
        return tags.rename(id, rename.revision(), rename.from(), rename.to(), by.displayName());
    }

    record Print(int revision, String name, String print) {
        Print {
            print = print == null ? "" : print;
        }
    }

    /** Says how a field prints at one of its places. */
    @PostMapping("/wording/printing")
    TemplateViews.TemplateDetail print(
            @PathVariable UUID id, @RequestBody Print print, @AuthenticationPrincipal SignedIn by) {
        return tags.print(id, print.revision(), print.name(), print.print(), by.displayName());
    }

    record HandOver(int revision, String field, String party) {}

    /** Gives a party's signing fields to another party. */
    @PostMapping("/wording/party")
    TemplateViews.TemplateDetail handOver(
            @PathVariable UUID id, @RequestBody HandOver to, @AuthenticationPrincipal SignedIn by) {
        return tags.handOver(id, to.revision(), to.field(), to.party(), by.displayName());
    }

    /** @param occurrence which of the field's places in the wording, from 0 */
    record Place(int revision, String document, String field, int occurrence, TemplateViews.WordsOnPage words) {
        Place {
            document = shown(document);
            words = words == null ? new TemplateViews.WordsOnPage("", "", "") : words;
        }
    }

    /** Moves a signing field to a place between words. */
    @PostMapping("/wording/place")
    TemplateViews.TemplateDetail place(
            @PathVariable UUID id, @RequestBody Place to, @AuthenticationPrincipal SignedIn by) {
        Selection at = new Selection("", to.words().before(), to.words().after());
        return placing.move(
                id,
                to.revision(),
                new PlacingService.Place(DraftWording.id(to.document()), to.field(), to.occurrence()),
                at,
                by.displayName());
    }

    record Keep(int revision, String field) {}

    /** Keeps a signing field with the words before it; without a field all signatures. */
    @PostMapping("/wording/keeping")
    TemplateViews.TemplateDetail keep(
            @PathVariable UUID id, @RequestBody Keep keep, @AuthenticationPrincipal SignedIn by) {
        return placing.keep(id, keep.revision(), keep.field(), by.displayName());
    }

    /** How a field can print, by example. */
    @GetMapping("/fields/{name}/prints")
    TemplateViews.FieldPrints prints(@PathVariable UUID id, @PathVariable String name) {
        return tags.prints(id, name);
    }

    /** What a clause says, in the version that the template draws in. */
    @GetMapping("/clauses/{name}")
    TemplateViews.ClauseText clause(@PathVariable UUID id, @PathVariable String name) {
        return clauses.of(id, name);
    }

    /** What is known of a wording's pages: where tags stand. */
    @GetMapping("/preview")
    TemplateViews.Preview preview(@PathVariable UUID id, @RequestParam(defaultValue = "wording") String document) {
        return previews.preview(id, document);
    }

    /** A wording's pages with the names of its fields. */
    @GetMapping(path = "/preview.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> previewPdf(@PathVariable UUID id, @RequestParam(defaultValue = "wording") String document) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).body(previews.previewPdf(id, document));
    }
}
