package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.recognition.ReadFiles;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Requests over HTTP. */
@RestController
@RequestMapping("/api/v1")
class IntakeController {
    private final IntakeService service;
    private final FormAnswers answers;
    private final FinishedRequests finished;
    private final RequestSpecimens specimens;
    private final Sight sight;

    IntakeController(
            IntakeService service,
            FormAnswers answers,
            FinishedRequests finished,
            RequestSpecimens specimens,
            Sight sight) {
        this.answers = answers;
        this.sight = sight;
        this.finished = finished;
        this.specimens = specimens;
        this.service = service;
    }

    /**
     * @param values as the form's schema says
     * @param language in which numbers are typed; without it they are plain, as {@code 12500.00}
     * @param key made once by whoever sends it, so that a request sent twice is taken in once; may be left out
     * @param taken rows of registers that answers were taken from, or are to be; may be left out
     * @param renews the number of the completed agreement that it renews; may be left out
     */
    record NewRequest(
            UUID template,
            Map<FieldName, Object> values,
            Map<String, IntakeViews.PersonInput> people,
            @Schema(types = {"string", "null"}) String language,
            @Schema(types = {"string", "null"}) UUID key,
            @Schema(types = {"array", "null"}) List<LookupController.TakenAnswer> taken,
            @Schema(types = {"string", "null"}) String renews) {}

    /** @param taken rows of registers that answers were taken from, in place of those before; left out, these stay */
    record Correction(
            Map<FieldName, Object> values,
            Map<String, IntakeViews.PersonInput> people,
            @Schema(types = {"string", "null"}) String language,
            @Schema(types = {"array", "null"}) List<LookupController.TakenAnswer> taken) {}

    record Typed(
            List<Field> fields,
            Map<FieldName, String> values,
            @Schema(types = {"string", "null"}) String language) {}

    record SpecimenName(String name) {}

    record Made(AgreementNumber agreement) {}

    /** What a template's form asks for. */
    @GetMapping("/templates/{id}/form")
    IntakeViews.Form form(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String language,
            @AuthenticationPrincipal SignedIn by) {
        return service.form(id, language, by.displayName());
    }

    /**
     * The answers that the form takes, as JSON Schema 2020-12.
     *
     * @param language in which numbers are typed; without it they are plain
     */
    @GetMapping(value = "/templates/{id}/form/schema", produces = "application/schema+json")
    Map<String, Object> schema(@PathVariable UUID id, @RequestParam(defaultValue = "") String language) {
        return answers.schema(id, language, typing(language));
    }

    /** Takes a filled form in; of the form with its people, as the rooms have it. */
    @PostMapping("/requests")
    @ResponseStatus(HttpStatus.CREATED)
    IntakeViews.RequestDetail take(@RequestBody NewRequest request, @AuthenticationPrincipal SignedIn by) {
        by.requireForm(request.template());
        sight.requireUse(request.template());
        return service.take(
                request.template(),
                request.key(),
                sent(request.values(), request.people(), request.language(), by),
                LookupController.sent(request.taken()).orElse(List.of()),
                Optional.ofNullable(request.renews()).filter(one -> !one.isBlank()),
                by.actor());
    }

    /** A request with its answers and what became of it. */
    @GetMapping("/requests/{number}")
    IntakeViews.RequestDetail show(@PathVariable String number) {
        return service.show(number);
    }

    /** Corrects a request; agreements made from it that are not sent yet are made again. */
    @PutMapping("/requests/{number}")
    IntakeViews.RequestDetail correct(
            @PathVariable String number, @RequestBody Correction correction, @AuthenticationPrincipal SignedIn by) {
        return service.correct(
                number,
                sent(correction.values(), correction.people(), correction.language(), by),
                LookupController.sent(correction.taken()),
                by.actor());
    }

    /** Reads what was typed for some fields, keeping nothing: a specimen's form is read by the same rules as a request's. */
    @PostMapping("/forms/reading")
    IntakeViews.ReadData reading(@RequestBody Typed typed) {
        Intake.Reading reading = Intake.read(typed.fields(), typed.values(), typing(typed.language()));
        Map<String, String> faults = new LinkedHashMap<>();
        reading.places().forEach((place, fault) -> faults.put(place, fault.toString()));
        return new IntakeViews.ReadData(reading.raw(), faults);
    }

    /** The form for a file that was made elsewhere, by the template that it is taken for. */
    @GetMapping("/finished-files/{file}/form")
    IntakeViews.Form formOf(@PathVariable UUID file) {
        return finished.formOf(file);
    }

    /**
     * @param keep parties that stay though the file has no place for them
     * @param seen whether a person has looked at what differs from the template
     * @param otherwise whether data may say something else than what was surely read in the file
     * @param revision of the file as it was shown
     */
    record FinishedAnswers(
            Map<FieldName, Object> values,
            Map<String, IntakeViews.PersonInput> people,
            @Schema(types = {"string", "null"}) String language,
            List<PartyKey> keep,
            boolean seen,
            boolean otherwise,
            int revision) {}

    /** Makes the agreement about a file that was made elsewhere. */
    @PostMapping("/finished-files/{file}/agreement")
    Made generateOf(@PathVariable UUID file, @RequestBody FinishedAnswers said, @AuthenticationPrincipal SignedIn by) {
        return new Made(finished.takeFinished(
                file,
                sent(said.values(), said.people(), said.language(), by),
                new ReadFiles.Confirmation(
                        said.revision(), Set.copyOf(said.keep() == null ? List.of() : said.keep()), said.seen()),
                said.otherwise(),
                by.actor()));
    }

    /** @param revision of the file as it was shown */
    record AsRead(int revision) {}

    /** Makes the agreement about a file of which everything is known and sure. */
    @PostMapping("/finished-files/{file}/agreement-as-read")
    Made generateAsRead(@PathVariable UUID file, @RequestBody AsRead as, @AuthenticationPrincipal SignedIn by) {
        return new Made(finished.takeAsRead(file, as.revision(), by.actor()));
    }

    private static FilledForms.Sent sent(
            Map<FieldName, Object> values, Map<String, IntakeViews.PersonInput> people, String language, SignedIn by) {
        return new FilledForms.Sent(
                AnswersJson.texts(values, typing(language)),
                people == null ? Map.of() : people,
                typing(language),
                language == null ? "" : language,
                by.displayName());
    }

    private static Typing typing(String language) {
        return Typing.of(language)
                .orElseThrow(() -> Refusal.invalid(Message.of("form.language", "language", language)));
    }

    /** Makes the agreement of a request; asked twice, it is the same. */
    @PostMapping("/requests/{number}/agreement")
    Made generate(@PathVariable String number, @AuthenticationPrincipal SignedIn by) {
        return new Made(service.generate(number, by.actor()));
    }

    /** Keeps a request's data as a specimen, without its person. */
    @PostMapping("/requests/{number}/specimen")
    IntakeViews.KeptSpecimen keepAsSpecimen(
            @PathVariable String number, @RequestBody SpecimenName specimen, @AuthenticationPrincipal SignedIn by) {
        return specimens.keep(number, specimen.name(), by.displayName());
    }
}
