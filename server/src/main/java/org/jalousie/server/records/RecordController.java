package org.jalousie.server.records;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.records.RecordTerms;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.adapters.OutsideHttp;
import org.jalousie.server.adapters.OutsideProblem;
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

/** Record systems over HTTP. */
@RestController
@RequestMapping("/api/v1/record-systems")
class RecordController {
    private final RecordService service;
    private final RecordLooks looks;
    private final OutsideHttp outside;

    RecordController(RecordService service, RecordLooks looks, OutsideHttp outside) {
        this.service = service;
        this.looks = looks;
        this.outside = outside;
    }

    /** @param credential as it stands in the header {@code Authorization}, "Bearer …"; empty for none */
    record NewRecordSystem(RecordTerms terms, String credential) {}

    /**
     * @param revision that it is based on
     * @param credential another one; null for the one that it has, unless its address is another system's now
     */
    record SettledRecordSystem(
            int revision,
            RecordTerms terms,
            @Schema(types = {"string", "null"}) String credential) {}

    /**
     * @param system that is being settled; null for a new one
     * @param credential null for the one that the system has
     * @param key of the record that is looked at; empty for the first that has the status
     */
    record WantedLook(
            @Schema(types = {"string", "null"}) UUID system,
            RecordTerms terms,
            @Schema(types = {"string", "null"}) String credential,
            String key) {}

    /** Record systems by their names. */
    @GetMapping
    Page<RecordViews.RecordSystemItem> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return service.list(find, sort, page);
    }

    /** Makes one; from then on its records are looked at. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    RecordViews.RecordSystemDetail make(@RequestBody NewRecordSystem system, @AuthenticationPrincipal SignedIn by) {
        return service.make(system.terms(), system.credential(), outside(system.terms()), by.displayName());
    }

    /** Shows a real record as it would be taken in; takes and changes nothing. */
    @PostMapping("/looks")
    RecordViews.RealRecord look(@RequestBody WantedLook look) {
        outside(look.terms()).ifPresent(fault -> {
            throw Refusal.invalid(fault, Map.of("place.address", fault));
        });
        Optional<String> credential = Optional.ofNullable(look.credential());
        return looks.look(
                look.system() == null
                        ? new RecordClient.Access(look.terms(), credential.orElse(""))
                        : service.access(look.system(), look.terms(), credential),
                look.key());
    }

    /** A record system, with what is open. */
    @GetMapping("/{id}")
    RecordViews.RecordSystemDetail show(@PathVariable UUID id) {
        return service.show(id);
    }

    /** Settles what is taken and what is written back. */
    @PutMapping("/{id}")
    RecordViews.RecordSystemDetail settle(@PathVariable UUID id, @RequestBody SettledRecordSystem system) {
        return service.settle(
                id,
                system.revision(),
                system.terms(),
                Optional.ofNullable(system.credential()),
                outside(system.terms()));
    }

    /** Nothing is done with it any more. What was done stays known. */
    @DeleteMapping("/{id}")
    RecordViews.RecordSystemDetail end(@PathVariable UUID id) {
        return service.end(id);
    }

    /** Neither is it looked at nor written to until it goes on. */
    @PostMapping("/{id}/pause")
    RecordViews.RecordSystemDetail pause(@PathVariable UUID id) {
        return service.pause(id, true);
    }

    /** Lets a paused system go on. */
    @DeleteMapping("/{id}/pause")
    RecordViews.RecordSystemDetail goOn(@PathVariable UUID id) {
        return service.pause(id, false);
    }

    /** Looks and writes now, whatever it waited for. */
    @PostMapping("/{id}/trial")
    RecordViews.RecordSystemDetail tryNow(@PathVariable UUID id) {
        return service.tryNow(id);
    }

    /** Tries again to write back what was given up. @param key of a record; left out for all */
    @PostMapping("/{id}/writing")
    RecordViews.RecordSystemDetail again(@PathVariable UUID id, @RequestParam(required = false) String key) {
        return service.again(id, Optional.ofNullable(key));
    }

    /** Tells that a record was changed: an object that says its key where the system's terms say. It is looked at soon. */
    @PostMapping("/{id}/notices")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void told(@PathVariable UUID id, @RequestBody Map<String, Object> notice) {
        service.told(id, Json.MAPPER.valueToTree(notice));
    }

    /** Records that something was done with; the newest first. */
    @GetMapping("/{id}/records")
    Page<RecordViews.RecordRow> records(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "ALL") RecordLists.Which which,
            @RequestParam(defaultValue = "0") int page) {
        return service.records(id, find, which, page);
    }

    /** A record with all that was written back. @param key its */
    @GetMapping("/{id}/record")
    RecordViews.RecordDetail record(@PathVariable UUID id, @RequestParam String key) {
        return service.record(id, key);
    }

    /** Why its address can't be spoken to. Names are looked up for it, which may take a while: not in a transaction. */
    private Optional<Message> outside(RecordTerms terms) {
        try {
            terms.place().base().ifPresent(outside::check);
            return Optional.empty();
        } catch (OutsideProblem problem) {
            return Optional.of(problem.said());
        }
    }
}
