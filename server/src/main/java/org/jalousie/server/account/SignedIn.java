package org.jalousie.server.account;

import java.io.Serializable;
import java.security.Principal;

/** The person who is signed in. */
public record SignedIn(String mail, String displayName, String role) implements Principal, Serializable {
    @Override
    public String getName() {
        return mail;
    }
}
