package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The agreement beside its form, over HTTP: asked for with the answers as they are being typed. */
@RestController
@RequestMapping("/api/v1")
class LiveController {
    private final LivePages live;
    private final FormViews forms;

    LiveController(LivePages live, FormViews forms) {
        this.forms = forms;
        this.live = live;
    }

    /**
     * Answers as they are being typed; what can't be read is as if it were missing.
     *
     * @param language in which numbers are typed; without it they are plain
     * @param document that is looked at; empty for the first
     */
    record AnswersSoFar(
            Map<FieldName, String> values,
            @Schema(types = {"string", "null"}) String language,
            String document) {
        LivePages.Typed typed() {
            Typing typing = Typing.of(language)
                    .orElseThrow(() -> Refusal.invalid(Message.of("form.language", "language", language)));
            return new LivePages.Typed(
                    values == null ? Map.of() : values,
                    typing,
                    Locale.forLanguageTag(language == null || language.isBlank() ? "en-GB" : language),
                    document == null ? "" : document);
        }
    }

    /** The agreement as far as the answers go, as a PDF. */
    @PostMapping("/templates/{id}/form/pages")
    IntakeViews.LiveMade pages(
            @PathVariable UUID id, @RequestBody AnswersSoFar answers, @AuthenticationPrincipal SignedIn by) {
        return live.pages(live.templateOf(id), answers.typed(), by.mail());
    }

    /** The agreement as far as the answers go, as text. */
    @PostMapping("/templates/{id}/form/text")
    IntakeViews.LiveText text(@PathVariable UUID id, @RequestBody AnswersSoFar answers) {
        return live.text(live.templateOf(id), answers.typed());
    }

    /** A request's agreement with other answers, as a PDF. */
    @PostMapping("/requests/{number}/pages")
    IntakeViews.LiveMade pagesOf(
            @PathVariable String number, @RequestBody AnswersSoFar answers, @AuthenticationPrincipal SignedIn by) {
        return live.pages(live.templateOf(number), answers.typed(), by.mail());
    }

    /** A request's agreement with other answers, as text. */
    @PostMapping("/requests/{number}/text")
    IntakeViews.LiveText textOf(@PathVariable String number, @RequestBody AnswersSoFar answers) {
        return live.text(live.templateOf(number), answers.typed());
    }

    /** What the form asks for with these answers. */
    @PostMapping("/templates/{id}/form/state")
    IntakeViews.FormState state(@PathVariable UUID id, @RequestBody AnswersSoFar answers) {
        return live.state(live.templateOf(id), answers.typed());
    }

    /** What a request's form asks for with these answers. */
    @PostMapping("/requests/{number}/form-state")
    IntakeViews.FormState stateOf(@PathVariable String number, @RequestBody AnswersSoFar answers) {
        return live.state(live.templateOf(number), answers.typed());
    }

    /** The form as it would be if the newest version, which may be a draft, were published. */
    @GetMapping("/templates/{id}/newest-form")
    IntakeViews.Form newestForm(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String language,
            @AuthenticationPrincipal SignedIn by) {
        return forms.of(live.newestOf(id), language, by.displayName());
    }

    /** What the form of the newest draft asks for with these answers. */
    @PostMapping("/templates/{id}/newest-form/state")
    IntakeViews.FormState newestState(@PathVariable UUID id, @RequestBody AnswersSoFar answers) {
        return live.state(live.newestOf(id), answers.typed());
    }

    /** What stands where on the pages that were made for the one who asks, by their key; it is there for some minutes. */
    @GetMapping("/form-pages/{key}")
    IntakeViews.LiveMarks marks(@PathVariable UUID key, @AuthenticationPrincipal SignedIn by) {
        return live.marks(key, by.mail());
    }
}
