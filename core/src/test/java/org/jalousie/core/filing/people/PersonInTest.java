package org.jalousie.core.filing.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PersonInTest {
    private static final Instant AT = Instant.parse("2027-03-01T09:00:00Z");
    private static final Person IDA = new Person("Ida Marsh", "Ida.Marsh@lender.example.org");
    private static final Person TOMAS = new Person("Tomas Vale", "tomas.vale@museum.example.org");
    private static final Person OTTO = new Person("Otto Reed", "otto.reed@lender.example.org");
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final PartyKey MUSEUM = new PartyKey("museum");
    private static final Actor OFFICE = new Actor.Coordinator("nora.quill@museum.example.org", "Nora Quill");

    private static Participant part(PartyKey key, Person person) {
        return new Participant(person, key, key.value(), Duty.SIGNS, 1);
    }

    private static Actor.Participant by(PartyKey party) {
        return new Actor.Participant(party, Actor.Proof.MAILED_LINK, "192.0.2.7, a browser");
    }

    private static List<Entry> history(Map<FieldName, String> data, List<Map.Entry<Actor, Event>> then) {
        List<Entry> all = new ArrayList<>();
        all.add(new Entry(
                1,
                AT,
                OFFICE,
                new Event.Created(
                        new AgreementNumber("A-2027-0001"),
                        "Loan",
                        "Loan",
                        1,
                        "R-2027-0001",
                        data,
                        List.of(part(LENDER, IDA), part(MUSEUM, TOMAS)),
                        "")));
        for (Map.Entry<Actor, Event> one : then)
            all.add(new Entry(all.size() + 1, AT.plusSeconds(all.size()), one.getKey(), one.getValue()));
        return all;
    }

    private static Event replaced(PartyKey party, Person person) {
        return new Event.PersonChanged(party, person, Event.PersonChanged.Change.REPLACED, "");
    }

    private static Optional<PersonIn> of(String who, List<Entry> history) {
        return PersonIn.of(history, new Who(who));
    }

    @Test
    void whoHasAPartIsFoundByNameOrAddressWhateverItsCase() {
        List<Entry> history =
                history(Map.of(new FieldName("lender_name"), "Ida Marsh", new FieldName("fee"), "EUR 5"), List.of());
        for (String who : List.of("ida.marsh@LENDER.example.org", "  Ida   Marsh ")) {
            PersonIn found = of(who, history).orElseThrow();
            assertThat(found.parts()).containsExactly(new PersonIn.Part(LENDER, "lender", IDA, true));
            assertThat(found.acts()).isEmpty();
            // by the name, too, though they were asked for by their address
            assertThat(found.data()).containsOnlyKeys(new FieldName("lender_name"));
        }
    }

    @Test
    void whatOthersDidIsNotTheirs() {
        Event opened = new Event.Viewed(LENDER);
        Event others = new Event.Viewed(MUSEUM);
        List<Entry> history = history(Map.of(), List.of(Map.entry(by(LENDER), opened), Map.entry(by(MUSEUM), others)));
        assertThat(of("Ida Marsh", history).orElseThrow().acts())
                .extracting(Entry::event)
                .containsExactly(opened);
        assertThat(of("Nora Quill", history).orElseThrow().acts()).hasSize(1);
        assertThat(of("nora.quill@museum.example.org", history).orElseThrow().takesPart())
                .isFalse();
    }

    @Test
    void ofWhoWasReplacedTheirTimeIsTheirsAndNothingAfterIt() {
        List<Entry> history = history(
                Map.of(),
                List.of(
                        Map.entry(by(LENDER), new Event.Viewed(LENDER)),
                        Map.entry(OFFICE, replaced(LENDER, OTTO)),
                        Map.entry(by(LENDER), new Event.Viewed(LENDER))));
        PersonIn before = of("Ida Marsh", history).orElseThrow();
        assertThat(before.parts()).containsExactly(new PersonIn.Part(LENDER, "lender", IDA, false));
        assertThat(before.acts()).extracting(Entry::sequence).containsExactly(2);
        PersonIn after = of("otto.reed@lender.example.org", history).orElseThrow();
        assertThat(after.parts()).containsExactly(new PersonIn.Part(LENDER, "lender", OTTO, true));
        assertThat(after.acts()).extracting(Entry::sequence).containsExactly(4);
    }

    @Test
    void whoIsOnlyNamedHasNoPart() {
        List<Entry> history = history(Map.of(new FieldName("courier"), "Brought by Uma Field, on foot"), List.of());
        PersonIn found = of("uma field", history).orElseThrow();
        assertThat(found.takesPart()).isFalse();
        assertThat(found.data()).containsOnlyKeys(new FieldName("courier"));
        assertThat(of("Uma Fielding", history)).isEmpty();
        assertThat(of("ma field", history)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "Ida Marsh, 'the lender, Ida Marsh.', true",
        "Ida Marsh, 'Ida  MARSH', true",
        "Ida Marsh, Ida Marshall, false",
        "Ida Marsh, Frida Marsh, false",
        "Ida Marsh, 'Ida Marshall and Ida Marsh', true",
        "a@x.example, 'bna@x.example', false",
        "a@x.example, '<a@x.example>', true",
        "李明, '借方 李明 ', true",
        "Ida Marsh, '', false"
    })
    void aNameStandsByItself(String who, String text, boolean is) {
        assertThat(new Who(who).isIn(text)).isEqualTo(is);
    }

    @Test
    void whatIsTooShortIsNobody() {
        assertThat(new Who(" ab ").isSomebody()).isFalse();
        assertThat(new Who(null).isSomebody()).isFalse();
        assertThat(new Who("x".repeat(201)).isSomebody()).isFalse();
        assertThat(new Who("abc").isSomebody()).isTrue();
        assertThat(new Who("").isIn("anything")).isFalse();
    }
}
