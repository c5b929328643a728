package org.jalousie.server.archive.reports;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Reports: where the time goes, what is out how long, what came to nothing and why, what is asked for. */
@RestController
@RequestMapping("/api/v1/archive/reports")
class ReportsController {
    private final Reports reports;
    private final ReportTables tables;
    private final ReportPictures pictures;
    private final OfficeHours hours;
    private final Sight sight;

    ReportsController(Reports reports, ReportTables tables, ReportPictures pictures, OfficeHours hours, Sight sight) {
        this.sight = sight;
        this.reports = reports;
        this.tables = tables;
        this.pictures = pictures;
        this.hours = hours;
    }

    /**
     * What a report is about.
     *
     * @param template of one template alone; all otherwise
     * @param from the first day, {@code to} the last, of which agreements ended or requests came
     */
    record ReportQuery(
            UUID template,
            @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate from,
            @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate to) {}

    /** What there are reports of. */
    enum Report {
        TIMES,
        OUT,
        ENDINGS,
        REQUESTS
    }

    private Asked asked(ReportQuery query) {
        for (LocalDate day : new LocalDate[] {query.from(), query.to()})
            if (day != null && (day.getYear() < 1 || day.getYear() > 9998))
                throw Refusal.malformed(Message.of("dates.no-day"));
        return new Asked(
                Optional.ofNullable(query.template()),
                sight.hidden(),
                Optional.ofNullable(query.from()),
                Optional.ofNullable(query.to()),
                hours.calendar().zone());
    }

    /** Where the time of completed agreements went: by template, and of one template by each part of its way. */
    @GetMapping("/times")
    List<ReportViews.SpentRow> times(@ParameterObject ReportQuery query) {
        return reports.times(asked(query));
    }

    /** What is out now and for how long: by template, and of one template by whom it waits for. The days asked for don't count. */
    @GetMapping("/out")
    List<ReportViews.OutRow> out(@ParameterObject ReportQuery query) {
        return reports.outNow(asked(query));
    }

    /** How agreements ended, by template. */
    @GetMapping("/endings")
    List<ReportViews.EndedRow> endings(@ParameterObject ReportQuery query) {
        return reports.endings(asked(query));
    }

    /** Agreements that came to nothing, with the reason. A long list is walked by the keys that each page gives. */
    @GetMapping("/in-vain")
    KeyedPage<ReportViews.EndedInVain> inVain(
            @ParameterObject ReportQuery query,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        return reports.inVain(asked(query), ListPlace.of(sort, page, after, before));
    }

    /** How many requests came by which form in which month, and what became of them. */
    @GetMapping("/requests")
    ReportViews.AskedReport requests(@ParameterObject ReportQuery query) {
        return reports.asked(asked(query));
    }

    /** A report as a file for a spreadsheet; of endings, those that came to nothing with the reason. */
    @GetMapping("/{report}/table")
    void table(
            @PathVariable Report report,
            @ParameterObject ReportQuery query,
            @RequestParam(defaultValue = "CSV") Download.Format format,
            HttpServletResponse response)
            throws IOException {
        Asked asked = asked(query);
        ReportTables.Table table = tables.of(report, asked);
        Download.begin(response, tables.name(report) + format.ending(), format.type());
        tables.write(table, report, format, response.getOutputStream());
    }

    /** A report as a drawing (SVG). */
    @GetMapping("/{report}/picture")
    ResponseEntity<byte[]> picture(@PathVariable Report report, @ParameterObject ReportQuery query) {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("image/svg+xml"))
                // what it says of names can't become a page of its own that runs anything
                .header("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox")
                .body(pictures.of(report, asked(query)));
    }
}
