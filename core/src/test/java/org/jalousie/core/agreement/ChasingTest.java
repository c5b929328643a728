package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.agreement.Sample.created;
import static org.jalousie.core.agreement.Sample.party;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Holiday;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Reminders;
import org.junit.jupiter.api.Test;

/** When somebody is chased, worked by hand. The office is in London and works from eight to six, Monday to Friday. */
class ChasingTest {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final PartyKey MUSEUM = new PartyKey("museum");

    private final List<Entry> history = new ArrayList<>();
    private final List<String> mails = new ArrayList<>();

    private static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(LONDON).toInstant();
    }

    private static Chasing chasing(Reminders reminders, int warnDays, boolean invitationsInHours, Holiday... holidays) {
        OfficeCalendar usual = OfficeCalendar.usual(LONDON);
        return new Chasing(
                new ChasingTerms(reminders, warnDays, invitationsInHours),
                new OfficeCalendar(LONDON, usual.workingDays(), usual.opens(), usual.closes(), List.of(holidays)));
    }

    private void sent(String start, String lastDay) {
        history.add(created(at(start), party("lender", Duty.SIGNS, 1), party("museum", Duty.SIGNS, 2)));
        add(start, new Event.Generated(List.of()));
        add(
                start,
                new Event.Sent(LocalDate.parse(lastDay)
                        .plusDays(1)
                        .atStartOfDay(LONDON)
                        .toInstant()));
        add(start, new Event.OfficeSealed(List.of(), CertificateId.NONE));
        add(start, new Event.Invited(LENDER));
    }

    private void add(String at, Event event) {
        history.add(new Entry(history.size() + 1, at(at), Actor.PROGRAM, event));
    }

    /** Looks every quarter of an hour, as the program does every minute, and writes down what goes. */
    private List<String> until(Chasing chasing, String from, String until) {
        mails.clear();
        for (Instant now = at(from); now.isBefore(at(until)); now = now.plus(Duration.ofMinutes(15))) {
            Decision decision = Decider.decide(history, new Command.Tick(chasing), now);
            for (Event event : ((Decision.Accepted) decision).events()) {
                history.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event));
                mails.add(now.atZone(LONDON).toLocalDateTime() + " "
                        + event.getClass().getSimpleName());
            }
        }
        return mails;
    }

    @Test
    void theUsualTermsOverTheEndOfSummerTime() {
        sent("2026-10-20T10:00", "2026-11-19");
        assertThat(until(chasing(Reminders.first(5, 3), 1, false), "2026-10-20T10:00", "2026-11-21T00:00"))
                .containsExactly(
                        // five days are Sunday the 25th, on which the clock goes back
                        "2026-10-26T08:00 ReminderSent",
                        "2026-10-29T08:00 ReminderSent",
                        // three days are a Sunday
                        "2026-11-02T08:00 ReminderSent",
                        "2026-11-05T08:00 ReminderSent",
                        "2026-11-09T08:00 ReminderSent",
                        "2026-11-12T08:00 ReminderSent",
                        "2026-11-16T08:00 ReminderSent",
                        "2026-11-18T08:00 WarningSent",
                        "2026-11-20T00:00 Expired");
    }

    @Test
    void theSameOverTheBeginOfSummerTime() {
        sent("2026-03-26T10:00", "2026-04-02");
        assertThat(until(chasing(Reminders.first(2, 2), 0, false), "2026-03-26T10:00", "2026-04-04T00:00"))
                .containsExactly(
                        "2026-03-30T08:00 ReminderSent", "2026-04-01T08:00 ReminderSent", "2026-04-03T00:00 Expired");
    }

    @Test
    void gapsAndNoFurther() {
        sent("2026-11-23T09:30", "2027-01-29");
        assertThat(until(chasing(new Reminders(List.of(4, 2, 3), 0), 0, false), "2026-11-23T09:30", "2027-01-29T00:00"))
                .containsExactly(
                        "2026-11-27T09:30 ReminderSent",
                        "2026-11-30T08:00 ReminderSent",
                        "2026-12-03T08:00 ReminderSent");
    }

    @Test
    void aWarningGoesOnTheLastWorkingDayBefore() {
        // the last day is a Monday, the day before a Sunday
        sent("2026-11-18T09:00", "2026-11-30");
        assertThat(until(chasing(Reminders.NONE, 1, false), "2026-11-18T09:00", "2026-12-02T00:00"))
                .containsExactly("2026-11-27T08:00 WarningSent", "2026-12-01T00:00 Expired");
    }

    @Test
    void aWarningTakesTheReminderOfItsDayAlong() {
        sent("2026-11-23T09:00", "2026-11-27");
        assertThat(until(chasing(Reminders.first(3, 1), 1, false), "2026-11-23T09:00", "2026-11-28T00:00"))
                .containsExactly("2026-11-26T08:00 WarningSent", "2026-11-27T08:00 ReminderSent");
    }

    @Test
    void whoeverIsInvitedAfterTheWarningsTimeIsToldTheEndByTheInvitation() {
        sent("2026-11-23T09:00", "2026-11-27");
        Chasing chasing = chasing(Reminders.NONE, 1, false);
        assertThat(until(chasing, "2026-11-23T09:00", "2026-11-26T12:00")).hasSize(1);
        add("2026-11-26T12:00", new Event.Signed(LENDER, Map.of(), "drawn", Sample.file("m")));
        add("2026-11-26T12:01", new Event.Sealed(LENDER, List.of(), CertificateId.NONE));
        add("2026-11-26T12:01", new Event.Invited(MUSEUM));
        assertThat(until(chasing, "2026-11-26T12:01", "2026-11-28T00:00")).isEmpty();
    }

    @Test
    void nobodyIsRemindedAtNightAlsoWhenTheServerWasAway() {
        // invited at three in the night; reminders don't go at three
        sent("2026-11-24T03:00", "2026-12-24");
        Chasing chasing = chasing(Reminders.first(1, 1), 0, false);
        assertThat(until(chasing, "2026-11-24T03:00", "2026-11-27T00:00"))
                .containsExactly("2026-11-25T08:00 ReminderSent", "2026-11-26T08:00 ReminderSent");
        // due on Friday at eight, nobody looked until Saturday
        assertThat(until(chasing, "2026-11-28T02:00", "2026-11-30T12:00"))
                .containsExactly("2026-11-30T08:00 ReminderSent");
    }

    @Test
    void waitingIsCountedFromWhenAnInvitationGoes() {
        Holiday monday = new Holiday(LocalDate.of(2026, 11, 30), "St Andrew", true);
        sent("2026-11-27T19:00", "2026-12-24");
        Chasing chasing = chasing(Reminders.first(2, 0), 0, true, monday);
        assertThat(chasing.invited(at("2026-11-27T19:00"))).isEqualTo(at("2026-12-01T08:00"));
        assertThat(until(chasing, "2026-11-27T19:00", "2026-12-10T00:00"))
                .containsExactly("2026-12-03T08:00 ReminderSent");
    }

    @Test
    void noReminderComesAfterTheEndOrAfterTheAct() {
        sent("2026-11-23T09:00", "2026-11-28");
        Chasing chasing = chasing(Reminders.first(5, 1), 0, false);
        // five days are Saturday the 28th, the next working time is after the end
        assertThat(until(chasing, "2026-11-23T09:00", "2026-12-05T00:00")).containsExactly("2026-11-29T00:00 Expired");
        history.clear();
        sent("2026-11-23T09:00", "2026-12-24");
        add("2026-11-24T09:00", new Event.Signed(LENDER, Map.of(), "drawn", Sample.file("m")));
        assertThat(until(chasing, "2026-11-24T09:00", "2026-12-05T00:00")).isEmpty();
    }
}
