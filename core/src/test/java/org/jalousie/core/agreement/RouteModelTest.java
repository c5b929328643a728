package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Holiday;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.Reminders;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.TextPlace;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Routes of any shape, with any people, rules, places and answers: nobody acts out of order, nobody acts twice, it ends, and
 * nobody is asked after the end, nor at night, nor twice on a day, nobody acts who hasn't shown who they are where that is asked
 * for, and no answer is looked at after too many wrong ones.
 */
class RouteModelTest {
    private static final ZoneId ZONE = ZoneId.of("America/New_York");
    private static final OfficeCalendar OFFICE = new OfficeCalendar(
            ZONE,
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            LocalTime.of(9, 0),
            LocalTime.of(17, 30),
            List.of(new Holiday(LocalDate.of(2026, 11, 26), "Thanksgiving", false)));

    private final List<Entry> history = new ArrayList<>();
    /** When each person was sent a mail that asks, by party. */
    private final Map<PartyKey, List<Instant>> chased = new HashMap<>();

    private final Map<Event.PersonChanged.Change, Integer> changes = new EnumMap<>(Event.PersonChanged.Change.class);
    private int skipped;
    private Random random;
    private Instant now;
    private Chasing chasing;

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void everyRouteIsGoneToItsEnd(int block) {
        Map<State, Integer> reached = new HashMap<>();
        int together = 0;
        int absent = 0;
        int locked = 0;
        for (int seed = block * 500; seed < (block + 1) * 500; seed++) {
            live(seed);
            Agreement end = agreement();
            reached.merge(end.state(), 1, Integer::sum);
            if (!end.absent().isEmpty()) absent++;
            if (history.stream().anyMatch(one -> one.event() instanceof Event.LetGoOn)) locked++;
            if (Together.all(end.acting()).size() < end.acting().size()) together++;
        }
        assertThat(reached).containsKeys(State.COMPLETED, State.DECLINED, State.EXPIRED);
        assertThat(together).as("routes with parts done in one act").isGreaterThan(30);
        assertThat(absent).as("routes with parts left out").isGreaterThan(60);
        assertThat(changes).containsKeys(Event.PersonChanged.Change.values());
        assertThat(skipped).as("parts that were skipped").isGreaterThan(5);
        assertThat(locked).as("routes on which the office let somebody go on").isGreaterThan(5);
    }

    private void live(int seed) {
        random = new Random(seed);
        history.clear();
        chased.clear();
        now = LocalDate.of(2026, 1, 1)
                .plusDays(random.nextInt(360))
                .atTime(random.nextInt(24), random.nextInt(60))
                .atZone(ZONE)
                .toInstant();
        chasing = new Chasing(terms(), OFFICE);
        List<Participant> parts = parts();
        history.add(Sample.created(now, parts.toArray(Participant[]::new)));
        take(new Command.Generate(
                agreement().revision(),
                Sample.document("w", "p", new Pages(List.of(new Pages.Size(595, 842)), places(parts)))));
        for (Participant one : parts) if (random.nextInt(8) > 0) take(new Command.AgreeWord(one.party()));
        Instant end = OFFICE.endAfter(now, 1 + random.nextInt(40));
        if (!take(new Command.Send(end, List.of(), history.size()))) return;
        for (int step = 0; step < 600 && !agreement().state().ended(); step++) step();
        assertThat(agreement().state().ended()).as("it ends").isTrue();
        afterTheEnd();
    }

    private ChasingTerms terms() {
        Reminders reminders = random.nextBoolean()
                ? Reminders.first(random.nextInt(6), random.nextInt(4))
                : new Reminders(List.of(1 + random.nextInt(4), 1 + random.nextInt(3)), 0);
        return new ChasingTerms(reminders, random.nextInt(4), random.nextBoolean());
    }

