package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.SendingKey;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Intake for other programs: a form's answers in one document, as its schema has them. */
@RestController
@RequestMapping("/api/v1/templates/{template}/form")
class FormAnswersController {
    private final FormAnswers service;

    FormAnswersController(FormAnswers service) {
        this.service = service;
    }

    /**
     * @param answers as the form's schema says
     * @param people for parties whose person is chosen when the form is used; may be left out
     * @param language in which numbers in texts are written; left out, they are plain
     * @param taken rows of registers that answers are to be taken from; may be left out
     * @param agreement whether the agreement is made at once; left out, it is where the template lets it go out by itself
     */
    record SentAnswers(
            Map<FieldName, Object> answers,
            @Schema(types = {"object", "null"}) Map<String, IntakeViews.PersonInput> people,
            @Schema(types = {"string", "null"}) String language,
            @Schema(types = {"array", "null"}) List<LookupController.TakenAnswer> taken,
            @Schema(types = {"boolean", "null"}) Boolean agreement) {}

    /**
     * @param address where the request is looked up
     * @param agreement that is being made of it; null while the office hasn't looked at it
     */
    record Accepted(
            String request,
            String address,
            @Schema(types = {"string", "null"}) AgreementNumber agreement) {}

    /** Takes a form's answers in. Sent again with the same {@code Idempotency-Key}, it is the same request. */
    @PostMapping("/answers")
    @ApiResponse(responseCode = "202", description = "Taken in; the header Location says where it is looked up")
    ResponseEntity<Accepted> take(
            @PathVariable UUID template,
            @RequestBody SentAnswers sent,
            @RequestHeader(name = "Idempotency-Key", required = false) String key,
            @AuthenticationPrincipal SignedIn by) {
        Typing typing = Typing.of(sent.language())
                .orElseThrow(() -> Refusal.invalid(Message.of("form.language", "language", sent.language())));
        FilledForms.Sent form = new FilledForms.Sent(
                AnswersJson.texts(sent.answers(), typing),
                sent.people() == null ? Map.of() : sent.people(),
                typing,
                sent.language() == null ? "" : sent.language(),
                by.displayName());
        // its answer may have been lost with the server: then it is asked for here again. Other answers are another
        // request, however long ago the key was used
        UUID once = key == null
                ? null
                : UUID.nameUUIDFromBytes(String.join(
                                " ",
                                by.getName(),
                                template.toString(),
                                SendingKey.read(key),
                                Json.MAPPER.writeValueAsString(sent))
                        .getBytes(StandardCharsets.UTF_8));
        FormAnswers.Taken taken = service.take(
                template,
                once,
                form,
                LookupController.sent(sent.taken()).orElse(List.of()),
                Optional.ofNullable(sent.agreement()),
                by.actor());
        String address = "/api/v1/requests/" + taken.request();
        return ResponseEntity.status(HttpStatus.ACCEPTED)
                .location(URI.create(address))
                .body(new Accepted(taken.request(), address, taken.agreement().orElse(null)));
    }
}
