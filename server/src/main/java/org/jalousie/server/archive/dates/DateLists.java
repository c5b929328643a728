package org.jalousie.server.archive.dates;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.dates.DateSource;
import org.jalousie.core.filing.dates.KeyDate;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.intake.Renewals;
import org.jalousie.server.template.TemplateDates;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Watched days as lists, and those of one agreement. */
@Service
public class DateLists {
    /** How many days ahead the office is reminded of a day without having asked for it. */
    private static final int NEAR = 30;

    private static final Set<String> ORDERS = Set.of("", "day", "-day");

    private final DateStore store;
    private final DateSearch search;
    private final WatchedDates dates;
    private final TemplateDates templates;
    private final UsableTemplates usable;
    private final Agreements agreements;
    private final Renewals renewals;

    DateLists(
            DateStore store,
            DateSearch search,
            WatchedDates dates,
            TemplateDates templates,
            UsableTemplates usable,
            Agreements agreements,
            Renewals renewals) {
        this.store = store;
        this.search = search;
        this.dates = dates;
        this.templates = templates;
        this.usable = usable;
        this.agreements = agreements;
        this.renewals = renewals;
    }

    /** A page of them: what is open by its day, the nearest first; what is dealt with the other way round. */
    @Transactional(readOnly = true)
    KeyedPage<DateViews.WatchedDate> list(DateSearch.Asked asked, ListPlace place) {
        if (!ORDERS.contains(place.sort())) throw Refusal.malformed(Message.of("list.sorted-by", "columns", "day"));
        boolean up = place.sort().isEmpty() ? asked.open() : place.sort().equals("day");
        return KeyedPage.of(
                search.list(asked, up != place.back(), place.row().map(DateLists::at), Page.SIZE + 1),
                place,
                search.count(asked, KeyedPage.MOST_COUNTED + 1),
                this::views,
                (row, at) -> new ListPlace.Row(at, row.id(), "day", row.day().toString()));
    }

    private static DateSearch.At at(ListPlace.Row row) {
        try {
            LocalDate day = LocalDate.parse(row.value());
            if (isSane(day)) return new DateSearch.At(day, row.id());
        } catch (DateTimeParseException e) {
            throw Refusal.malformed(Message.of("list.no-key"));
        }
        throw Refusal.malformed(Message.of("list.no-key"));
    }

    /** Whether it is a day that can be kept. */
    static boolean isSane(LocalDate day) {
        return day.getYear() >= 1 && day.getYear() <= 9999;
    }

    /** Those of a page, and where the next begins. */
    record Lines(List<DateViews.WatchedDate> lines, Optional<DateSearch.At> next) {}

    /** The next of all of them, for a file. */
    @Transactional(readOnly = true)
    Lines lines(DateSearch.Asked asked, Optional<DateSearch.At> after, int most) {
        List<DateStore.Row> found = search.list(asked, asked.open(), after, most);
        Optional<DateSearch.At> next = found.size() < most
                ? Optional.empty()
                : Optional.of(found.get(most - 1)).map(one -> new DateSearch.At(one.day(), one.id()));
        return new Lines(views(found), next);
    }

    /** A day that comes near. @param left how many days are left; less than nothing for one that is over */
    public record NearDate(
            UUID id, LocalDate day, long left, String what, AgreementNumber number, String title, String template) {}

    /** What nobody has dealt with and comes soon, or is over. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<NearDate> near(int most) {
        DateSearch.Asked asked =
                new DateSearch.Asked(true, null, null, null, dates.today().plusDays(NEAR), "");
        LocalDate today = dates.today();
        List<NearDate> found = search.list(asked, true, Optional.empty(), most).stream()
                .map(row -> new NearDate(
                        row.id(),
                        row.day(),
                        row.day().toEpochDay() - today.toEpochDay(),
                        row.what(),
                        number(row),
                        row.of().title(),
                        row.of().templateName()))
                .toList();
        int total = found.size() < most ? found.size() : search.count(asked, KeyedPage.MOST_COUNTED);
        return new Page<>(found, total, 0, most);
    }

    /** One. */
    @Transactional(readOnly = true)
    DateViews.WatchedDate view(DateStore.Row row) {
        return views(List.of(row)).get(0);
    }

