package org.jalousie.server.archive.views;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.filing.columns.ArchiveColumn;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.EndedAgreements;
import org.jalousie.server.template.TemplateColumns;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.beans.propertyeditors.StringArrayPropertyEditor;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The archive's list: narrowed, grouped, as a file, and the ways to look at it that people keep. */
@RestController
@RequestMapping("/api/v1/archive")
class ArchiveViewsController {
    private final ArchiveListing listing;
    private final ArchiveTable table;
    private final SavedViews views;
    private final TemplateColumns columns;
    private final EndedAgreements agreements;

    ArchiveViewsController(
            ArchiveListing listing,
            ArchiveTable table,
            SavedViews views,
            TemplateColumns columns,
            EndedAgreements agreements) {
        this.listing = listing;
        this.table = table;
        this.views = views;
        this.columns = columns;
        this.agreements = agreements;
    }

    /** A value may have commas in it, so one condition is never taken for several. */
    @InitBinder
    void wholeConditions(WebDataBinder binder) {
        binder.registerCustomEditor(String[].class, new StringArrayPropertyEditor(null));
    }

    /** What is filed. A long list is walked by the keys that each page gives. */
    @GetMapping
    KeyedPage<AgreementViews.AgreementItem> list(
            @ParameterObject ArchiveQuery query,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        return listing.list(query, ListPlace.of(sort, page, after, before));
    }

    /**
     * Headings with how many stand under each and what the numbers of the template's columns come to.
     *
     * @param by a column, {@code .ended} for the month, {@code .template}, or nothing for all together
     */
    @GetMapping("/groups")
    ArchiveListing.GroupsView groups(
            @ParameterObject ArchiveQuery query,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "0") int page) {
        return listing.groups(query, by, page);
    }

    /** All that is found, as a file. @param shown columns of the template, all of them where none is named */
    @GetMapping("/table")
    void table(
            @ParameterObject ArchiveQuery query,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "") List<String> shown,
            @RequestParam(defaultValue = "CSV") Download.Format format,
            HttpServletResponse response)
            throws IOException {
        ArchiveTable.Prepared prepared = table.prepare(query, sort, shown);
        Download.begin(response, "Archive" + format.ending(), format.type());
        table.write(prepared, format, response.getOutputStream());
    }

    /** The templates that agreements were filed from. */
    @GetMapping("/templates")
    List<ArchiveListing.FiledTemplate> templates() {
        return listing.templates();
    }

    /**
     * What a template's list can show.
     *
     * @param chosen the columns, in their order
     * @param offered everything that can be one
     * @param behind how many agreements aren't gone through yet since that was chosen, up to a thousand
     */
    record TemplateColumnsView(List<ArchiveColumn> chosen, List<ArchiveColumn> offered, int behind) {}

    /** Which of a template's data are columns of the archive, and which could be. */
    @GetMapping("/templates/{id}/columns")
    TemplateColumnsView columns(@PathVariable UUID id) {
        return new TemplateColumnsView(columns.of(id), columns.offered(id), agreements.behind(id));
    }

    /** @param columns in the order in which they stand */
    record ColumnsWanted(List<ColumnKey> columns) {
        ColumnsWanted {
            columns = columns == null ? List.of() : List.copyOf(columns);
        }
    }

    /** Makes others of a template's data columns. What was filed before is gone through again. */
    @PutMapping("/templates/{id}/columns")
    TemplateColumnsView choose(@PathVariable UUID id, @RequestBody ColumnsWanted wanted) {
        columns.choose(id, wanted.columns());
        return columns(id);
    }

    /** Ways to look at the archive: one's own and everybody's. */
    @GetMapping("/views")
    List<SavedViews.SavedView> views(@AuthenticationPrincipal SignedIn who) {
        return views.of(who);
    }

    /** Keeps a new way to look at the archive. */
    @PostMapping("/views")
    @ResponseStatus(HttpStatus.CREATED)
    SavedViews.SavedView add(@RequestBody SavedViews.ViewWanted wanted, @AuthenticationPrincipal SignedIn who) {
        return views.add(wanted, who);
    }

    /** Keeps one as it is looked at now. */
    @PutMapping("/views/{id}")
    SavedViews.SavedView change(
            @PathVariable UUID id, @RequestBody SavedViews.ViewWanted wanted, @AuthenticationPrincipal SignedIn who) {
        return views.change(id, wanted, who);
    }

    /** Keeps one no more. */
    @DeleteMapping("/views/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id, @AuthenticationPrincipal SignedIn who) {
        views.remove(id, who);
    }
}
