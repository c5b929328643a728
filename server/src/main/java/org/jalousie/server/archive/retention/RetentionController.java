package org.jalousie.server.archive.retention;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.template.TemplateRetention;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How long agreements are kept after they have ended, and how they are destroyed. */
@RestController
@RequestMapping("/api/v1/archive")
class RetentionController {
    private final RetentionLists lists;
    private final RetentionActs acts;
    private final TemplateRetention templates;

    RetentionController(RetentionLists lists, RetentionActs acts, TemplateRetention templates) {
        this.lists = lists;
        this.acts = acts;
        this.templates = templates;
    }

    /** Agreements that have been kept long enough, and that nobody holds. @param by the day by which they have; today if left out */
    @GetMapping("/retention/due")
    KeyedPage<RetentionViews.KeptAgreement> due(
            @RequestParam(required = false) UUID template,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate by,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        if (by != null && (by.getYear() < 1 || by.getYear() > 9999))
            throw Refusal.malformed(Message.of("dates.no-day"));
        return lists.due(template, by, ListPlace.of("", page, after, before));
    }

    /** Legal holds that are in force. */
    @GetMapping("/retention/holds")
    KeyedPage<RetentionViews.LegalHold> holds(
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        return lists.holds(ListPlace.of("", page, after, before));
    }

    /** Agreements of which somebody has confirmed that they are destroyed. */
    @GetMapping("/retention/destructions")
    KeyedPage<RetentionViews.DestructionConfirmed> going(
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        return lists.going(ListPlace.of("", page, after, before));
    }

    /** What stays of agreements that were destroyed. */
    @GetMapping("/retention/destroyed")
    KeyedPage<RetentionViews.DestroyedAgreement> gone(
            @RequestParam(required = false) UUID template,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        return lists.gone(template, ListPlace.of("", page, after, before));
    }

    /** What stays of one agreement that was destroyed. */
    @GetMapping("/retention/destroyed/{number}")
    RetentionViews.DestroyedAgreement gone(@PathVariable AgreementNumber number) {
        return lists.gone(number);
    }

    /**
     * @param numbers of agreements that are due; none for all
     * @param template of which all that are due are destroyed; left out for all
     * @param count how many are due, as was seen; where all are destroyed
     * @param copies whether the copies that were filed outside are taken away, too
     */
    record DestructionsWanted(
            @Schema(types = {"array", "null"}) List<AgreementNumber> numbers,
            @Schema(types = {"string", "null"}) UUID template,
            @Schema(types = {"integer", "null"}) Integer count,
            boolean copies) {
        DestructionsWanted {
            numbers = numbers == null ? List.of() : List.copyOf(numbers);
        }
    }

    /** How many it was done with. */
    record Decided(int count) {}

    /** Confirms that agreements are destroyed, after a day in which that can be taken back. */
    @PostMapping("/retention/destructions")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Decided confirm(@RequestBody DestructionsWanted wanted, @AuthenticationPrincipal SignedIn by) {
        return new Decided(
                wanted.count() == null
                        ? acts.confirm(wanted.numbers(), wanted.copies(), by.displayName())
                        : acts.confirmAll(wanted.template(), wanted.count(), wanted.copies(), by.displayName()));
    }

    /** An agreement stays after all. */
    @DeleteMapping("/retention/destructions/{number}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable AgreementNumber number) {
        acts.takeBack(number);
    }

    /** @param reason why they are kept */
    record HoldWanted(List<AgreementNumber> numbers, String reason) {
        HoldWanted {
            numbers = numbers == null ? List.of() : List.copyOf(numbers);
        }
    }

    /** Keeps agreements until somebody says that they needn't be kept any more. */
    @PostMapping("/retention/holds")
    Decided hold(@RequestBody HoldWanted wanted, @AuthenticationPrincipal SignedIn by) {
        return new Decided(acts.hold(wanted.numbers(), wanted.reason(), by.displayName()));
    }

    /** @param because why; may be empty */
    record Lifting(String because) {}

    /** Lifts a legal hold. */
    @PostMapping("/retention/holds/{id}/lifting")
    RetentionViews.AgreementRetention lift(
            @PathVariable UUID id, @RequestBody Lifting said, @AuthenticationPrincipal SignedIn by) {
        return acts.lift(id, said.because(), by.displayName());
    }

    /** How long an agreement is kept, and why. */
    @GetMapping("/{number}/retention")
    RetentionViews.AgreementRetention of(@PathVariable AgreementNumber number) {
        return lists.of(number);
    }

    /** How long a template's agreements are kept after they have ended. */
    @GetMapping("/templates/{id}/retention")
    RetentionViews.TemplateRetentionView ofTemplate(@PathVariable UUID id) {
        TemplateRetention.Chosen chosen = templates.of(id);
        return new RetentionViews.TemplateRetentionView(chosen.rule(), chosen.edition());
    }

    /** Keeps a template's agreements so long, also those that have ended already. */
    @PutMapping("/templates/{id}/retention")
    RetentionViews.TemplateRetentionView keep(
            @PathVariable UUID id, @RequestBody RetentionViews.TemplateRetentionView wanted) {
        templates.choose(id, wanted.rule(), wanted.edition());
        return ofTemplate(id);
    }
}
