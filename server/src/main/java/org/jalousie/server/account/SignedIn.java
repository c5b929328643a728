package org.jalousie.server.account;

import java.io.Serializable;
import java.security.Principal;
import org.jalousie.core.agreement.Actor;

/** The person who is signed in. */
public record SignedIn(String mail, String displayName, String role) implements Principal, Serializable {
    @Override
    public String getName() {
        return mail;
    }

    /** As who does something in an agreement. */
    public Actor.Coordinator actor() {
        return new Actor.Coordinator(mail, displayName);
    }
}