    private List<Participant> parts() {
        List<Participant> parts = new ArrayList<>();
        int many = 1 + random.nextInt(6);
        IdentityCheck[] checks = IdentityCheck.values();
        for (int i = 0; i < many; i++) {
            Duty duty = Duty.values()[random.nextInt(4)];
            boolean signs = i == 0 || duty == Duty.SIGNS;
            // who completes does so before all who sign
            int stage = duty == Duty.COMPLETES && !signs ? 1 + random.nextInt(2) : 3 + random.nextInt(3);
            int who = random.nextInt(4);
            boolean nobody = who == 3 && i > 0;
            parts.add(new Participant(
                    nobody
                            ? Person.NOBODY
                            : new Person("Person " + who, "p" + who + "@example.org", "+4477009001" + who + "0", ""),
                    new PartyKey("party" + i),
                    "Party " + i,
                    signs ? Duty.SIGNS : duty,
                    stage,
                    nobody || random.nextInt(4) == 0,
                    i > 0 && random.nextInt(6) == 0 ? "not needed" : "",
                    random.nextBoolean(),
                    false,
                    random.nextBoolean() ? IdentityCheck.NONE : checks[random.nextInt(checks.length)]));
        }
        return parts;
    }

    private List<PlacedField> places(List<Participant> parts) {
        List<PlacedField> places = new ArrayList<>();
        Set<PartyKey> without = Absence.before(parts).keySet();
        for (Participant one : parts) {
            String key = one.party().value();
            boolean passageLeftOut = !key.equals("party0") && random.nextInt(5) == 0;
            if (without.contains(one.party()) || passageLeftOut) continue;
            double y = 800 - places.size() * 45;
            if (one.duty() == Duty.SIGNS) places.add(Sample.placed(key + "_signature", key, new SignaturePlace(), y));
            if (one.duty() == Duty.COMPLETES) places.add(Sample.placed(key + "_note", key, TextPlace.USUAL, y));
        }
        return places;
    }

    /** Time goes on, jobs do their work, and somebody tries something, whether they may or not. */
    private void step() {
        now = now.plus(Duration.ofMinutes(random.nextInt(60 * 30)));
        Agreement seen = agreement();
        if (!seen.officeSealed())
            take(new Command.SealOffice(seen.revision(), Sample.revision("s" + history.size()), CertificateId.NONE));
        for (Participant one : seen.acting()) {
            if (seen.standing(one.party()) == Standing.SEALING)
                take(new Command.Seal(
                        agreement().revision(),
                        one.party(),
                        Sample.revision("s" + history.size()),
                        CertificateId.NONE));
        }
        if (agreement().state() == State.SEALING)
            take(new Command.Finish(agreement().revision(), Sample.revision("f"), Sample.file("r")));
        take(new Command.Tick(chasing));
        List<Participant> all = agreement().participants();
        PartyKey who = all.get(random.nextInt(all.size())).party();
        Map<String, String> answers = new HashMap<>();
        if (agreement().state() == State.OUT)
            agreement().together(who).parts().stream()
                    .filter(one -> one.duty() == Duty.COMPLETES)
                    .forEach(one -> answers.put(one.party() + "_note", "sound"));
        take(
                switch (random.nextInt(26)) {
                    case 0 -> new Command.View(who);
                    case 1, 2, 3 -> new Command.Consent(who, "en-1", Sample.file("consent"));
                    case 4, 5, 6, 7 -> new Command.Sign(who, answers, "drawn", Sample.file("m"));
                    case 8, 9 -> new Command.Complete(who, answers);
                    case 10, 11 -> new Command.Approve(who);
                    case 12 -> random.nextInt(12) == 0 ? new Command.Decline(who, "no") : new Command.View(who);
                    case 13, 14 -> new Command.AskForCode(who);
                    case 15, 16, 17 -> new Command.AnswerCheck(who, true);
                    case 18, 19 -> new Command.AnswerCheck(who, false);
                    case 20 -> afterGuesses(who);
                    case 21, 22, 23 -> byTheOffice(who);
                    default -> random.nextInt(12) == 0 ? new Command.AgreeWord(who) : new Command.Tick(chasing);
                });
    }

