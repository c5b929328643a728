package org.jalousie.server.people;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.access.Role;

/** What is shown at the door. */
final class SignInViews {
    private SignInViews() {}

    /**
     * @param roles that they have now; none for who has to set a second factor up first
     * @param lacksFactor whether they have to
     * @param postroom whether mail can be read in the Postroom because it goes to the stand-in
     */
    record Session(
            String mail,
            String name,
            List<Role> roles,
            boolean lacksFactor,
            String office,
            String zone,
            boolean postroom) {}

    /** What somebody shows beside a password. */
    enum Factor {
        CODE,
        PASSKEY
    }

    /**
     * @param session who came in; null while more is to be shown
     * @param shows one of these more
     */
    record SignInStep(@Schema(types = {"object", "null"}) Session session, List<Factor> shows) {
        static SignInStep whole(Session session) {
            return new SignInStep(session, List.of());
        }
    }

    /**
     * How the door looks.
     *
     * @param provider what people's accounts elsewhere are called, by which they can sign in; empty for none
     * @param passkeys whether the address is one that a passkey can belong to
     */
    record DoorView(String office, String provider, boolean passkeys) {}
}
