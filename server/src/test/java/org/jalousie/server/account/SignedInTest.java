package org.jalousie.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Set;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.core.agreement.Actor;
import org.jalousie.server.Refusal;
import org.junit.jupiter.api.Test;

class SignedInTest {
    private static final UUID FORM = UUID.randomUUID();

    private static SignedIn program(Set<UUID> forms) {
        return SignedIn.program("Collection", new SignedIn.Program(UUID.randomUUID(), "k1", "127.0.0.1", forms));
    }

    @Test
    void aProgramActsAsWhatItIsAlsoLater() {
        SignedIn program = program(Set.of());
        assertThat(program.actor()).isEqualTo(new Actor.OtherProgram("k1", "Collection", "127.0.0.1"));
        assertThat(SignedIn.actor(program.mail(), program.displayName()))
                .isEqualTo(new Actor.OtherProgram(
                        program.asProgram().orElseThrow().id().toString(), "Collection", ""));
        SignedIn person = new SignedIn("nora.quill@museum.example.org", "Nora Quill", Set.of(Role.COORDINATOR));
        assertThat(SignedIn.actor(person.mail(), person.displayName())).isEqualTo(person.actor());
        assertThat(person.asProgram()).isEmpty();
    }

    @Test
    void onlyALimitedProgramIsKeptFromForms() {
        new SignedIn("nora.quill@museum.example.org", "Nora Quill", Set.of(Role.COORDINATOR)).requireForm(FORM);
        program(Set.of()).requireForm(FORM);
        program(Set.of(FORM)).requireForm(FORM);
        assertThatThrownBy(() -> program(Set.of(UUID.randomUUID())).requireForm(FORM))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.kind()).isEqualTo(Refusal.Kind.NOT_ALLOWED));
    }
}
