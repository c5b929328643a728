package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.agreement.Sample.chasing;
import static org.jalousie.core.agreement.Sample.created;
import static org.jalousie.core.agreement.Sample.document;
import static org.jalousie.core.agreement.Sample.file;
import static org.jalousie.core.agreement.Sample.party;
import static org.jalousie.core.agreement.Sample.placed;
import static org.jalousie.core.agreement.Sample.revision;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jalousie.core.data.Named;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.TextPlace;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Random lives of agreements: people press what they may and may not, time jumps, and answers of jobs arrive late, twice or
 * after the end. After each command the promises of an agreement's life are looked at.
 */
class DeciderModelTest {
    private static final Instant START = Instant.parse("2026-11-23T09:00:00Z");
    private static final List<String> PARTIES = List.of("clerk", "head", "lender", "witness", "museum", "stranger");
    private static final Pages PAGES = new Pages(
            List.of(new Pages.Size(595, 842)),
            List.of(
                    placed("clerk_note", "clerk", TextPlace.USUAL, 700),
                    placed("lender_signature", "lender", new SignaturePlace(), 600),
                    placed("lender_vat", "lender", TextPlace.USUAL, 540),
                    placed("witness_signature", "witness", new SignaturePlace(), 480),
                    placed("museum_signature", "museum", new SignaturePlace(), 420)));

    private final List<Entry> history = new ArrayList<>();
    /** What jobs were asked for and have not answered yet, each with what it saw when it began. */
    private final List<Command> answers = new ArrayList<>();

    private Instant now = START;
    private int files;

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void everyLifeKeepsItsPromises(int block) {
        Map<State, Integer> reached = new HashMap<>();
        for (int seed = block * 400; seed < (block + 1) * 400; seed++) {
            live(new Random(seed));
            reached.merge(agreement().state(), 1, Integer::sum);
        }
        assertThat(reached).containsKeys(State.COMPLETED, State.DECLINED, State.WITHDRAWN, State.EXPIRED);
    }

    private void live(Random random) {
        history.clear();
        answers.clear();
        now = START;
        history.add(created(
                START,
                party("clerk", Duty.COMPLETES, 1),
                party("head", Duty.APPROVES, 2),
                party("lender", Duty.SIGNS, 3),
                party("witness", Duty.SIGNS, 3),
                party("museum", Duty.SIGNS, 4)));
        boolean diligent = random.nextInt(3) > 0;
        for (int step = 0; step < 120; step++) {
            if (random.nextInt(diligent ? 60 : 12) == 0) now = now.plus(Duration.ofDays(random.nextInt(20)));
            begin(random);
            step(!answers.isEmpty() && random.nextInt(3) == 0 ? answer(random) : wish(random, diligent));
        }
    }

    /** Jobs look at the agreement as it is now; their answers come some time later, and some come twice. */
    private void begin(Random random) {
        Agreement seen = agreement();
        if (seen.state() == State.GENERATING)
            answers.add(new Command.Generate(seen.revision(), document(madeOf(seen), "p" + ++files, PAGES)));
        if ((seen.state() == State.OUT || seen.state() == State.SEALING) && !seen.officeSealed())
            answers.add(new Command.SealOffice(seen.revision(), revision("p" + ++files), CertificateId.NONE));
        for (Participant one : seen.acting()) {
            if (seen.standing(one.party()) == Standing.SEALING)
                answers.add(
                        new Command.Seal(seen.revision(), one.party(), revision("p" + ++files), CertificateId.NONE));
        }
        if (seen.state() == State.SEALING)
            answers.add(new Command.Finish(seen.revision(), revision("p" + ++files), file("r")));
        while (answers.size() > 12) answers.remove(random.nextInt(answers.size()));
    }

    private Command answer(Random random) {
        int which = random.nextInt(answers.size());
        return random.nextInt(5) == 0 ? answers.get(which) : answers.remove(which);
    }

    private Command wish(Random random, boolean diligent) {
        PartyKey who = new PartyKey(PARTIES.get(random.nextInt(PARTIES.size())));
        List<Participant> turn = agreement().onTurn();
        if (!turn.isEmpty() && random.nextInt(3) > 0)
            who = turn.get(random.nextInt(turn.size())).party();
        boolean all = random.nextInt(4) > 0;
        Map<String, String> values = new HashMap<>();
        if (all && who.value().equals("clerk")) values.put("clerk_note", "sound");
        if (all && who.value().equals("lender")) values.put("lender_vat", "XX");
        if (random.nextInt(25) == 0) return ofDocuments(random);
        if (random.nextInt(agreement().onPaper() ? 4 : 40) == 0) return ofPaper(random);
        return switch (random.nextInt(diligent ? 11 : 13)) {
            case 0 ->
                new Command.CorrectData(
                        Named.by(Map.of("a", String.valueOf(random.nextInt(9)))),
                        agreement().participants(),
                        "Loan");
            case 1 ->
                new Command.ChangeParticipant(
                        party("lender", Duty.SIGNS, 3).with(new Person("L " + random.nextInt(9), "l@example.org")),
                        "Loan",
                        random.nextBoolean());
            case 2, 3 -> new Command.Send(now.plus(Duration.ofDays(30)), List.of(), history.size());
            case 4 -> new Command.Complete(who, values);
            case 5 -> new Command.Approve(who);
            case 6 -> new Command.Consent(who, "en-1", file("consent"));
            case 7, 8 -> new Command.Sign(who, values, "drawn", file("m"));
            case 9 -> new Command.Tick(chasing(5, 3));
            case 10 -> new Command.View(who);
            case 11 -> new Command.Decline(who, "no");
            default -> new Command.Withdraw("no");
        };
    }

