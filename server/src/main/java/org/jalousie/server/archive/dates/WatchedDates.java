package org.jalousie.server.archive.dates;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.dates.DateSource;
import org.jalousie.core.filing.dates.KeyDate;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.intake.Renewals;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.template.TemplateDates;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Works out which days of a completed agreement are watched, by what its template says and its data come to. */
@Service
class WatchedDates {
    private final DateStore store;
    private final TemplateDates templates;
    private final UsableTemplates usable;
    private final Agreements agreements;
    private final Renewals renewals;
    private final OfficeHours hours;
    private final Clock clock;

    WatchedDates(
            DateStore store,
            TemplateDates templates,
            UsableTemplates usable,
            @Lazy Agreements agreements,
            Renewals renewals,
            OfficeHours hours,
            Clock clock) {
        this.store = store;
        this.templates = templates;
        this.usable = usable;
        this.agreements = agreements;
        this.renewals = renewals;
        this.hours = hours;
        this.clock = clock;
    }

    /** The day that it is in the office. */
    LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), zone());
    }

    private ZoneId zone() {
        return hours.calendar().zone();
    }

    /** An agreement that is read once more. */
    @Transactional
    void again(UUID id) {
        follow(id, agreements.history(id));
    }

    /** Brings the days of a completed agreement up to what its template says. */
    @Transactional(propagation = Propagation.MANDATORY)
    void follow(UUID id, List<Entry> history) {
        Agreement agreement = Agreement.of(history);
        if (agreement.state() != State.COMPLETED) return;
        UUID version = agreements.templateVersion(id);
        UUID template = usable.templateOf(version);
        List<KeyDate> chosen = templates.held(template).dates();
        // who takes care of the request stays so until its days have them
        DateStore.Watched of = watched(id, template, agreement);
        List<DateStore.Row> rows = store.heldOf(id);
        if (chosen.isEmpty() && rows.isEmpty()) return;
        Map<String, Value> values = values(version, history);
        for (KeyDate date : chosen) {
            List<DateStore.Row> own =
                    rows.stream().filter(row -> row.key().equals(date.key())).toList();
            if (own.isEmpty()) first(of, date, values, renewedBy(agreement));
            else own.forEach(row -> renew(row, date, values));
        }
        // what somebody has dealt with stays, whatever is watched now
        rows.stream()
                .filter(row -> row.open() || row.state() == DateStore.State.PAST)
                .filter(row -> chosen.stream().noneMatch(date -> date.key().equals(row.key())))
                .forEach(this::drop);
    }

    private DateStore.Watched watched(UUID id, UUID template, Agreement agreement) {
        Renewals.Care care = renewals.careOf(agreement.created().request());
        return new DateStore.Watched(
                id,
                template,
                agreement.created().number().value(),
                agreement.title(),
                agreement.created().template(),
                care.request(),
                care.mail(),
                care.name());
    }

    private void first(
            DateStore.Watched of, KeyDate date, Map<String, Value> values, Optional<AgreementNumber> renewedBy) {
        LocalDate today = today();
        int term = date.firstTerm(values, today);
        date.day(values, term)
                .ifPresent(day -> store.add(
                        of,
                        date,
                        term,
                        day,
                        renewedBy.isPresent() ? DateStore.State.RENEWED : stateOf(day, today),
                        renewedBy.map(AgreementNumber::value).orElse("")));
    }

    /** The completed agreement that has taken the place of one. */
    private Optional<AgreementNumber> renewedBy(Agreement agreement) {
        AgreementNumber number = agreement.created().number();
        List<AgreementNumber> by = renewals.of(List.of(number)).getOrDefault(number, List.of()).stream()
                .flatMap(one -> one.agreement().stream())
                .toList();
        Map<AgreementNumber, State> states = agreements.states(by);
        return by.stream().filter(one -> states.get(one) == State.COMPLETED).findFirst();
    }

    private static DateStore.State stateOf(LocalDate day, LocalDate today) {
        return day.isBefore(today) ? DateStore.State.PAST : DateStore.State.OPEN;
    }

    private void renew(DateStore.Row row, KeyDate date, Map<String, Value> values) {
        if (row.state() != DateStore.State.OPEN && row.state() != DateStore.State.PAST) return;
        if (row.moved()) {
            store.settle(row, date, row.day(), row.state(), true);
            return;
        }
        Optional<LocalDate> day = date.day(values, row.term());
        if (day.isEmpty()) drop(row);
        // a day that was open stays so when it is over: nobody has dealt with it
        else if (day.get().equals(row.day())) store.settle(row, date, row.day(), row.state(), false);
        else store.settle(row, date, day.get(), row.open() ? row.state() : stateOf(day.get(), today()), false);
    }

    /** It is watched no more. What somebody did about it isn't lost by that. */
    private void drop(DateStore.Row row) {
        if (!store.touched(row.id())) {
            store.remove(row.id());
        } else if (row.open()) {
            store.did(row.id(), new DateStore.Act("DROPPED", row.day(), "", "", clock.instant()));
            store.become(row.id(), DateStore.State.SETTLED, "");
        }
    }

    private Map<String, Value> values(UUID version, List<Entry> history) {
        UsableTemplate template = usable.version(version);
        Agreement agreement = Agreement.of(history);
        Map<String, Value> data = template.values(
                        agreement.data(),
                        LocalDate.ofInstant(history.get(0).at(), zone()),
                        agreement.created().number().value())
                .values();
        return DateSource.values(data, LocalDate.ofInstant(agreement.since(), zone()));
    }

    /** The next of those that come again is watched after one. Nothing where the template says no more that it does. */
    @Transactional(propagation = Propagation.MANDATORY)
    void next(DateStore.Row row) {
        Optional<KeyDate> date =
                templates.held(row.of().template()).date(row.key()).filter(KeyDate::comesAgain);
        if (date.isEmpty()) return;
        UUID id = row.of().agreement();
        Map<String, Value> values = values(agreements.templateVersion(id), agreements.history(id));
        int term = row.term() + 1;
        // one that was put on a later day than the next has taken its place
        while (date.get()
                .day(values, term)
                .filter(day -> !day.isAfter(row.day()))
                .isPresent()) term++;
        int next = term;
        date.get()
                .day(values, next)
                .ifPresent(day -> store.add(row.of(), date.get(), next, day, DateStore.State.OPEN, ""));
    }

    /** The agreements that a completed one takes the place of need nothing any more. */
    @Transactional(propagation = Propagation.MANDATORY)
    void renewed(Agreement by) {
        Optional<AgreementNumber> old =
                renewals.renewedBy(by.created().request()).flatMap(agreements::known);
        if (old.isEmpty()) return;
        String number = by.created().number().value();
        for (DateStore.Row row : store.heldOf(agreements.idOf(old.get()))) {
            if (!row.open()) continue;
            store.become(row.id(), DateStore.State.RENEWED, number);
            store.did(row.id(), new DateStore.Act("RENEWED", row.day(), "", "", clock.instant()));
        }
    }
}
