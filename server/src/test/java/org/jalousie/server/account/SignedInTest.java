package org.jalousie.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ObjectInputStream;
import java.util.Base64;
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

    /** What a session of version 35 of the database holds: a record with one role as text. */
    private static final String EARLIER =
            "rO0ABXNyACRvcmcuamFsb3VzaWUuc2VydmVyLmFjY291bnQuU2lnbmVkSW4AAAAAAAAAAAIABEwAC2Rpc3BsYXlOYW1ldAASTGphdmEvbGFuZy9TdHJpbmc7TAAEbWFpbHEAfgABTAAHcHJvZ3JhbXQALkxvcmcvamFsb3VzaWUvc2VydmVyL2FjY291bnQvU2lnbmVkSW4kUHJvZ3JhbTtMAARyb2xlcQB+AAF4cHQAB0xvdSBLZXJ0ABpsb3Uua2VyQG11c2V1bS5leGFtcGxlLm9yZ3B0AAZSRUFERVI=";

    @Test
    void whoIsSignedInWhileTheProgramIsRenewedStaysSo() throws Exception {
        try (ObjectInputStream in = new ObjectInputStream(
                new ByteArrayInputStream(Base64.getDecoder().decode(EARLIER)))) {
            SignedIn earlier = (SignedIn) in.readObject();
            assertThat(earlier.mail()).isEqualTo("lou.ker@museum.example.org");
            // what they may is looked up for each request
            assertThat(earlier.roles()).isEmpty();
        }
    }
}
