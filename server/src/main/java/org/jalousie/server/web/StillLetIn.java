package org.jalousie.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.security.core.Authentication;

/** Who somebody is and what they may at the moment of a request, whatever it was when they signed in. */
public interface StillLetIn {
    /** @param person who signed in; empty when they are let in no more */
    Optional<Authentication> now(Authentication person, HttpServletRequest request);
}
