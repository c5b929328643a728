package org.jalousie.server.registers;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.tables.TableUse;
import org.jalousie.server.tables.TableViews;
import org.jalousie.server.tables.TablesBrought;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.Page;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Registers and their rows over HTTP. */
@RestController
@RequestMapping("/api/v1/registers")
class RegisterController {
    private final RegisterService registers;
    private final RowService rows;
    private final RegisterFiles files;
    private final TablesBrought tables;

    RegisterController(RegisterService registers, RowService rows, RegisterFiles files, TablesBrought tables) {
        this.registers = registers;
        this.rows = rows;
        this.files = files;
        this.tables = tables;
    }

    /** @param name by which templates and addresses know it */
    record NewRegister(String name, RegisterTerms terms) {}

    /** @param revision that it is based on */
    record SettledRegister(int revision, RegisterTerms terms) {}

    /** @param language in which numbers are typed; without it they are plain, as {@code 12500.00} */
    record NewRow(
            Map<FieldName, String> values,
            @Schema(types = {"string", "null"}) String language) {}

    /** @param values those that change; {@code revision} of the row that it is based on */
    record ChangedRow(
            int revision,
            Map<FieldName, String> values,
            @Schema(types = {"string", "null"}) String language) {}

    /** Registers. */
    @GetMapping
    Page<RegisterViews.RegisterItem> list(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page) {
        return registers.list(find, sort, page);
    }

    /** Begins a register. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    RegisterViews.RegisterDetail create(@RequestBody NewRegister body) {
        return registers.create(body.name(), body.terms());
    }

    /** A register with its columns. */
    @GetMapping("/{register}")
    RegisterViews.RegisterDetail show(@PathVariable String register) {
        return registers.show(register);
    }

    /** Settles a register's columns; what stands in its rows has to fit. */
    @PutMapping("/{register}")
    RegisterViews.RegisterDetail settle(@PathVariable String register, @RequestBody SettledRegister body) {
        return registers.settle(register, body.revision(), body.terms());
    }

    /**
     * Rows of a register, found, narrowed and sorted.
     *
     * @param where such as {@code town:is:Delft}: is, begins, from, to, blank, filled
     */
    @GetMapping("/{register}/rows")
    Page<RegisterViews.RowView> rows(
            @PathVariable String register,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(required = false) String[] where,
            @RequestParam(defaultValue = "false") boolean gone,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page,
            HttpServletRequest request) {
        return rows.list(register, narrowed(request), sort, page);
    }

    /** A condition may have commas in it, at which a list of parameters would be cut. */
    static RowLists.Narrowed narrowed(HttpServletRequest request) {
        String[] where = request.getParameterValues("where");
        String find = request.getParameter("find");
        return new RowLists.Narrowed(
                find == null ? "" : find,
                where == null ? List.of() : List.of(where),
                "true".equals(request.getParameter("gone")));
    }

    /** A few rows to choose from. */
    @GetMapping("/{register}/options")
    List<RegisterViews.RowOption> options(@PathVariable String register, @RequestParam(defaultValue = "") String find) {
        return rows.options(register, find);
    }

    /** Adds a row. */
    @PostMapping("/{register}/rows")
    @ResponseStatus(HttpStatus.CREATED)
    RegisterViews.RowDetail add(
            @PathVariable String register, @RequestBody NewRow body, @AuthenticationPrincipal SignedIn by) {
        return rows.add(register, body.values(), typing(body.language()), by.displayName());
    }

    /** A row of a register. */
    @GetMapping("/{register}/rows/{id}")
    RegisterViews.RowDetail row(@PathVariable String register, @PathVariable UUID id) {
        return rows.show(register, id);
    }

    /** What was changed in a row, the newest first, fifty at a time. */
    @GetMapping("/{register}/rows/{id}/history")
    List<RegisterViews.RowEntry> history(
            @PathVariable String register, @PathVariable UUID id, @RequestParam(defaultValue = "0") int page) {
        return rows.history(register, id, page);
    }

    /** Changes a row; what it said before stays in its history. */
    @PutMapping("/{register}/rows/{id}")
    RegisterViews.RowDetail change(
            @PathVariable String register,
            @PathVariable UUID id,
            @RequestBody ChangedRow body,
            @AuthenticationPrincipal SignedIn by) {
        return rows.change(register, id, body.revision(), body.values(), typing(body.language()), by.displayName());
    }

    /** Takes a row out: it can't be found any more, what it said stays known. */
    @DeleteMapping("/{register}/rows/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeOut(
            @PathVariable String register,
            @PathVariable UUID id,
            @RequestParam int revision,
            @AuthenticationPrincipal SignedIn by) {
        rows.takeOut(register, id, revision, by.displayName());
    }

    /** Brings a row back that was taken out. */
    @PostMapping("/{register}/rows/{id}/return")
    RegisterViews.RowDetail bringBack(
            @PathVariable String register, @PathVariable UUID id, @AuthenticationPrincipal SignedIn by) {
        return rows.bringBack(register, id, by.displayName());
    }

    /** The rows of a list, as a file that can be brought in again. */
    @GetMapping("/{register}/file")
    void file(
            @PathVariable String register,
            @RequestParam(defaultValue = "CSV") Download.Format format,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        Download.begin(response, files.title(register) + format.ending(), format.type());
        files.write(register, narrowed(request), format, response.getOutputStream());
    }

    /** Tables that were brought in for it, the newest first. */
    @GetMapping("/{register}/imports")
    Page<TableViews.TableItem> imports(@PathVariable String register, @RequestParam(defaultValue = "0") int page) {
        return tables.list(TableUse.Purpose.REGISTER, register, page);
    }

    /** Takes a table; what would change can be looked over before anything does. */
    @PostMapping(path = "/{register}/imports", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    TableViews.TableDetail bringIn(
            @PathVariable String register, @RequestPart MultipartFile file, @AuthenticationPrincipal SignedIn by)
            throws IOException {
        registers.register(register);
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
        return tables.bring(
                TableUse.Purpose.REGISTER,
                register,
                name,
                file.getBytes(),
                new TableUse.By(by.displayName(), by.mail()));
    }

    private static Typing typing(String language) {
        return Typing.of(language)
                .orElseThrow(() -> Refusal.malformed(Message.of("form.language", "language", language)));
    }
}
