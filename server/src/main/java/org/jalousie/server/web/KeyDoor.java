package org.jalousie.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import org.jalousie.core.programs.Scope;

/** Where programs come in, with a key or with a signature. */
public interface KeyDoor {
    /** Whether a request comes with one. */
    boolean knocks(HttpServletRequest request);

    /**
     * Who comes with a request.
     *
     * @throws org.jalousie.server.Refusal when the key or signature isn't known or doesn't hold
     */
    Entered open(HttpServletRequest request) throws IOException;

    /** A program that came in with one request. */
    interface Entered {
        Principal program();

        /** The request to go on with, its body looked at. */
        HttpServletRequest request();

        /**
         * What the program lacks for it; nothing when it may.
         *
         * @throws org.jalousie.server.Refusal when it may not for another reason: it asks too often, or reaches too far
         */
        List<Scope> lacks();

        /** It was answered. */
        void answered(int status, int milliseconds);
    }
}
