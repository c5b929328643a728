package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.agreement.Sample.created;
import static org.jalousie.core.agreement.Sample.party;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.Reminders;
import org.junit.jupiter.api.Test;

/** Calendars worked by hand, of an office in Berlin that works from eight to six, Monday to Friday. */
class RouteCalendarTest {
    private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");
    private static final Chasing CHASING =
            new Chasing(new ChasingTerms(Reminders.first(5, 3), 1, false), OfficeCalendar.usual(BERLIN));

    private static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(BERLIN).toInstant();
    }

    private static List<String> said(List<RouteCalendar.Moment> moments) {
        return moments.stream()
                .map(one -> one.at().atZone(BERLIN).toLocalDateTime() + " " + one.kind()
                        + one.parties().stream().map(party -> " " + party).collect(Collectors.joining())
                        + (one.happened() ? " (happened)" : ""))
                .toList();
    }

    private static Event.Created route(Participant... parts) {
        return (Event.Created) created(Instant.EPOCH, parts).event();
    }

    @Test
    void whatComesIfEverybodyTakesThreeDaysOverTheEndOfSummerTime() {
        Event.Created route = route(
                party("clerk", Duty.COMPLETES, 1),
                party("lender", Duty.SIGNS, 2),
                party("witness", Duty.SIGNS, 2),
                party("museum", Duty.SIGNS, 3),
                party("archive", Duty.RECEIVES_COPY, 3));
        assertThat(said(RouteCalendar.plan(route, CHASING, 3, at("2026-10-23T09:00"), at("2026-11-23T00:00"))))
                .containsExactly(
                        "2026-10-23T09:00 SENT",
                        "2026-10-23T09:00 INVITATION clerk",
                        "2026-10-26T09:00 ACT clerk",
                        "2026-10-26T09:00 INVITATION lender",
                        "2026-10-26T09:00 INVITATION witness",
                        "2026-10-29T09:00 ACT lender",
                        "2026-10-29T09:00 ACT witness",
                        "2026-10-29T09:00 INVITATION museum",
                        "2026-11-01T09:00 ACT museum",
                        "2026-11-01T09:00 COMPLETION");
    }

    @Test
    void whatComesIfNobodyAnswers() {
        Event.Created route = route(party("lender", Duty.SIGNS, 1), party("museum", Duty.SIGNS, 2));
        assertThat(said(RouteCalendar.plan(route, CHASING, 0, at("2026-11-26T14:00"), at("2026-12-12T00:00"))))
                .containsExactly(
                        "2026-11-26T14:00 SENT",
                        "2026-11-26T14:00 INVITATION lender",
                        "2026-12-01T14:00 REMINDER lender",
                        "2026-12-04T14:00 REMINDER lender",
                        "2026-12-07T14:00 REMINDER lender",
                        "2026-12-10T08:00 WARNING lender",
                        "2026-12-12T00:00 EXPIRY");
    }

    @Test
    void partsOfOnePersonAreOneMailAndOneAct() {
        Person ida = new Person("Ida", "ida@example.org");
        Event.Created route = route(
                party("clerk", Duty.COMPLETES, 1).with(ida),
                party("lender", Duty.SIGNS, 2).with(ida),
                party("museum", Duty.SIGNS, 3));
        assertThat(said(RouteCalendar.plan(route, CHASING, 2, at("2026-11-23T09:00"), at("2026-12-12T00:00"))))
                .containsExactly(
                        "2026-11-23T09:00 SENT",
                        "2026-11-23T09:00 INVITATION clerk lender",
                        "2026-11-25T09:00 ACT clerk lender",
                        "2026-11-25T09:00 INVITATION museum",
                        "2026-11-27T09:00 ACT museum",
                        "2026-11-27T09:00 COMPLETION");
    }

    @Test
    void whatHasHappenedStandsBeforeWhatComes() {
        List<Entry> history = new ArrayList<>();
        history.add(created(at("2026-11-23T09:00"), party("lender", Duty.SIGNS, 1), party("museum", Duty.SIGNS, 2)));
        add(history, "2026-11-23T09:00", new Event.Generated(List.of()));
        add(history, "2026-11-23T10:00", new Event.Sent(at("2026-12-05T00:00")));
        add(history, "2026-11-23T10:01", new Event.OfficeSealed(List.of(), CertificateId.NONE));
        add(history, "2026-11-23T10:01", new Event.Invited(new PartyKey("lender")));
        add(history, "2026-11-24T11:30", new Event.Signed(new PartyKey("lender"), Map.of(), "drawn", Sample.file("m")));
        assertThat(said(RouteCalendar.of(history, CHASING, 4, at("2026-11-24T12:00"))))
                .containsExactly(
                        "2026-11-23T10:00 SENT (happened)",
                        "2026-11-23T10:01 INVITATION lender (happened)",
                        "2026-11-24T11:30 ACT lender (happened)",
                        "2026-11-24T12:00 INVITATION museum",
                        "2026-11-28T12:00 ACT museum",
                        "2026-11-28T12:00 COMPLETION");
        add(history, "2026-11-24T13:00", new Event.Withdrawn("no"));
        assertThat(said(RouteCalendar.of(history, CHASING, 4, at("2026-11-25T12:00"))))
                .endsWith("2026-11-24T11:30 ACT lender (happened)", "2026-11-24T13:00 WITHDRAWN (happened)");
    }

    @Test
    void aRouteOfNobodyEndsWithItsTimeAndOneThatIsntSentHasNoCalendar() {
        assertThat(said(RouteCalendar.plan(
                        route(party("archive", Duty.RECEIVES_COPY, 1)),
                        CHASING,
                        1,
                        at("2026-11-23T09:00"),
                        at("2026-12-05T00:00"))))
                .containsExactly("2026-11-23T09:00 SENT", "2026-12-05T00:00 EXPIRY");
        assertThat(RouteCalendar.of(
                        List.of(created(at("2026-11-23T09:00"), party("lender", Duty.SIGNS, 1))),
                        CHASING,
                        1,
                        at("2026-11-23T10:00")))
                .isEmpty();
    }

    private static void add(List<Entry> history, String at, Event event) {
        history.add(new Entry(history.size() + 1, at(at), Actor.PROGRAM, event));
    }
}
