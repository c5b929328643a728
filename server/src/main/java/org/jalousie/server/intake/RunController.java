package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.registers.RegisterLookups;
import org.jalousie.server.tables.TableUse;
import org.jalousie.server.tables.TableViews;
import org.jalousie.server.tables.TablesBrought;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Runs over HTTP: many agreements from the rows of a table, or of a register. */
@RestController
@RequestMapping("/api/v1/runs")
class RunController {
    private final TablesBrought tables;
    private final UsableTemplates templates;
    private final RegisterLookups registers;
    private final RunStages stages;
    private final Sight sight;

    RunController(
            TablesBrought tables, UsableTemplates templates, RegisterLookups registers, RunStages stages, Sight sight) {
        this.sight = sight;
        this.tables = tables;
        this.templates = templates;
        this.registers = registers;
        this.stages = stages;
    }

    /** The newest first. @param template left out for those of all templates */
    @GetMapping
    Page<RunItem> list(@RequestParam(required = false) UUID template, @RequestParam(defaultValue = "0") int page) {
        Page<TableViews.TableItem> found =
                tables.list(TableUse.Purpose.RUN, template == null ? "" : template.toString(), page);
        Map<UUID, String> names = templates.fillable(found.items().stream()
                .map(one -> UUID.fromString(one.subject()))
                .toList());
        return new Page<>(
                found.items().stream()
                        .map(one -> new RunItem(one, names.getOrDefault(UUID.fromString(one.subject()), "")))
                        .toList(),
                found.total(),
                found.page(),
                found.size());
    }

    /** @param template what the template is called; empty for one that can't be filled any more */
    record RunItem(TableViews.TableItem table, String template) {}

    /** Takes a table. Nothing is made of it before somebody says so. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    TableViews.TableDetail bringIn(
            @RequestParam UUID template, @RequestPart MultipartFile file, @AuthenticationPrincipal SignedIn by)
            throws IOException {
        sight.requireUse(template);
        templates.published(template);
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
        return bring(template, name, file.getBytes(), by);
    }

    /**
     * @param question for which each row is taken
     * @param find beginnings of words; {@code where} conditions, as lists of rows have them
     * @param rows these alone, whatever the list would be narrowed by; left out for all of the list
     */
    record OfRows(
            UUID template,
            FieldName question,
            String register,
            String find,
            @Schema(types = {"array", "null"}) List<String> where,
            @Schema(types = {"array", "null"}) List<UUID> rows) {}

    /** Takes rows of a register for a table. */
    @PostMapping("/of-rows")
    @ResponseStatus(HttpStatus.CREATED)
    TableViews.TableDetail ofRows(@RequestBody OfRows body, @AuthenticationPrincipal SignedIn by) {
        sight.requireUse(body.template());
        templates.published(body.template());
        List<String> keys = body.rows() == null
                ? registers.keys(body.register(), body.find(), body.where() == null ? List.of() : body.where())
                : registers.keys(body.register(), body.rows());
        if (keys.isEmpty()) throw Refusal.invalid(Message.of("run.no-rows"));
        StringBuilder rows = new StringBuilder();
        for (String key : keys)
            rows.append(Json.MAPPER.writeValueAsString(Map.of(RunRow.ROW + body.question(), key)))
                    .append('\n');
        return bring(body.template(), body.register() + ".json", rows.toString().getBytes(StandardCharsets.UTF_8), by);
    }

    private TableViews.TableDetail bring(UUID template, String name, byte[] file, SignedIn by) {
        return tables.bring(
                TableUse.Purpose.RUN, template.toString(), name, file, new TableUse.By(by.displayName(), by.mail()));
    }

    /** How far the agreements of a run have come. */
    @GetMapping("/{table}/stages")
    List<IntakeViews.StageCount> stages(@PathVariable UUID table) {
        return stages.of(table);
    }
}