    /** The office, or who has the part, changes the route. */
    private Command byTheOffice(PartyKey who) {
        int number = random.nextInt(5);
        Person other = new Person("Person " + number, "p" + number + "@example.org", "+4477009001" + number + "0", "");
        return switch (random.nextInt(9)) {
            case 0 -> new Command.RenewLink(who);
            case 1 -> new Command.CorrectPerson(who, other);
            case 2 -> new Command.ReplacePerson(who, other);
            case 3 -> new Command.HandOver(who, other, "away", random.nextInt(5) > 0);
            case 4 -> new Command.SkipPart(who, "");
            case 5 -> {
                LocalDate last = LocalDate.ofInstant(now, ZONE).plusDays(random.nextInt(30) - 2);
                yield new Command.ChangeEnd(OFFICE.endOf(last), last);
            }
            case 6 -> new Command.ReportReturn(who, history.size(), "p" + number + "@example.org", "5.1.1", "");
            case 7 -> new Command.WithdrawConsent(who);
            default -> new Command.ChangeChasing(Reminders.first(random.nextInt(4), random.nextInt(3)), 1);
        };
    }

    /** Somebody guesses, and the office lets them go on. */
    private Command afterGuesses(PartyKey who) {
        for (int i = 0; i < 1 + random.nextInt(7); i++) take(new Command.AnswerCheck(who, false));
        return new Command.LetGoOn(who);
    }

