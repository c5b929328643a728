package org.jalousie.server.agreement;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Blank;
import org.jalousie.core.agreement.Chasing;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Readiness;
import org.jalousie.core.agreement.RouteCalendar;
import org.jalousie.core.agreement.State;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.web.RouteCalendarView;
import org.springframework.stereotype.Component;

/** Sends agreements: what stands in the way, until when they can be signed, and what goes out without anybody looking. */
@Component
class SendingDesk {
    private final AgreementLog log;
    private final OfficeHours hours;
    private final FinishedLayout layout;
    private final Settings settings;
    private final Clock clock;

    SendingDesk(AgreementLog log, OfficeHours hours, FinishedLayout layout, Settings settings, Clock clock) {
        this.log = log;
        this.hours = hours;
        this.layout = layout;
        this.settings = settings;
        this.clock = clock;
    }

    /** @param seen how many events the agreement had when whoever sends it looked at it; empty for as it is now */
    void send(UUID id, UsableTemplate template, Optional<Integer> seen, Actor by) {
        List<Entry> history = log.historyForChange(id);
        Agreement agreement = Agreement.of(history);
        int current = seen.orElse(agreement.length());
        if (current == agreement.length()) current += sentBy(id, template, history, by);
        Instant end = end(template, agreement);
        // the rules know of no office hours; all else that stands in the way they refuse themselves
        untimely(template, end).filter(fault -> clock.instant().isBefore(end)).ifPresent(fault -> {
            throw Refusal.conflict(Message.of("send.obstacle", "obstacle", fault));
        });
        log.carryOut(id, by, new Command.Send(end, blanks(template, agreement), current));
    }

    /** Who sends it has the parts that are whoever sends it. Returns how many that changed. */
    private int sentBy(UUID id, UsableTemplate template, List<Entry> history, Actor by) {
        Agreement agreement = Agreement.of(history);
        List<Participant> changed = Participants.ofWhoSends(
                template, agreement.participants(), history.get(0).actor(), by);
        for (Participant one : changed)
            log.carryOut(id, by, new Command.ChangeParticipant(one, agreement.title(), false));
        return changed.size();
    }

    /** Has it signed on paper by those who haven't signed yet. */
    void takeToPaper(UUID id, UsableTemplate template, Actor by) {
        List<Entry> history = log.historyForChange(id);
        Agreement agreement = Agreement.of(history);
        if (agreement.state() == State.CHECK) sentBy(id, template, history, by);
        log.carryOut(id, by, new Command.TakeToPaper(end(template, agreement), blanks(template, agreement)));
    }

    /**
     * Sends what may go without a check, right when it was made for the first time: what somebody has corrected since, they
     * want to see.
     */
    void sendAtOnce(UUID id, UsableTemplate template, List<Entry> history) {
        boolean first = history.stream()
                .allMatch(entry -> entry.event() instanceof Event.Created || entry.event() instanceof Event.Generated);
        if (template.content().sending().release() != SendingSettings.Release.AT_ONCE || !first) return;
        Agreement agreement = Agreement.of(history);
        if (!obstacles(template, agreement).isEmpty() || !warnings(agreement).isEmpty()) return;
        send(id, template, Optional.of(history.size()), Actor.PROGRAM);
    }

    /** What stands in the way of sending. */
    List<Readiness.InTheWay> obstacles(UsableTemplate template, Agreement agreement) {
        List<Readiness.InTheWay> obstacles =
                new ArrayList<>(Readiness.inTheWay(agreement, blanks(template, agreement)));
        untimely(template, end(template, agreement)).ifPresent(fault -> obstacles.add(elsewhere(fault)));
        if (settings.texts().host().isBlank()
                && agreement.present().stream().anyMatch(one -> one.identity() == IdentityCheck.TEXTED_CODE))
            obstacles.add(elsewhere(Message.of("send.no-text-service")));
        return obstacles;
    }

    private static Readiness.InTheWay elsewhere(Message said) {
        return new Readiness.InTheWay(said, Readiness.Settled.ELSEWHERE, "");
    }

    /** What looks like a slip and does not stand in the way. */
    List<Message> warnings(Agreement agreement) {
        List<Message> warnings = new ArrayList<>(Readiness.warnings(agreement));
        warnings.addAll(layout.warnings(agreement));
        return warnings;
    }

    /** Why an agreement with this end can't go out now; empty when it can. */
    private Optional<Message> untimely(UsableTemplate template, Instant end) {
        Instant now = clock.instant();
        if (!now.isBefore(end)) return Optional.of(Message.of("send.expiry-past"));
        Instant invited = new Chasing(template.content().sending().chasing(), hours.calendar()).invited(now);
        return invited.isBefore(end) ? Optional.empty() : Optional.of(Message.of("send.no-working-time"));
    }

    OfficeCalendar officeCalendar() {
        return hours.calendar();
    }

    /** What has happened and what will; an agreement that isn't sent yet is taken as sent at {@code start}, or now. */
    RouteCalendarView calendar(
            List<Entry> history, UsableTemplate template, Chasing chasing, int pace, Optional<LocalDateTime> start) {
        Instant now = clock.instant();
        Instant sent = RouteCalendarView.start(start, chasing.calendar(), now);
        Agreement agreement = Agreement.of(history);
        List<RouteCalendar.Moment> moments =
                agreement.expiresAt().isPresent() || agreement.state().ended()
                        ? RouteCalendar.of(history, chasing, pace, now)
                        : RouteCalendar.plan(planned(agreement), chasing, pace, sent, end(template, agreement, sent));
        return RouteCalendarView.of(moments, chasing.calendar(), now);
    }

    /** The route as it would be sent: those who have no part in it are left out already. */
    private static Event.Created planned(Agreement agreement) {
        Event.Created created = agreement.created();
        return new Event.Created(
                created.number(),
                agreement.title(),
                created.template(),
                created.templateVersion(),
                created.request(),
                agreement.data(),
                agreement.present());
    }

    private Instant end(UsableTemplate template, Agreement agreement) {
        return end(template, agreement, clock.instant());
    }

    private Instant end(UsableTemplate template, Agreement agreement, Instant sent) {
        SendingSettings sending = template.content().sending();
        Optional<LocalDate> agreed = Optional.of(agreement.data().getOrDefault(sending.expiresOn(), ""))
                .filter(day -> !day.isBlank())
                .map(LocalDate::parse);
        return sending.end(sent, agreed, hours.calendar());
    }

    /** Data that have to be there and are blank: what is required, and the date on which it ends. */
    private static List<Blank> blanks(UsableTemplate template, Agreement agreement) {
        return template.content().fields().stream()
                .filter(field -> field.required()
                        || field.name().equals(template.content().sending().expiresOn()))
                .filter(field -> agreement.data().getOrDefault(field.name(), "").isBlank())
                .map(field -> new Blank(field.name(), field.label()))
                .toList();
    }
}
