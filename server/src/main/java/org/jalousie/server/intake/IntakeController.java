package org.jalousie.server.intake;

import java.util.Map;
import java.util.UUID;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Page;
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

    IntakeController(IntakeService service) {
        this.service = service;
    }

    record NewRequest(UUID template, Map<String, String> values, Map<String, IntakeViews.PersonInput> people) {}

    record Correction(Map<String, String> values, Map<String, IntakeViews.PersonInput> people) {}

    record SpecimenName(String name) {}

    record Made(String agreement) {}

    @GetMapping("/templates/{id}/form")
    IntakeViews.Form form(@PathVariable UUID id) {
        return service.form(id);
    }

    @GetMapping("/requests")
    Page<IntakeViews.RequestRow> list(@RequestParam(defaultValue = "0") int page) {
        return service.list(page);
    }

    @PostMapping("/requests")
    @ResponseStatus(HttpStatus.CREATED)
    IntakeViews.RequestDetail take(@RequestBody NewRequest request, @AuthenticationPrincipal SignedIn by) {
        return service.take(request.template(), request.values(), request.people(), by.displayName());
    }

    @GetMapping("/requests/{number}")
    IntakeViews.RequestDetail show(@PathVariable String number) {
        return service.show(number);
    }

    @PutMapping("/requests/{number}")
    IntakeViews.RequestDetail correct(
            @PathVariable String number, @RequestBody Correction correction, @AuthenticationPrincipal SignedIn by) {
        return service.correct(number, correction.values(), correction.people(), by.displayName());
    }

    @PostMapping("/requests/{number}/agreement")
    Made generate(@PathVariable String number, @AuthenticationPrincipal SignedIn by) {
        return new Made(service.generate(number, by.displayName()));
    }

    @PostMapping("/requests/{number}/specimen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keepAsSpecimen(@PathVariable String number, @RequestBody SpecimenName specimen) {
        service.keepAsSpecimen(number, specimen.name());
    }
}
