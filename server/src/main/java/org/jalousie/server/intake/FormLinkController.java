package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
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

/** Links to forms, over HTTP. */
@RestController
@RequestMapping("/api/v1/form-links")
class FormLinkController {
    private final FormLinkService service;

    FormLinkController(FormLinkService service) {
        this.service = service;
    }

    /** @param fixed whether the answers can't be changed by who opens the form */
    record Prefill(
            Map<FieldName, String> values,
            @Schema(types = {"string", "null"}) String language,
            boolean fixed) {}

    /** Forms that are shared by a link. */
    @GetMapping
    Page<FormLinkViews.FormLinkRow> list(
            @RequestParam(required = false) UUID template, @RequestParam(defaultValue = "0") int page) {
        return service.list(template, page);
    }

    /** Shares a form by a link. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    FormLinkViews.FormLinkRow share(
            @RequestBody FormLinkViews.FormLinkSettings wanted, @AuthenticationPrincipal SignedIn by) {
        return service.share(wanted, by.displayName());
    }

    /** A form that is shared by a link. */
    @GetMapping("/{id}")
    FormLinkViews.FormLinkRow show(@PathVariable UUID id) {
        return service.show(id);
    }

    /** Settles what is agreed about a link. */
    @PutMapping("/{id}")
    FormLinkViews.FormLinkRow change(@PathVariable UUID id, @RequestBody FormLinkViews.FormLinkSettings wanted) {
        return service.change(id, wanted);
    }

    /** Nobody can fill it any more; what has come stays. */
    @PostMapping("/{id}/closing")
    FormLinkViews.FormLinkRow close(@PathVariable UUID id) {
        return service.close(id, true);
    }

    /** Opens a closed link again. */
    @DeleteMapping("/{id}/closing")
    FormLinkViews.FormLinkRow open(@PathVariable UUID id) {
        return service.close(id, false);
    }

    /** The form's address with answers in it. */
    @PostMapping("/{id}/address")
    FormLinkViews.PrefilledAddress prefilled(@PathVariable UUID id, @RequestBody Prefill prefill) {
        Typing typing = Typing.of(prefill.language())
                .orElseThrow(() -> Refusal.invalid(Message.of("form.language", "language", prefill.language())));
        return service.prefilled(id, new FilledForms.Sent(prefill.values(), Map.of(), typing, "", ""), prefill.fixed());
    }
}