    private boolean take(Command command) {
        if (!(Decider.decide(history, command, now) instanceof Decision.Accepted accepted)) return false;
        Optional<Agreement> before = history.isEmpty() ? Optional.empty() : Optional.of(agreement());
        for (Event event : accepted.events()) {
            before.ifPresent(then -> look(then, event));
            history.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event));
            if (event instanceof Event.PersonChanged one) nothingHolds(one);
        }
        return true;
    }

    /** The promises, one event at a time; {@code then} is the agreement before the command. */
    private void look(Agreement then, Event event) {
        assertThat(then.state().ended()).as(event + " after the end").isFalse();
        if (event instanceof Event.Signed one) acts(then, one.party(), Duty.SIGNS);
        if (event instanceof Event.Approved one) acts(then, one.party(), Duty.APPROVES);
        if (event instanceof Event.FieldsCompleted one) acts(then, one.party(), Duty.COMPLETES);
        if (event instanceof Event.ReminderSent one) chases(then, one.party());
        if (event instanceof Event.WarningSent one) chases(then, one.party());
        if (event instanceof Event.Viewed one)
            assertThat(then.identified(one.party())).isTrue();
        if (event instanceof Event.Declined one)
            assertThat(then.identified(one.party())).isTrue();
        if (event instanceof Event.IdentityShown one) checked(then, one.party());
        if (event instanceof Event.IdentityDoubted one) checked(then, one.party());
        if (event instanceof Event.CodeSent one) {
            checked(then, one.party());
            then.provingOf(one.party())
                    .nextCode()
                    .ifPresent(next -> assertThat(now).isAfterOrEqualTo(next));
        }
        if (event instanceof Event.PersonChanged one) {
            changes.merge(one.how(), 1, Integer::sum);
            assertThat(then.standing(one.party()))
                    .as("who has acted stays who they are")
                    .isIn(Standing.OPEN, Standing.TURN);
            then.together(one.party()).parts().forEach(part -> chased.remove(part.party()));
        }
        if (event instanceof Event.PartSkipped one) {
            skipped++;
            assertThat(then.participant(one.party()).orElseThrow().optional()).isTrue();
            assertThat(then.standing(one.party())).isIn(Standing.OPEN, Standing.TURN);
        }
        if (event instanceof Event.Invited one) {
            assertThat(then.absent()).doesNotContainKey(one.party());
            assertThat(then.standing(one.party())).isEqualTo(Standing.OPEN);
        }
    }

    /** What the one before has shown, read and agreed to is nothing that who has the part now has. */
    private void nothingHolds(Event.PersonChanged one) {
        Agreement now = agreement();
        assertThat(now.consents()).doesNotContainKey(one.party());
        assertThat(now.viewed()).doesNotContain(one.party());
        assertThat(now.undelivered()).doesNotContainKey(one.party());
        assertThat(now.linkHolds(one.party(), history.size() - 1)).isFalse();
        assertThat(now.linkHolds(one.party(), history.size())).isTrue();
        if (now.proving().containsKey(one.party()))
            assertThat(now.proving().get(one.party()).proven()).isEmpty();
    }

    private void checked(Agreement then, PartyKey party) {
        assertThat(then.standing(party)).as("only whose turn it is").isEqualTo(Standing.TURN);
        assertThat(then.provingOf(party).locked())
                .as("nothing is looked at any more")
                .isFalse();
        assertThat(then.identityCheck(party)).isNotEqualTo(IdentityCheck.NONE);
    }

    private void acts(Agreement then, PartyKey party, Duty duty) {
        Participant part = then.participant(party).orElseThrow();
        assertThat(part.duty()).isEqualTo(duty);
        assertThat(then.absent()).as("who takes no part").doesNotContainKey(party);
        assertThat(then.standing(party)).as("acts on its turn, and once").isEqualTo(Standing.TURN);
        assertThat(then.hasRunOut(now)).isFalse();
        assertThat(then.together(party).parts())
                .as("who they are is known")
                .anyMatch(one -> then.identified(one.party()));
        Set<PartyKey> own = new HashSet<>();
        then.together(party).parts().forEach(one -> own.add(one.party()));
        assertThat(then.acting().stream().filter(one -> one.stage() < part.stage() && !own.contains(one.party())))
                .as("all others of the stages before have acted")
                .allMatch(one -> then.standing(one.party()) == Standing.DONE);
        if (duty == Duty.SIGNS) assertThat(then.consents()).containsKey(party);
    }

    private void chases(Agreement then, PartyKey party) {
        assertThat(then.standing(party)).as("only who is waited for").isEqualTo(Standing.TURN);
        assertThat(OFFICE.isOpen(now))
                .as("in the office's hours: " + now.atZone(ZONE))
                .isTrue();
        Set<LocalDate> days = new HashSet<>();
        for (Participant one : then.together(party).parts())
            chased.getOrDefault(one.party(), List.of())
                    .forEach(at -> days.add(at.atZone(ZONE).toLocalDate()));
        assertThat(days)
                .as("once a day, and one mail for all parts of a person")
                .doesNotContain(now.atZone(ZONE).toLocalDate());
        assertThat(now)
                .as("not on the day of the invitation")
                .isAfter(then.turnSince(party).orElseThrow());
        chased.computeIfAbsent(party, key -> new ArrayList<>()).add(now);
    }

    private void afterTheEnd() {
        Agreement end = agreement();
        if (end.state() == State.COMPLETED)
            assertThat(end.acting()).allMatch(one -> end.standing(one.party()) == Standing.DONE);
        int length = history.size();
        for (Participant one : end.participants()) {
            now = now.plus(Duration.ofDays(1));
            for (Command late : List.of(
                    new Command.Tick(chasing),
                    new Command.Sign(one.party(), Map.of(), "drawn", Sample.file("m")),
                    new Command.Approve(one.party()),
                    new Command.Complete(one.party(), Map.of()),
                    new Command.Decline(one.party(), "no"),
                    new Command.AskForCode(one.party()),
                    new Command.AnswerCheck(one.party(), false),
                    new Command.AgreeWord(one.party()),
                    new Command.LetGoOn(one.party()),
                    new Command.RenewLink(one.party()),
                    new Command.CorrectPerson(one.party(), new Person("Late", "late@example.org")),
                    new Command.ReplacePerson(one.party(), new Person("Late", "late@example.org")),
                    new Command.HandOver(one.party(), new Person("Late", "late@example.org"), "", true),
                    new Command.SkipPart(one.party(), ""),
                    new Command.Remind(one.party()),
                    new Command.ReportReturn(one.party(), history.size(), one.mail(), "5.1.1", ""),
                    new Command.ChangeEnd(now.plus(Duration.ofDays(90)), LocalDate.ofInstant(now, ZONE)),
                    new Command.ChangeChasing(Reminders.NONE, 0),
                    new Command.WithdrawConsent(one.party()),
                    new Command.Seal(end.revision(), one.party(), Sample.revision("late"), CertificateId.NONE)))
                take(late);
        }
        assertThat(history).as("nothing comes after the end").hasSize(length);
    }

    private Agreement agreement() {
        return Agreement.of(history);
    }
}
