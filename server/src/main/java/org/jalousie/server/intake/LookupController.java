package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Answers from registers over HTTP, and what rows of registers were used for. */
@RestController
@RequestMapping("/api/v1")
class LookupController {
    private final LivePages live;
    private final FormLookups lookups;
    private final RowUses uses;
    private final IntakeService service;

    LookupController(LivePages live, FormLookups lookups, RowUses uses, IntakeService service) {
        this.live = live;
        this.lookups = lookups;
        this.uses = uses;
        this.service = service;
    }

    /**
     * A row that answers are taken from.
     *
     * @param row its id or its key
     * @param said the answers that it gave; left out for those that it gives now, which fill what is blank
     */
    record TakenAnswer(
            FieldName question,
            String row,
            @Schema(types = {"object", "null"}) Map<FieldName, String> said) {}

    static Optional<List<FormLookups.Sent>> sent(List<TakenAnswer> taken) {
        return Optional.ofNullable(taken)
                .map(all -> all.stream()
                        .map(one -> new FormLookups.Sent(one.question(), one.row(), one.said()))
                        .toList());
    }

    /** @param row its id or its key; {@code language} in which the form is typed */
    record ChosenRow(
            FieldName question,
            String row,
            @Schema(types = {"string", "null"}) String language) {}

    /** @param take whether the answers become what the row says now; else they stay as they are */
    record LookedAt(FieldName question, UUID row, boolean take) {}

    /** What a row gives for a form's question, keeping nothing. */
    @PostMapping("/templates/{id}/form/taking")
    IntakeViews.RowAnswers take(@PathVariable UUID id, @RequestBody ChosenRow chosen) {
        return answers(live.templateOf(id), chosen);
    }

    /** What a row of a register fills in the form of the newest draft. */
    @PostMapping("/templates/{id}/newest-form/taking")
    IntakeViews.RowAnswers takeForNewest(@PathVariable UUID id, @RequestBody ChosenRow chosen) {
        return answers(live.newestOf(id), chosen);
    }

    /** What a row of a register fills in a request's form. */
    @PostMapping("/requests/{number}/taking")
    IntakeViews.RowAnswers takeFor(@PathVariable String number, @RequestBody ChosenRow chosen) {
        return answers(live.templateOf(number), chosen);
    }

    private IntakeViews.RowAnswers answers(JointForm form, ChosenRow chosen) {
        Typing typing = Typing.of(chosen.language())
                .orElseThrow(() -> Refusal.invalid(Message.of("form.language", "language", chosen.language())));
        var taken = lookups.take(form, chosen.question(), chosen.row());
        if (taken.gone()) throw Refusal.conflict(Message.of("register.row-gone"));
        Map<FieldName, String> typed = new LinkedHashMap<>();
        taken.answers()
                .forEach((name, raw) -> typed.put(name, FormLookups.typed(form, chosen.question(), name, raw, typing)));
        return new IntakeViews.RowAnswers(taken.row(), taken.label(), taken.answers(), typed);
    }

    /** Answers to a change of a row that a request has taken: they become what it says now, or stay as they are. */
    @PostMapping("/requests/{number}/taken")
    IntakeViews.RequestDetail renew(
            @PathVariable String number, @RequestBody LookedAt at, @AuthenticationPrincipal SignedIn by) {
        return service.renew(number, at.question(), at.row(), at.take(), by.actor());
    }

    /** Templates of which an agreement can be made with a row of a register. */
    @GetMapping("/registers/{register}/templates")
    List<IntakeViews.RowTemplate> templates(@PathVariable String register) {
        return uses.templates(register);
    }

    /** Requests that a row was taken for, the newest first. */
    @GetMapping("/registers/{register}/rows/{id}/requests")
    Page<IntakeViews.RequestRow> requests(
            @PathVariable String register, @PathVariable UUID id, @RequestParam(defaultValue = "0") int page) {
        return uses.requests(id, page);
    }
}
