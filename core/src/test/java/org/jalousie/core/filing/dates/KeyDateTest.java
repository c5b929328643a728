package org.jalousie.core.filing.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.json.Json;
import org.jalousie.core.letters.DatesLetter;
import org.jalousie.core.rules.Rule;
import org.junit.jupiter.api.Test;

class KeyDateTest {
    private static KeyDate date(int shift, KeyDate.Unit unit, int every, Integer... warn) {
        return new KeyDate(
                "k", "Ends", KeyDate.Kind.END, "end", shift, unit, every, List.of(warn), true, List.of(), List.of());
    }

    private static Map<String, Value> ends(String day) {
        return Map.of("end", new Value.Day(LocalDate.parse(day)));
    }

    private static Optional<LocalDate> day(KeyDate date, String end, int term) {
        return date.day(ends(end), term);
    }

    @Test
    void aDayIsShiftedByTheCalendar() {
        assertThat(day(date(0, KeyDate.Unit.DAYS, 0), "2027-03-31", 0)).contains(LocalDate.of(2027, 3, 31));
        assertThat(day(date(-3, KeyDate.Unit.MONTHS, 0), "2027-05-31", 0)).contains(LocalDate.of(2027, 2, 28));
        assertThat(day(date(2, KeyDate.Unit.YEARS, 0), "2028-02-29", 0)).contains(LocalDate.of(2030, 2, 28));
        assertThat(day(date(-1, KeyDate.Unit.DAYS, 0), "2028-03-01", 0)).contains(LocalDate.of(2028, 2, 29));
        assertThat(day(date(9999, KeyDate.Unit.YEARS, 0), "2028-03-01", 0)).isEmpty();
        assertThat(day(date(-9999, KeyDate.Unit.YEARS, 0), "2028-03-01", 0)).isEmpty();
        assertThat(date(0, KeyDate.Unit.DAYS, 0).day(Map.of("end", new Value.Text("soon")), 0))
                .isEmpty();
        assertThat(date(0, KeyDate.Unit.DAYS, 0).day(Map.of(), 0)).isEmpty();
        // the day where it happens, not the server's
        assertThat(date(0, KeyDate.Unit.DAYS, 0)
                        .day(
                                Map.of(
                                        "end",
                                        new Value.Moment(
                                                ZonedDateTime.parse("2027-03-15T23:30+13:00[Pacific/Auckland]"))),
                                0))
                .contains(LocalDate.of(2027, 3, 15));
    }

    @Test
    void oneOfTheThirtyFirstStaysAtTheEndsOfMonths() {
        KeyDate monthly = date(0, KeyDate.Unit.DAYS, 1);
        assertThat(IntStream.range(0, 4)
                        .mapToObj(term -> day(monthly, "2027-01-31", term).orElseThrow()))
                .containsExactly(
                        LocalDate.of(2027, 1, 31),
                        LocalDate.of(2027, 2, 28),
                        LocalDate.of(2027, 3, 31),
                        LocalDate.of(2027, 4, 30));
        // notice is counted back from each term's own end
        assertThat(day(date(-1, KeyDate.Unit.MONTHS, 1), "2027-01-31", 2)).contains(LocalDate.of(2027, 2, 28));
    }

    @Test
    void ofThoseThatComeAgainTheFirstThatIsNotOverIsWatched() {
        KeyDate yearly = date(-1, KeyDate.Unit.MONTHS, 12);
        assertThat(yearly.firstTerm(ends("2020-06-15"), LocalDate.of(2027, 5, 15)))
                .isEqualTo(7);
        assertThat(yearly.firstTerm(ends("2020-06-15"), LocalDate.of(2027, 5, 16)))
                .isEqualTo(8);
        assertThat(yearly.firstTerm(ends("2030-06-15"), LocalDate.of(2027, 5, 16)))
                .isZero();
        assertThat(date(0, KeyDate.Unit.DAYS, 0).firstTerm(ends("2020-06-15"), LocalDate.of(2027, 5, 16)))
                .isZero();
        assertThat(yearly.firstTerm(ends("0001-06-15"), LocalDate.of(2027, 5, 16)))
                .isEqualTo(2026 + 1);
    }

    @Test
    void eachWarningGoesOnceAndOfSeveralTheLastAlone() {
        KeyDate date = date(0, KeyDate.Unit.DAYS, 0, 7, 90, 30);
        LocalDate day = LocalDate.of(2027, 6, 1);
        assertThat(date.warnsOn(day, Optional.empty())).contains(day.minusDays(90));
        assertThat(date.due(day, day.minusDays(91), Optional.empty())).isEmpty();
        assertThat(date.due(day, day.minusDays(90), Optional.empty())).contains(90);
        assertThat(date.due(day, day.minusDays(12), Optional.empty())).contains(30);
        assertThat(date.due(day, day.minusDays(12), Optional.of(30))).isEmpty();
        assertThat(date.due(day, day.minusDays(7), Optional.of(30))).contains(7);
        assertThat(date.due(day, day.plusDays(3), Optional.of(90))).contains(7);
        assertThat(date.warnsOn(day, Optional.of(30))).contains(day.minusDays(7));
        assertThat(date.warnsOn(day, Optional.of(7))).isEmpty();
        assertThat(date(0, KeyDate.Unit.DAYS, 0).due(day, day, Optional.empty()))
                .isEmpty();
    }

