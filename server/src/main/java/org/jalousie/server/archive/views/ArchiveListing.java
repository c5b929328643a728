package org.jalousie.server.archive.views;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.filing.columns.ArchiveColumn;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.AgreementsAsked;
import org.jalousie.server.agreement.EndedAgreements;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.template.TemplateColumns;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.springframework.stereotype.Service;

/** The archive as a list: by the columns of a template, or of all by what every agreement has. */
@Service
class ArchiveListing {
    private final EndedAgreements agreements;
    private final TemplateColumns columns;
    private final OfficeHours hours;

    ArchiveListing(EndedAgreements agreements, TemplateColumns columns, OfficeHours hours) {
        this.agreements = agreements;
        this.columns = columns;
        this.hours = hours;
    }

    /** Of the template that is asked for; none of all templates. */
    List<ArchiveColumn> columns(ArchiveQuery query) {
        return query.template() == null ? List.of() : columns.of(query.template());
    }

    /** A page of them, with what they have in the template's columns. */
    KeyedPage<AgreementViews.AgreementItem> list(ArchiveQuery query, ListPlace place) {
        List<ArchiveColumn> all = columns(query);
        requireOrder(place.sort(), all);
        return agreements.list(
                asked(query, all), place, all.stream().map(ArchiveColumn::key).toList());
    }

    AgreementsAsked asked(ArchiveQuery query, List<ArchiveColumn> all) {
        return query.asked(all, hours.calendar().zone());
    }

    static void requireOrder(String sort, List<ArchiveColumn> all) {
        int at = sort.indexOf("data.");
        if (at < 0 || at > 1) return;
        String name = sort.substring(at + "data.".length());
        if (all.stream().noneMatch(one -> one.key().value().equals(name)))
            throw Refusal.malformed(Message.of("archive.columns.none", "column", name));
    }

    /** What the numbers of a column come to. @param unit a currency (ISO 4217), or nothing */
    record SumView(ColumnKey column, String unit, String total) {}

    /**
     * Agreements of one heading.
     *
     * @param key by which the group is asked for
     * @param title as people know it; empty for those that have nothing there
     */
    record GroupView(String key, String title, long count, List<SumView> sums) {}

    /** @param more whether there is another page of them */
    record GroupsView(List<GroupView> groups, boolean more, GroupView all) {}

    /** The headings of a grouped list. @param by a column, {@code .ended}, {@code .template}, or nothing for all under one */
    GroupsView groups(ArchiveQuery query, String by, int page) {
        List<ArchiveColumn> all = columns(query);
        if (!by.isEmpty() && !by.equals(EndedAgreements.MONTH) && !by.equals(EndedAgreements.TEMPLATE))
            all.stream()
                    .filter(one -> one.key().value().equals(by) && one.kind().groups())
                    .findFirst()
                    .orElseThrow(() -> Refusal.malformed(Message.of("archive.no-group", "column", by)));
        if (page < 0) throw Refusal.malformed(Message.of("list.no-page", "page", page));
        AgreementsAsked asked = asked(query, all);
        List<ColumnKey> sums = all.stream()
                .filter(one -> one.kind().sums())
                .map(ArchiveColumn::key)
                .toList();
        GroupView whole = agreements.groups(asked, "", sums, 0).groups().stream()
                .findFirst()
                .map(one -> view(one, ""))
                .orElse(new GroupView("", "", 0, List.of()));
        if (by.isEmpty()) return new GroupsView(List.of(), false, whole);
        EndedAgreements.Groups found = agreements.groups(asked, by, sums, page);
        if (!by.equals(EndedAgreements.TEMPLATE))
            return new GroupsView(
                    found.groups().stream().map(one -> view(one, one.heading())).toList(), found.more(), whole);
        Map<UUID, String> names = columns.names(found.groups().stream()
                .map(one -> UUID.fromString(one.heading()))
                .toList());
        return new GroupsView(
                found.groups().stream()
                        .map(one -> view(one, names.getOrDefault(UUID.fromString(one.heading()), "")))
                        .sorted(Comparator.comparing(GroupView::title, String.CASE_INSENSITIVE_ORDER))
                        .toList(),
                found.more(),
                whole);
    }

    private static GroupView view(EndedAgreements.Group group, String title) {
        List<SumView> sums = new ArrayList<>();
        for (EndedAgreements.Sum sum : group.sums())
            sums.add(new SumView(sum.column(), sum.unit(), sum.total().toPlainString()));
        return new GroupView(group.heading(), title, group.count(), sums);
    }

    /** A template with agreements that have ended. */
    record FiledTemplate(UUID id, String name, long count) {}

    /** The templates by name. */
    List<FiledTemplate> templates() {
        Map<UUID, Long> counts = agreements.templates();
        Map<UUID, String> names = columns.names(counts.keySet());
        return counts.entrySet().stream()
                .map(one -> new FiledTemplate(
                        one.getKey(),
                        Optional.ofNullable(names.get(one.getKey())).orElse(""),
                        one.getValue()))
                .sorted(Comparator.comparing(FiledTemplate::name, String.CASE_INSENSITIVE_ORDER))
                .toList();
    }
}
