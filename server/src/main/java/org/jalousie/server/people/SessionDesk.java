package org.jalousie.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.Serializable;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.adapters.IdentityProvider;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;

/** Keeps in the session who is at the door, and who came in. */
@Component
class SessionDesk {
    /** How long somebody has for the second step. */
    static final Duration PATIENCE = Duration.ofMinutes(5);

    private static final Duration USUAL = Duration.ofHours(8);
    private static final int LONGEST_AGENT = 300;
    private static final String HALF = "jalousie.half";
    private static final String ASKED = "jalousie.asked";
    private static final String SECRET = "jalousie.secret";
    private static final Duration SLOW = Duration.ofMinutes(15);
    private static final String CHALLENGE = "jalousie.challenge";

    private final SecurityContextRepository contexts;
    private final Clock clock;

    SessionDesk(SecurityContextRepository contexts, Clock clock) {
        this.contexts = contexts;
        this.clock = clock;
    }

    /**
     * Somebody whose password was right and who shows more.
     *
     * @param passwordHash of the password that was right: another one, chosen meanwhile, ends this
     */
    record Half(String mail, String passwordHash, Instant until) implements Serializable {}

    /** What a passkey is to sign. */
    private record Challenge(byte[] bytes, Instant until) implements Serializable {}

    private record Secret(String text, Instant until) implements Serializable {}

    void half(HttpServletRequest request, Account account) {
        fresh(request)
                .setAttribute(
                        HALF,
                        new Half(
                                account.mail(),
                                account.passwordHash().orElse(""),
                                clock.instant().plus(PATIENCE)));
    }

    /** Whose password was right a moment ago. */
    Optional<Half> halfOf(HttpServletRequest request) {
        return Optional.ofNullable(request.getSession(false))
                .map(session -> (Half) session.getAttribute(HALF))
                .filter(half -> clock.instant().isBefore(half.until()));
    }

    void challenge(HttpServletRequest request, byte[] bytes) {
        begun(request)
                .setAttribute(CHALLENGE, new Challenge(bytes, clock.instant().plus(PATIENCE)));
    }

    /** What was to be signed, which holds once. */
    Optional<byte[]> takeChallenge(HttpServletRequest request) {
        Optional<Challenge> taken = Optional.ofNullable(request.getSession(false))
                .map(session -> {
                    Challenge one = (Challenge) session.getAttribute(CHALLENGE);
                    session.removeAttribute(CHALLENGE);
                    return one;
                });
        return taken.filter(one -> clock.instant().isBefore(one.until())).map(Challenge::bytes);
    }

    /** Somebody is sent to an identity provider. */
    void asked(HttpServletRequest request, IdentityProvider.Asked asked) {
        begun(request).setAttribute(ASKED, asked);
    }

    /** With what somebody was sent there, who comes back once. */
    Optional<IdentityProvider.Asked> takeAsked(HttpServletRequest request) {
        return Optional.ofNullable(request.getSession(false)).map(session -> {
            IdentityProvider.Asked asked = (IdentityProvider.Asked) session.getAttribute(ASKED);
            session.removeAttribute(ASKED);
            return asked;
        });
    }

    /** A secret that a device is being given. */
    void secret(HttpServletRequest request, String secret) {
        request.getSession()
                .setAttribute(SECRET, new Secret(secret, clock.instant().plus(SLOW)));
    }

    Optional<String> secret(HttpServletRequest request) {
        return Optional.ofNullable(request.getSession(false))
                .map(session -> (Secret) session.getAttribute(SECRET))
                .filter(one -> clock.instant().isBefore(one.until()))
                .map(Secret::text);
    }

    /** Who is in has shown more than before. */
    void shownMore(HttpServletRequest request, Entry.Way way) {
        HttpSession session = request.getSession();
        session.removeAttribute(SECRET);
        session.setAttribute(Entry.NAME, new Entry(request.getRemoteAddr(), agent(request), way, clock.instant()));
    }

    /** Lets somebody in: under a new session, whatever was there before. */
    void letIn(SignedIn person, Entry.Way way, HttpServletRequest request, HttpServletResponse response) {
        HttpSession session = fresh(request);
        session.setMaxInactiveInterval((int) USUAL.toSeconds());
        session.setAttribute(Entry.NAME, new Entry(request.getRemoteAddr(), agent(request), way, clock.instant()));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        // what they may is looked up for each request
        context.setAuthentication(new UsernamePasswordAuthenticationToken(person, null, List.of()));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }

    /** The one that there is: who is in stays so until somebody has shown more. */
    private static HttpSession begun(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session == null ? fresh(request) : session;
    }

    private static HttpSession fresh(HttpServletRequest request) {
        HttpSession before = request.getSession(false);
        if (before != null) before.invalidate();
        HttpSession session = request.getSession(true);
        session.setMaxInactiveInterval((int) PATIENCE.toSeconds());
        return session;
    }

    private static String agent(HttpServletRequest request) {
        String agent = Optional.ofNullable(request.getHeader("User-Agent")).orElse("");
        return agent.substring(0, Math.min(LONGEST_AGENT, agent.length()));
    }
}