    private Command ofPaper(Random random) {
        return switch (random.nextInt(4)) {
            case 0 -> new Command.TakeToPaper(now.plus(Duration.ofDays(30)), List.of());
            case 1 -> new Command.LeavePaper();
            default ->
                new Command.SignOnPaper(
                        history.size() - random.nextInt(2),
                        revision("p" + ++files),
                        List.of(),
                        "by post",
                        LocalDate.of(2026, 12, 1),
                        0,
                        "");
        };
    }

    private Command ofDocuments(Random random) {
        DocumentId id = new DocumentId("own_" + random.nextInt(3));
        return switch (random.nextInt(6)) {
            case 0 -> new Command.TakeOutDocument(id);
            case 1 -> new Command.TakePlace(id, "lender_initials");
            case 5 ->
                new Command.ChangeWording(
                        agreement().revision() - random.nextInt(2),
                        DocumentId.WORDING,
                        AddedDocumentsTest.changed(random.nextInt(3)));
            case 2 ->
                new Command.GivePlace(
                        id, new GivenPlace(AddedDocumentsTest.INITIALS, new Spot.Open()), random.nextBoolean());
            case 3 ->
                new Command.BringFinished(
                        new AddedDocument(id, "Own", Document.Kind.FIXED, file("own"), file("brought")),
                        List.of(new GivenPlace(AddedDocumentsTest.INITIALS, new Spot.Open())));
            default ->
                new Command.BringDocument(
                        new AddedDocument(id, "Own", Document.Kind.FIXED, file("own"), file("brought")));
        };
    }

    private void step(Command command) {
        Agreement before = agreement();
        boolean over = before.state().ended()
                || before.state() == State.OUT
                        && !now.isBefore(before.expiresAt().orElseThrow());
        if (!(Decider.decide(history, command, now) instanceof Decision.Accepted accepted)) return;
        if (command instanceof Command.Tick tick)
            assertThat(accepted.events().isEmpty())
                    .as("nothing happens by itself before it is due")
                    .isEqualTo(tick.chasing()
                            .next(before, now)
                            .filter(due -> !now.isBefore(due.at()))
                            .isEmpty());
        for (Event event : accepted.events()) {
            Agreement then = agreement();
            if (before.state().ended()) throw new AssertionError(event + " after " + before.state());
            if (over)
                assertThat(event)
                        .as("after the time ran out")
                        .isInstanceOfAny(Event.Expired.class, Event.Withdrawn.class);
            if (command instanceof Command.OfDocuments)
                assertThat(before.state()).as("documents before sending only").isIn(State.CHECK, State.GENERATING);
            if (event instanceof Event.Invited invited) invited(then, invited.party());
            if (then.onPaper())
                assertThat(event)
                        .as("while it lies on paper")
                        .isInstanceOfAny(
                                Event.BackFromPaper.class,
                                Event.SignedOnPaper.class,
                                Event.Withdrawn.class,
                                Event.Expired.class);
            if (event instanceof Event.SignedOnPaper signed)
                assertThat(signed.parties())
                        .as("nobody's approval comes by paper")
                        .doesNotContain(new PartyKey("head"));
            history.add(new Entry(history.size() + 1, now, Actor.PROGRAM, event));
        }
        promises(agreement());
    }

    private static void invited(Agreement then, PartyKey party) {
        int stage = then.participant(party).orElseThrow().stage();
        assertThat(then.officeSealed()).isTrue();
        assertThat(then.acting().stream().filter(one -> one.stage() < stage))
                .allMatch(one -> then.standing(one.party()) == Standing.DONE);
        assertThat(then.standing(party)).isEqualTo(Standing.OPEN);
    }

    private void promises(Agreement now) {
        if (now.state() == State.CHECK)
            assertThat(now.documents().get(0).word())
                    .as("the document is made from the data that are shown")
                    .contains(file(madeOf(now)));
        for (Participant one : now.acting()) {
            boolean acted = now.standing(one.party()) == Standing.DONE && !byHand(now, one.party());
            if (acted && one.duty() == Duty.SIGNS) assertThat(now.consents()).containsKey(one.party());
        }
        if (now.state() != State.COMPLETED) return;
        assertThat(now.acting()).allMatch(one -> now.standing(one.party()) == Standing.DONE);
        for (PlacedField placed : now.fields()) {
            if (placed.field().asked() && !byHand(now, placed.field().party()))
                assertThat(now.values().getOrDefault(placed.field().name(), "")).isNotBlank();
        }
    }

    private static boolean byHand(Agreement now, PartyKey party) {
        return now.paper()
                .flatMap(OnPaper::signed)
                .filter(signed -> signed.parties().contains(party))
                .isPresent();
    }

    private String madeOf(Agreement agreement) {
        return agreement.data().toString();
    }

    private Agreement agreement() {
        return Agreement.of(history);
    }
}
