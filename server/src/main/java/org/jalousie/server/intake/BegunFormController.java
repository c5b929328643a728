package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
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

/** Forms that are being filled, over HTTP: each person sees their own. */
@RestController
@RequestMapping("/api/v1/begun-forms")
class BegunFormController {
    private final BegunFormService service;

    BegunFormController(BegunFormService service) {
        this.service = service;
    }

    /** Answers as they are typed; nothing is read of them yet. @param renews the agreement that it is to renew; may be left out */
    record BegunAnswers(
            UUID template,
            Map<FieldName, String> values,
            Map<String, IntakeViews.PersonInput> people,
            @Schema(types = {"string", "null"}) String language,
            @Schema(types = {"array", "null"}) List<IntakeViews.BegunTaken> taken,
            @Schema(types = {"string", "null"}) String renews) {}

    /** Forms that one has begun. */
    @GetMapping
    Page<IntakeViews.BegunRow> list(@RequestParam(defaultValue = "0") int page, @AuthenticationPrincipal SignedIn by) {
        return service.list(by.mail(), page);
    }

    /**
     * Keeps a form that isn't handed in yet.
     *
     * @param key made once for the form; a request that is sent with it ends the begun form
     */
    @PutMapping("/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable UUID key, @RequestBody BegunAnswers typed, @AuthenticationPrincipal SignedIn by) {
        service.keep(
                key,
                new BegunFormService.Typed(
                        typed.template(),
                        typed.values() == null ? Map.of() : typed.values(),
                        typed.people() == null ? Map.of() : typed.people(),
                        typed.language() == null ? "" : typed.language(),
                        typed.taken() == null ? List.of() : typed.taken(),
                        typed.renews() == null ? "" : typed.renews().strip()),
                by.mail());
    }

    /** A form that one has begun. */
    @GetMapping("/{key}")
    IntakeViews.BegunForm show(@PathVariable UUID key, @AuthenticationPrincipal SignedIn by) {
        return service.show(key, by.mail());
    }

    /** @param mail the address by which whoever goes on with it signs in */
    record GoesOn(String mail) {}

    /** Mails the link by which it is gone on with; a colleague's it is then. */
    @PostMapping("/{key}/mail")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void mail(@PathVariable UUID key, @RequestBody GoesOn to, @AuthenticationPrincipal SignedIn by) {
        service.mail(key, to.mail(), by);
    }

    /** Discards a form that one has begun. */
    @DeleteMapping("/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(@PathVariable UUID key, @AuthenticationPrincipal SignedIn by) {
        service.discard(key, by.mail());
    }
}
