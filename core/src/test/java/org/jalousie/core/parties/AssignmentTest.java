package org.jalousie.core.parties;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Named;
import org.junit.jupiter.api.Test;

class AssignmentTest {
    private static final List<Party> PARTIES = List.of(
            new Party(
                    new PartyKey("museum"),
                    "Museum",
                    Duty.SIGNS,
                    2,
                    new PersonSource.Fixed("Tomas Vale", "vale@museum.example.org")),
            new Party(
                    new PartyKey("lender"),
                    "Lender",
                    Duty.SIGNS,
                    1,
                    new PersonSource.FromFields(new FieldName("lender_name"), new FieldName("lender_mail"))),
            new Party(new PartyKey("head"), "Head", Duty.APPROVES, 1, new PersonSource.ChosenAtUse()));

    @Test
    void eachRoleFindsItsPersonAndTheyStandInOrder() {
        List<Participant> cast = Assignment.assign(
                PARTIES,
                new Assignment.Known(
                        Named.by(Map.of("lender_name", "Ida Marsh", "lender_mail", "ida@example.org")),
                        Map.of(new PartyKey("head"), new Person("Edwin Larch", "larch@example.org"))));
        assertThat(cast).extracting(Participant::name).containsExactly("Ida Marsh", "Edwin Larch", "Tomas Vale");
        assertThat(cast).extracting(Participant::stage).containsExactly(1, 1, 2);
    }

    @Test
    void aPersonNobodyNamedStaysBlankInsteadOfBeingGuessed() {
        assertThat(Assignment.assign(PARTIES, new Assignment.Known(Map.of(), Map.of())))
                .filteredOn(one -> !one.party().equals(new PartyKey("museum")))
                .allSatisfy(one -> {
                    assertThat(one.name()).isEmpty();
                    assertThat(one.mail()).isEmpty();
                });
    }

    @Test
    void aNameThatIsKeptInPartsIsWrittenOut() {
        Party lender = new Party(
                new PartyKey("lender"),
                "Lender",
                Duty.SIGNS,
                1,
                new PersonSource.FromFields(new FieldName("lender_name"), new FieldName("lender_mail")));
        assertThat(Assignment.assign(
                        List.of(lender),
                        new Assignment.Known(
                                Named.by(Map.of(
                                        "lender_name",
                                        "Penhallow;Rosamund;;Dr;",
                                        "lender_mail",
                                        "r@people.example.org")),
                                Map.of())))
                .extracting(Participant::name)
                .containsExactly("Dr Rosamund Penhallow");
    }
}
