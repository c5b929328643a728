package org.jalousie.server.agreement;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.server.account.Sight;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Agreements that have ended, listed and grouped by what their templates have made columns of. */
@Service
public class EndedAgreements {
    /** What is grouped by the month in which they ended. */
    public static final String MONTH = Archived.ENDED;

    /** What is grouped by template. */
    public static final String TEMPLATE = ".template";

    /** How many headings a page has. */
    static final int HEADINGS = 100;

    private final AgreementLists lists;
    private final ArchiveGroups groups;
    private final AgreementFinder finder;
    private final AgreementRows rows;
    private final Archived archived;
    private final Sight sight;

    EndedAgreements(
            AgreementLists lists,
            ArchiveGroups groups,
            AgreementFinder finder,
            AgreementRows rows,
            Archived archived,
            Sight sight) {
        this.sight = sight;
        this.lists = lists;
        this.groups = groups;
        this.finder = finder;
        this.rows = rows;
        this.archived = archived;
    }

    /** What the numbers of a column come to. @param unit a currency (ISO 4217), or nothing */
    public record Sum(ColumnKey column, String unit, BigDecimal total) {}

    /**
     * Agreements of one heading.
     *
     * @param heading what they have in the column; the id of a template; empty for what has nothing there
     */
    public record Group(String heading, long count, List<Sum> sums) {}

    /** Headings in their order. @param more whether there is another page of them */
    public record Groups(List<Group> groups, boolean more) {}

    /** A page of them. @param place sorted as agreements are, or by {@code data.} and a column of their template */
    @Transactional(readOnly = true)
    public KeyedPage<AgreementViews.AgreementItem> list(
            AgreementsAsked asked, ListPlace place, List<ColumnKey> columns) {
        return lists.list(asked, place, columns);
    }

    /**
     * Their headings.
     *
     * @param by a column, {@link #MONTH}, {@link #TEMPLATE}, or nothing for all under one
     * @param sums columns whose numbers are added up
     * @param page of headings, from 0
     */
    @Transactional(readOnly = true)
    public Groups groups(AgreementsAsked asked, String by, List<ColumnKey> sums, int page) {
        return groups.of(asked, by, sums, page);
    }

    /** How many of a template's agreements aren't gone through yet since others became columns, up to a thousand. */
    @Transactional(readOnly = true)
    public int behind(UUID template) {
        return archived.countBehind(template);
    }

    /** The templates whose agreements have ended, with how many there are. */
    @Transactional(readOnly = true)
    public Map<UUID, Long> templates() {
        Map<UUID, Long> templates = new HashMap<>(archived.templates());
        templates.keySet().removeAll(sight.hidden());
        return templates;
    }

    /** An agreement that is complete. @param template that it was made from */
    public record Completed(UUID id, UUID template) {}

    /** Some that are complete, by their ids. @param after the last that was had before; empty for the first */
    @Transactional(readOnly = true)
    public List<Completed> completed(Optional<UUID> after, int most) {
        return archived.completed(after, most);
    }

    /** Some of a template that are complete, by their ids. @param after the last that was had before; empty for the first */
    @Transactional(readOnly = true)
    public List<UUID> completedOf(UUID template, Optional<UUID> after, int most) {
        return archived.completedOf(template, after, most);
    }

    /** An agreement in a file of many. @param raw what it has in each column, as it is stored */
    public record Line(AgreementViews.AgreementItem item, Map<ColumnKey, String> raw) {}

    /** The next of all of them in an order, so many as a page has, and where it goes on. */
    public record Lines(List<Line> lines, Optional<String> next) {}

    /** @param after the key of the last line before; empty for the first */
    @Transactional(readOnly = true)
    public Lines lines(AgreementsAsked asked, String sort, String after, List<ColumnKey> columns) {
        KeyedPage<UUID> found = finder.find(asked, ListPlace.of(sort, 0, after, ""));
        Map<UUID, Map<ColumnKey, String>> raw = archived.raw(found.items(), columns);
        Map<UUID, AgreementViews.AgreementItem> items = new HashMap<>();
        rows.findAllById(found.items()).forEach(row -> items.put(row.id(), AgreementViews.row(row)));
        List<Line> lines = new ArrayList<>();
        for (UUID id : found.items())
            if (items.containsKey(id)) lines.add(new Line(items.get(id), raw.getOrDefault(id, Map.of())));
        return new Lines(lines, Optional.ofNullable(found.next()));
    }
}
