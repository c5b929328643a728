package org.jalousie.server.tables;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.tables.TableStyle;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.Page;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Tables that were brought in, over HTTP. */
@RestController
@RequestMapping("/api/v1/tables")
class TableController {
    private final TableService tables;
    private final TableReport report;
    private final SecondTables second;

    TableController(TableService tables, TableReport report, SecondTables second) {
        this.tables = tables;
        this.second = second;
        this.report = report;
    }

    /** @param revision that it is based on */
    record SettledTable(int revision, TableSettings settings) {}

    /** @param revision that was seen */
    record SeenTable(int revision) {}

    /** @param cells texts by column, from 0 */
    record MendedRow(Map<Integer, String> cells) {}

    /** A table that was brought in: how it was recognised, and how many rows come to what. */
    @GetMapping("/{id}")
    TableViews.TableDetail show(@PathVariable UUID id) {
        return tables.show(id);
    }

    /** Settles how a table is read, and which column is which field. */
    @PutMapping("/{id}")
    TableViews.TableDetail settle(@PathVariable UUID id, @RequestBody SettledTable body) {
        return tables.settle(id, body.revision(), body.settings());
    }

    /** @param sheet another one of the table's own workbook */
    record SecondSheet(int revision, String sheet) {}

    /**
     * @param key column of the second table, from 1, whose value says with which row each goes
     * @param to column of the first one that has the same value
     * @param dates how it writes days, {@code numbers} and numbers
     */
    record SettledSecond(int revision, int key, int to, TableStyle.DateOrder dates, TableStyle.NumberMarks numbers) {}

    /** Lets the rows of a second file go with those of a table, by a key that both have. */
    @PostMapping(path = "/{id}/second", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    TableViews.TableDetail bringSecond(
            @PathVariable UUID id, @RequestParam int revision, @RequestPart MultipartFile file) throws IOException {
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
        return second.bring(id, revision, name, file.getBytes());
    }

    /** Lets the rows of another sheet of its workbook go with those of a table. */
    @PostMapping("/{id}/second-sheet")
    TableViews.TableDetail takeSecondSheet(@PathVariable UUID id, @RequestBody SecondSheet body) {
        return second.ofSheet(id, body.revision(), body.sheet());
    }

    /** Settles which columns are the key of a second table, and how it is written. */
    @PutMapping("/{id}/second")
    TableViews.TableDetail settleSecond(@PathVariable UUID id, @RequestBody SettledSecond body) {
        return second.settle(id, body.revision(), body.key(), body.to(), body.dates(), body.numbers());
    }

    /** Takes the second table out. */
    @DeleteMapping("/{id}/second")
    TableViews.TableDetail takeSecondOut(@PathVariable UUID id, @RequestParam int revision) {
        return second.takeOut(id, revision);
    }

    /** Rows of a table with what is wrong, what would change and what was made. */
    @GetMapping("/{id}/rows")
    Page<TableViews.TableRow> rows(
            @PathVariable UUID id,
            @RequestParam(required = false) TableUse.Outcome outcome,
            @RequestParam(defaultValue = "0") int page) {
        return tables.page(id, Optional.ofNullable(outcome), page);
    }

    /** What became of each row, with what is wrong and what was made. */
    @GetMapping("/{id}/report")
    void report(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "CSV") Download.Format format,
            HttpServletResponse response)
            throws IOException {
        Download.begin(response, report.name(id) + format.ending(), format.type());
        report.write(id, format == Download.Format.XLSX, response.getOutputStream());
    }

    /** Types over cells of a row. */
    @PutMapping("/{id}/rows/{number}")
    TableViews.TableRow mend(@PathVariable UUID id, @PathVariable int number, @RequestBody MendedRow body) {
        return tables.mend(id, number, body.cells());
    }

    /** Does what was planned, or goes on with it. */
    @PostMapping("/{id}/carrying-out")
    TableViews.TableDetail carryOut(@PathVariable UUID id, @RequestBody SeenTable body) {
        return tables.carryOut(id, body.revision());
    }

    /** Looks over once more what isn't done yet: what a row needs may be there by now. */
    @PostMapping("/{id}/looking-over")
    TableViews.TableDetail lookOver(@PathVariable UUID id, @RequestBody SeenTable body) {
        return tables.lookOver(id, body.revision());
    }

    /** Pauses a table that is being carried out. */
    @PostMapping("/{id}/pause")
    TableViews.TableDetail pause(@PathVariable UUID id) {
        return tables.hold(id, false);
    }

    /** Stops a table that is being carried out; what was done stays. */
    @PostMapping("/{id}/stop")
    TableViews.TableDetail stop(@PathVariable UUID id) {
        return tables.hold(id, true);
    }
}
