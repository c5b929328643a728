package org.jalousie.server.archive.dates;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.filing.dates.KeyDate;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.template.TemplateDates;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Days of completed agreements that are watched: when they end, go on, or notice has to be given. */
@RestController
@RequestMapping("/api/v1/archive")
class DatesController {
    private final DateLists lists;
    private final DateActs acts;
    private final DatesTable table;
    private final TemplateDates templates;

    DatesController(DateLists lists, DateActs acts, DatesTable table, TemplateDates templates) {
        this.lists = lists;
        this.acts = acts;
        this.table = table;
        this.templates = templates;
    }

    /**
     * What is asked for.
     *
     * @param over those that are dealt with, instead of those that aren't
     * @param from the first day, {@code to} the last
     * @param owner whose, by the mail address; empty for anybody's
     */
    record DatesQuery(
            Boolean over,
            UUID template,
            KeyDate.Kind kind,
            @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate from,
            @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate to,
            String owner) {
        DateSearch.Asked asked() {
            for (LocalDate day : new LocalDate[] {from, to})
                if (day != null && !DateLists.isSane(day)) throw Refusal.malformed(Message.of("dates.no-day"));
            return new DateSearch.Asked(
                    !Boolean.TRUE.equals(over), template, kind, from, to, owner == null ? "" : owner);
        }
    }

    /** Watched days. A long list is walked by the keys that each page gives. */
    @GetMapping("/dates")
    KeyedPage<DateViews.WatchedDate> list(
            @ParameterObject DatesQuery query,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        return lists.list(query.asked(), ListPlace.of(sort, page, after, before));
    }

    /** Watched days as a file. */
    @GetMapping("/dates/table")
    void table(
            @ParameterObject DatesQuery query,
            @RequestParam(defaultValue = "CSV") Download.Format format,
            HttpServletResponse response)
            throws IOException {
        Download.begin(response, "Dates" + format.ending(), format.type());
        table.write(query.asked(), format, response.getOutputStream());
    }

    /** @param note what was done; may be empty @param again whether it comes again, where it does */
    record Settlement(String note, boolean again) {}

    /** Says that a day is dealt with. */
    @PostMapping("/dates/{id}/settlement")
    DateViews.WatchedDate settle(
            @PathVariable UUID id, @RequestBody Settlement said, @AuthenticationPrincipal SignedIn by) {
        return acts.settle(id, plain(said.note()), said.again(), by.displayName());
    }

    /** @param note why; may be empty */
    record Reopening(String note) {}

    /** Says that a day isn't dealt with after all. */
    @PostMapping("/dates/{id}/reopening")
    DateViews.WatchedDate reopen(
            @PathVariable UUID id, @RequestBody Reopening said, @AuthenticationPrincipal SignedIn by) {
        return acts.reopen(id, plain(said.note()), by.displayName());
    }

    /** @param was the day that it was when this was decided @param note why it is another one */
    record OtherDay(LocalDate was, LocalDate day, String note) {}

    /** Makes it another day than the agreement's data say. */
    @PutMapping("/dates/{id}/day")
    DateViews.WatchedDate move(
            @PathVariable UUID id, @RequestBody OtherDay said, @AuthenticationPrincipal SignedIn by) {
        return acts.move(id, said.was(), said.day(), plain(said.note()), by.displayName());
    }

    private static String plain(String note) {
        return note == null ? "" : note;
    }

    /** The watched days of an agreement, and what it renews and is renewed by. */
    @GetMapping("/{number}/dates")
    DateViews.AgreementDates of(@PathVariable AgreementNumber number) {
        return lists.of(number);
    }

    /** Which days of a template's agreements are watched. */
    @GetMapping("/templates/{id}/dates")
    DateViews.TemplateDatesView ofTemplate(@PathVariable UUID id) {
        return lists.of(id);
    }

    /** @param edition as it was shown */
    record DatesWanted(List<KeyDate> dates, int edition) {
        DatesWanted {
            dates = dates == null ? List.of() : List.copyOf(dates);
        }
    }

    /** Watches others. Agreements that are complete are gone through again. */
    @PutMapping("/templates/{id}/dates")
    DateViews.TemplateDatesView watch(@PathVariable UUID id, @RequestBody DatesWanted wanted) {
        templates.choose(id, wanted.dates(), wanted.edition());
        return lists.of(id);
    }
}
