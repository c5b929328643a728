package org.jalousie.core.agreement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.agreement.Sample.created;
import static org.jalousie.core.agreement.Sample.document;
import static org.jalousie.core.agreement.Sample.party;
import static org.jalousie.core.agreement.Sample.placed;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SignaturePlace;
import org.junit.jupiter.api.Test;

class AbsenceTest {
    private static final Instant NOW = Instant.parse("2026-11-26T09:00:00Z");
    private static final PartyKey WITNESS = new PartyKey("witness");

    private static Participant witness(String name, boolean optional, String leftOutBy) {
        Person person = name.isEmpty() ? Person.NOBODY : new Person(name, name + "@example.org");
        return new Participant(
                person, WITNESS, "Witness", Duty.SIGNS, 1, optional, leftOutBy, false, false, IdentityCheck.NONE);
    }

    /** An agreement that was made, with a place for each party that is named. */
    private static List<Entry> made(List<String> placed, Participant... parts) {
        List<PlacedField> places = placed.stream()
                .map(key -> placed(key + "_signature", key, new SignaturePlace(), 100))
                .toList();
        Pages pages = new Pages(List.of(new Pages.Size(595, 842)), places);
        List<Entry> history = new ArrayList<>(List.of(created(NOW, parts)));
        history.add(new Entry(2, NOW, Actor.PROGRAM, new Event.Generated(document("w", "p", pages))));
        return history;
    }

    private static Map<PartyKey, Absence> absent(List<Entry> history) {
        return Agreement.of(history).absent();
    }

    @Test
    void aSignerWithoutAPlaceTakesNoPartAndAnApproverNeedsNone() {
        assertThat(absent(made(List.of("lender"), witness("Wim", false, ""), party("lender", Duty.SIGNS, 2))))
                .containsExactly(Map.entry(WITNESS, Absence.NO_PLACE));
        assertThat(absent(made(List.of("lender"), party("head", Duty.APPROVES, 1), party("lender", Duty.SIGNS, 2))))
                .isEmpty();
    }

    @Test
    void anOptionalPartThatNobodyFillsIsLeftOutAndOneThatSomebodyFillsIsNot() {
        List<String> both = List.of("lender", "witness");
        Participant lender = party("lender", Duty.SIGNS, 2);
        assertThat(absent(made(both, witness("", true, ""), lender)))
                .containsExactly(Map.entry(WITNESS, Absence.NOBODY));
        assertThat(absent(made(both, witness("Wim", true, ""), lender))).isEmpty();
        List<Entry> nobody = made(both, witness("", false, ""), lender);
        assertThat(absent(nobody)).isEmpty();
        assertThat(Readiness.obstacles(Agreement.of(nobody), List.of()))
                .extracting(Object::toString)
                .anyMatch(said -> said.contains("Witness has no name yet"));
    }

    @Test
    void aRuleLeavesOutWhoeverItIsAndTheCheckSaysWhichRule() {
        List<Entry> history = made(
                List.of("lender", "witness"),
                witness("Wim", false, "The value is high"),
                party("lender", Duty.SIGNS, 2));
        Agreement agreement = Agreement.of(history);
        assertThat(agreement.absent()).containsExactly(Map.entry(WITNESS, Absence.RULE));
        assertThat(agreement.acting()).extracting(Participant::party).containsExactly(new PartyKey("lender"));
        assertThat(Readiness.absences(agreement))
                .extracting(Object::toString)
                .containsExactly("Witness takes no part, since this doesn’t hold: The value is high");
    }

    @Test
    void whoIsLeftOutIsSettledAtSendingAndWasNobodyBeforeThereWereThese() {
        List<Entry> history = made(List.of("lender"), witness("Wim", false, ""), party("lender", Duty.SIGNS, 2));
        Decision sent = Decider.decide(history, new Command.Send(NOW.plusSeconds(9000), List.of(), 2), NOW);
        assertThat(((Decision.Accepted) sent).events())
                .containsExactly(new Event.Sent(NOW.plusSeconds(9000), Map.of(WITNESS, Absence.NO_PLACE)));
        history.add(new Entry(3, NOW, Actor.PROGRAM, new Event.Sent(NOW.plusSeconds(9000))));
        assertThat(absent(history)).isEmpty();
    }

    @Test
    void onePersonForBothSidesIsPointedOut() {
        Person ida = new Person("Ida", "ida@example.org");
        Participant house = new Participant(
                ida, new PartyKey("museum"), "Museum", Duty.SIGNS, 2, false, "", true, false, IdentityCheck.NONE);
        Participant lender = party("lender", Duty.SIGNS, 1).with(ida);
        List<Entry> history = made(List.of("lender", "museum"), lender, house);
        assertThat(Readiness.warnings(Agreement.of(history)))
                .extracting(Object::toString)
                .containsExactly("Ida would sign for both sides: as lender and as Museum. Check that this is meant.");
        assertThat(Readiness.obstacles(Agreement.of(history), List.of()))
                .noneMatch(one -> one.toString().contains("both"));
    }
}
