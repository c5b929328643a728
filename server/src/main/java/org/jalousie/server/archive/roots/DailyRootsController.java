package org.jalousie.server.archive.roots;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.evidence.roots.Inclusion;
import org.jalousie.core.json.Json;
import org.jalousie.server.web.KeyedPage;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Daily roots: made, looked at, checked, and handed out to who wants to check for themselves. */
@RestController
@RequestMapping("/api/v1")
class DailyRootsController {
    private final DailyRoots roots;
    private final RootLists lists;

    DailyRootsController(DailyRoots roots, RootLists lists) {
        this.roots = roots;
        this.lists = lists;
    }

    /**
     * A root as it stands in the list.
     *
     * @param agreements how many it covers
     * @param changed how many of them are further than in the root before
     * @param root the hash of the tree
     * @param stampedAt what the time stamp proves; null when it doesn't hold
     * @param stampedBy the name in the time-stamp service's certificate
     */
    @Schema(name = "DailyRootRow")
    record Row(
            long number,
            int agreements,
            int changed,
            String root,
            @Schema(types = {"string", "null"}) Instant stampedAt,
            String stampedBy) {}

    /** @param at null when nothing was checked yet; {@code findings} how many there are, of which some are {@code said} */
    @Schema(name = "RootCheck")
    record CheckView(@Schema(types = {"string", "null"}) Instant at, int findings, List<String> said) {
        static CheckView of(RootStore.LastCheck check) {
            return new CheckView(check.at(), check.findings(), check.said());
        }
    }

    /** The roots, newest first. A long list is walked by the keys that each page gives. */
    @GetMapping("/daily-roots")
    KeyedPage<Row> list(@RequestParam(defaultValue = "") String after, @RequestParam(defaultValue = "") String before) {
        return lists.page(after, before);
    }

    /** Makes a root now and has it time-stamped. Returns it. */
    @PostMapping("/daily-roots")
    @ResponseStatus(HttpStatus.CREATED)
    Row make() {
        return lists.row(roots.make());
    }

    /** What the last check of all that is kept came to. */
    @GetMapping("/daily-roots/check")
    CheckView lastCheck() {
        return lists.lastCheck().map(CheckView::of).orElse(new CheckView(null, 0, List.of()));
    }

    /** Checks all events, roots and time stamps now. */
    @PostMapping("/daily-roots/check")
    CheckView check() {
        return CheckView.of(roots.check(true));
    }

    /** The canonical JSON that was time-stamped. */
    @GetMapping("/daily-roots/{number}.json")
    ResponseEntity<byte[]> statement(@PathVariable long number) {
        return file(lists.statement(number), MediaType.APPLICATION_JSON, "root-" + number + ".json");
    }

    /** The time stamp over that JSON's SHA-256 (RFC 3161 token, DER). */
    @GetMapping("/daily-roots/{number}.tst")
    ResponseEntity<byte[]> token(@PathVariable long number) {
        // RFC 3161 §3.1 has types for request and response only; a token is a CMS message (RFC 5652)
        return file(lists.token(number), MediaType.parseMediaType("application/cms"), "root-" + number + ".tst");
    }

    /** What shows to anybody, without the archive, that an agreement had come this far when a root was stamped. */
    @GetMapping("/archive/{number}/inclusion")
    ResponseEntity<byte[]> inclusion(@PathVariable AgreementNumber number) {
        Inclusion proof = roots.inclusion(number);
        return file(
                Json.canonical(proof).getBytes(StandardCharsets.UTF_8),
                MediaType.APPLICATION_JSON,
                number + "-in-root-" + proof.root().number() + ".json");
    }

    private static ResponseEntity<byte[]> file(byte[] bytes, MediaType type, String name) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(bytes);
    }
}