    @Test
    void whatIsWrongIsSaidAtItsPlace() {
        KeyDate wrong = new KeyDate(
                null,
                " ",
                null,
                null,
                10_000,
                null,
                -1,
                List.of(-1, 2, 3, 4, 5, 6, 7),
                false,
                List.of("nobody", " a@example.org "),
                List.of());
        assertThat(wrong.faults().keySet()).containsExactly("title", "from", "shift", "every", "warn", "mails");
        assertThat(wrong.faults().get("mails").toString()).contains("nobody");
        KeyDate nobody = new KeyDate(
                "",
                "Ends",
                KeyDate.Kind.END,
                "end",
                0,
                KeyDate.Unit.DAYS,
                0,
                List.of(3),
                false,
                List.of(" "),
                List.of());
        assertThat(nobody.faults()).containsOnlyKeys("mails");
        KeyDate team = new KeyDate(
                "",
                "Ends",
                KeyDate.Kind.END,
                "end",
                0,
                KeyDate.Unit.DAYS,
                0,
                List.of(3),
                false,
                List.of(),
                List.of(UUID.randomUUID()));
        assertThat(team.faults()).isEmpty();
        assertThat(date(0, KeyDate.Unit.DAYS, 12, 30).faults()).isEmpty();
        assertThat(date(Integer.MIN_VALUE, KeyDate.Unit.DAYS, 12, 30).faults()).containsOnlyKeys("shift");
    }

    @Test
    void oneThatWasKeptBeforeThereWereTeamsTellsNone() {
        KeyDate earlier = Json.MAPPER.readValue(
                "{\"key\":\"k\",\"title\":\"Ends\",\"kind\":\"END\",\"from\":\"end\",\"shift\":0,\"unit\":\"DAYS\",\"every\":0,"
                        + "\"warn\":[3],\"owner\":true,\"mails\":[]}",
                KeyDate.class);
        assertThat(earlier.teams()).isEmpty();
        assertThat(earlier.faults()).isEmpty();
    }

    @Test
    void itIsKeptAsItIs() {
        KeyDate date = date(-3, KeyDate.Unit.MONTHS, 12, 90, 30);
        assertThat(Json.MAPPER.readValue(Json.canonical(date), KeyDate.class)).isEqualTo(date);
    }

    @Test
    void daysOfDataRulesAndOfEveryAgreementCanBeGoneBy() {
        List<Field> fields = List.of(
                new Field(new FieldName("end"), FieldType.DATE, "End of the loan", true, "", List.of()),
                new Field(new FieldName("pickup"), FieldType.DATE_TIME, "", true, "", List.of()),
                new Field(new FieldName("value"), FieldType.MONEY, "Value", true, "", List.of()));
        List<Rule> rules = List.of(
                new Rule("notice_by", "Notice by", "", "end", FieldType.DATE),
                new Rule("each", "Each", "list", "end", FieldType.DATE),
                Rule.condition("abroad", "true"));
        assertThat(DateSource.of(fields, rules))
                .extracting(DateSource::name)
                .containsExactly("end", "pickup", "notice_by", "completed_on", "generated_on");
        Map<String, Value> own =
                DateSource.values(Map.of("completed_on", new Value.Day(LocalDate.EPOCH)), LocalDate.of(2027, 1, 1));
        assertThat(own.get("completed_on")).isEqualTo(new Value.Day(LocalDate.EPOCH));
    }

    @Test
    void aMailSaysWhatComesAndHowMuchIsNotToldInIt() {
        DatesLetter.Coming today =
                new DatesLetter.Coming(LocalDate.of(2027, 3, 1), 0, "Loan ends", "Loan of a lute", "A-1");
        DatesLetter.Coming over = new DatesLetter.Coming(LocalDate.of(2027, 2, 28), -1, "Notice by", "Loan", "A-2");
        String text = new DatesLetter("", List.of(over, today), 3, "Museum")
                .text("https://office.example.org/archive/dates")
                .plain();
        assertThat(text)
                .contains("These 5 dates of agreements come near")
                .contains("yesterday: Notice by. Loan (A-2)")
                .contains("today: Loan ends. Loan of a lute (A-1)")
                .contains("and 3 more.")
                .contains("https://office.example.org/archive/dates");
        assertThat(DatesLetter.subject(1)).isEqualTo("A date comes near");
    }
}