    private List<DateViews.WatchedDate> views(List<DateStore.Row> rows) {
        LocalDate today = dates.today();
        Map<UUID, List<DateStore.Act>> acts =
                store.acts(rows.stream().map(DateStore.Row::id).toList());
        Map<AgreementNumber, List<DateViews.RenewalRequest>> renewing =
                renewalsOf(rows.stream().map(row -> number(row)).distinct().toList());
        return rows.stream()
                .map(row -> new DateViews.WatchedDate(
                        row.id(),
                        row.day(),
                        row.day().toEpochDay() - today.toEpochDay(),
                        row.what(),
                        row.kind(),
                        row.every(),
                        row.moved(),
                        row.state(),
                        number(row),
                        row.of().title(),
                        row.of().template(),
                        row.of().templateName(),
                        row.of().request(),
                        row.of().owner(),
                        row.of().ownerName(),
                        acts.getOrDefault(row.id(), List.of()).stream()
                                .map(one -> new DateViews.DateAct(
                                        DateViews.Done.valueOf(one.act()), one.day(), one.note(), one.by(), one.at()))
                                .toList(),
                        AgreementNumber.read(row.renewedBy()).orElse(null),
                        renewing.getOrDefault(number(row), List.of())))
                .toList();
    }

    private static AgreementNumber number(DateStore.Row row) {
        return new AgreementNumber(row.of().number());
    }

    /** What some agreements are renewed by, with how far that has come. */
    private Map<AgreementNumber, List<DateViews.RenewalRequest>> renewalsOf(List<AgreementNumber> numbers) {
        Map<AgreementNumber, List<Renewals.Renewal>> asked = renewals.of(numbers);
        Map<AgreementNumber, State> states = agreements.states(asked.values().stream()
                .flatMap(List::stream)
                .flatMap(one -> one.agreement().stream())
                .toList());
        Map<AgreementNumber, List<DateViews.RenewalRequest>> views = new HashMap<>();
        asked.forEach((number, all) -> views.put(
                number,
                all.stream()
                        .map(one -> new DateViews.RenewalRequest(
                                one.request(),
                                one.agreement().orElse(null),
                                one.agreement().map(states::get).orElse(null)))
                        .toList()));
        return views;
    }

    /** Those of an agreement. @throws Refusal unless there is one of this number that is complete */
    @Transactional(readOnly = true)
    DateViews.AgreementDates of(AgreementNumber number) {
        if (agreements.state(number) != State.COMPLETED) throw Refusal.conflict(Message.of("dates.not-complete"));
        UUID version = agreements.templateVersion(number);
        UUID template = usable.templateOf(version);
        String request = agreements.read(agreements.idOf(number)).created().request();
        List<DateStore.Row> rows = store.of(number);
        TemplateDates.Chosen chosen = templates.of(template);
        Set<String> known = rows.stream().map(DateStore.Row::key).collect(Collectors.toSet());
        return new DateViews.AgreementDates(
                views(rows),
                chosen.done() < chosen.edition()
                        ? List.of()
                        : chosen.dates().stream()
                                .filter(one -> !known.contains(one.key()))
                                .map(KeyDate::title)
                                .toList(),
                renewals.renewedBy(request).orElse(null),
                renewalsOf(List.of(number)).getOrDefault(number, List.of()),
                request,
                template,
                goesBy(
                        usable.version(version),
                        chosen.dates().stream().map(KeyDate::from).toList()));
    }

    /** The data that days go by, also by way of rules. */
    private static List<String> goesBy(UsableTemplate template, List<String> names) {
        Set<String> seen = new LinkedHashSet<>();
        Deque<String> left = new ArrayDeque<>(names);
        while (!left.isEmpty()) {
            String name = left.remove();
            if (seen.add(name)) left.addAll(template.rules().mentionedBy(name));
        }
        return template.content().fields().stream()
                .filter(field -> DateSource.isDay(field.type()))
                .map(field -> field.name().value())
                .filter(seen::contains)
                .toList();
    }

    /** Which days of a template's agreements are watched. */
    @Transactional(readOnly = true)
    DateViews.TemplateDatesView of(UUID template) {
        TemplateDates.Chosen chosen = templates.of(template);
        List<DateSource> sources = new ArrayList<>(templates.sources(template));
        Set<String> known = new HashSet<>(sources.stream().map(DateSource::name).toList());
        // what only earlier versions have
        chosen.dates().stream()
                .map(KeyDate::from)
                .filter(known::add)
                .forEach(name -> sources.add(new DateSource(name, name)));
        return new DateViews.TemplateDatesView(
                chosen.dates(), sources, chosen.edition(), chosen.done() == chosen.edition());
    }
}
