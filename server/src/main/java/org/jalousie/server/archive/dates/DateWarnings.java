package org.jalousie.server.archive.dates;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jalousie.core.filing.dates.KeyDate;
import org.jalousie.core.letters.DatesLetter;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Colleagues;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.postroom.RequestPost;
import org.jalousie.server.template.TemplateDates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Warns of days that come near: one mail to each person, however many days it tells of. */
@Service
class DateWarnings implements RequestPost.Writer {
    private static final int AT_ONCE = 2_000;

    /** Longer than any run of days on which nobody works. */
    private static final int LONGEST_PAUSE = 60;

    private final DateStore store;
    private final TemplateDates templates;
    private final Colleagues colleagues;
    private final OfficeHours hours;
    private final RequestPost post;
    private final TransactionTemplate transaction;
    private final Settings settings;
    private final Clock clock;

    DateWarnings(
            DateStore store,
            TemplateDates templates,
            Colleagues colleagues,
            OfficeHours hours,
            RequestPost post,
            TransactionTemplate transaction,
            Settings settings,
            Clock clock) {
        this.store = store;
        this.templates = templates;
        this.colleagues = colleagues;
        this.hours = hours;
        this.post = post;
        this.transaction = transaction;
        this.settings = settings;
        this.clock = clock;
    }

    /** Warns of all that is due now, if the office works. */
    void round() {
        OfficeCalendar calendar = hours.calendar();
        if (!calendar.isOpen(clock.instant())) return;
        LocalDate until = lastBeforeWork(calendar, today(calendar));
        while (Boolean.TRUE.equals(transaction.execute(status -> warn(until)))) {
            // until there is none left
        }
    }

    private LocalDate today(OfficeCalendar calendar) {
        return LocalDate.ofInstant(clock.instant(), calendar.zone());
    }

    /** What would be told on a day on which nobody works is told before it. */
    private static LocalDate lastBeforeWork(OfficeCalendar calendar, LocalDate today) {
        LocalDate last = today;
        for (int i = 0; i < LONGEST_PAUSE && !calendar.isWorkingDay(last.plusDays(1)); i++) last = last.plusDays(1);
        return last;
    }

    /** @return whether there may be more */
    private boolean warn(LocalDate until) {
        List<DateStore.Row> rows = store.toWarn(until, AT_ONCE);
        Map<UUID, TemplateDates.Chosen> chosen = new HashMap<>();
        Map<String, List<DateStore.Row>> mails = new TreeMap<>();
        Map<String, String> carers = new HashMap<>();
        for (DateStore.Row row : rows) {
            Optional<KeyDate> date =
                    chosen.computeIfAbsent(row.of().template(), templates::of).date(row.key());
            Optional<Integer> due = date.flatMap(one -> one.due(row.day(), until, row.warned()));
            Optional<Integer> warned = due.or(row::warned);
            store.warned(row, warned.orElse(null), date.flatMap(one -> one.warnsOn(row.day(), warned)));
            if (due.isPresent())
                for (String recipient :
                        recipients(date.get(), carers.computeIfAbsent(row.of().owner(), this::carer)))
                    mails.computeIfAbsent(recipient, one -> new ArrayList<>()).add(row);
        }
        mails.forEach((recipient, told) -> {
            UUID about = UUID.randomUUID();
            store.tells(about, told);
            post.queue(about, RequestLetter.About.DATES, recipient, DatesLetter.subject(told.size()));
        });
        return rows.size() == AT_ONCE;
    }

    /** Where nobody takes care of it, or who did has left, the office is told. */
    private String carer(String owner) {
        return colleagues
                .coordinator(owner)
                .map(Colleagues.Colleague::mail)
                .orElse(settings.office().mail());
    }

    /** Where a team has nobody any more, the office is told: a warning that nobody gets is none. */
    private Set<String> recipients(KeyDate date, String carer) {
        Set<String> all = new LinkedHashSet<>();
        if (date.owner()) all.add(carer.toLowerCase(Locale.ROOT));
        date.mails().forEach(one -> all.add(one.toLowerCase(Locale.ROOT)));
        for (UUID team : date.teams()) {
            List<String> people = colleagues.team(team);
            all.addAll(people.isEmpty() ? List.of(settings.office().mail().toLowerCase(Locale.ROOT)) : people);
        }
        return all;
    }

    @Override
    public boolean words(RequestLetter.About occasion) {
        return occasion == RequestLetter.About.DATES;
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<RequestPost.Written> write(UUID about, RequestLetter.About occasion, UUID mail) {
        List<DateStore.Row> told = store.toldBy(about);
        if (told.isEmpty()) return Optional.empty();
        LocalDate today = today(hours.calendar());
        DatesLetter letter = new DatesLetter(
                "",
                told.stream()
                        .limit(DatesLetter.MOST)
                        .map(row -> new DatesLetter.Coming(
                                row.day(),
                                row.day().toEpochDay() - today.toEpochDay(),
                                row.what(),
                                row.of().title(),
                                row.of().number()))
                        .toList(),
                Math.max(0, told.size() - DatesLetter.MOST),
                settings.office().name());
        return Optional.of(new RequestPost.Written("", letter.text(settings.address() + "/archive/dates"), List.of()));
    }
}
