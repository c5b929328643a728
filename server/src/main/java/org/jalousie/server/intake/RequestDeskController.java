package org.jalousie.server.intake;

import java.util.List;
import java.util.UUID;
import org.jalousie.server.account.Colleagues;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Lists of requests, who takes care of them and what is said about them, over HTTP. */
@RestController
@RequestMapping("/api/v1/requests")
class RequestDeskController {
    private final RequestDesk desk;
    private final Colleagues colleagues;

    RequestDeskController(RequestDesk desk, Colleagues colleagues) {
        this.desk = desk;
        this.colleagues = colleagues;
    }

    /** @param mail by which they sign in; empty for nobody */
    record Owner(String mail) {}

    record Comment(String text) {}

    /**
     * Requests, narrowed and sorted.
     *
     * @param owner a mail address, "-" for nobody's, {@code me} for one's own
     * @param under headings that rows of one kind stand under
     */
    @GetMapping
    Page<IntakeViews.RequestRow> list(
            @RequestParam(required = false) RequestStage stage,
            @RequestParam(defaultValue = "") String owner,
            @RequestParam(required = false) UUID template,
            @RequestParam(required = false) RequestAge age,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(required = false) RequestDesk.Heading under,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page,
            @AuthenticationPrincipal SignedIn by) {
        return desk.list(new RequestDesk.Narrowing(stage, mail(owner, by), template, age, find), under, sort, page);
    }

    /** How many there are in each stage. */
    @GetMapping("/counts")
    List<IntakeViews.StageCount> counts(
            @RequestParam(defaultValue = "") String owner,
            @RequestParam(required = false) UUID template,
            @RequestParam(required = false) RequestAge age,
            @RequestParam(defaultValue = "") String find,
            @AuthenticationPrincipal SignedIn by) {
        return desk.counts(new RequestDesk.Narrowing(null, mail(owner, by), template, age, find));
    }

    /** How many there are under each heading, on all pages. */
    @GetMapping("/headings")
    List<IntakeViews.HeadingCount> headings(
            @RequestParam RequestDesk.Heading under,
            @RequestParam(required = false) RequestStage stage,
            @RequestParam(defaultValue = "") String owner,
            @RequestParam(required = false) UUID template,
            @RequestParam(required = false) RequestAge age,
            @RequestParam(defaultValue = "") String find,
            @AuthenticationPrincipal SignedIn by) {
        return desk.headings(new RequestDesk.Narrowing(stage, mail(owner, by), template, age, find), under);
    }

    private static String mail(String owner, SignedIn by) {
        return owner.equals("me") ? by.mail() : owner;
    }

    /** Who can take care of requests. */
    @GetMapping("/owners")
    List<Colleagues.Colleague> owners() {
        return colleagues.coordinators();
    }

    /** The next request that waits, the oldest first. */
    @GetMapping("/{number}/next")
    IntakeViews.NextRequest next(@PathVariable String number) {
        return desk.next(number);
    }

    /** Says who takes care of a request; an empty address is nobody. */
    @PutMapping("/{number}/owner")
    IntakeViews.RequestDetail give(
            @PathVariable String number, @RequestBody Owner owner, @AuthenticationPrincipal SignedIn by) {
        return desk.give(number, owner.mail(), by.actor());
    }

    /** Says something about a request. */
    @PostMapping("/{number}/comments")
    IntakeViews.RequestDetail say(
            @PathVariable String number, @RequestBody Comment comment, @AuthenticationPrincipal SignedIn by) {
        return desk.say(number, comment.text(), by.actor());
    }
}
