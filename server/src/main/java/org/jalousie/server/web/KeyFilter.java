package org.jalousie.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.Scope;
import org.jalousie.server.Refusal;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets a program in for one request. What comes with a key never acts for the person who may be signed in besides. Errors are
 * told as bearer tokens have them (RFC 6750 §3).
 */
final class KeyFilter extends OncePerRequestFilter {
    private final KeyDoor door;

    KeyFilter(KeyDoor door) {
        this.door = door;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !door.knocks(request);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        KeyDoor.Entered entered;
        try {
            entered = door.open(request);
        } catch (Refusal refusal) {
            if (refusal.kind() == Refusal.Kind.NOT_SIGNED_IN)
                response.setHeader("WWW-Authenticate", "Bearer error=\"invalid_token\"");
            ProblemBody.write(response, refusal);
            return;
        } catch (RequestLimits.TooLarge large) {
            ProblemBody.write(response, 413, RequestLimits.sentence(large.most));
            return;
        }
        long start = System.nanoTime();
        try {
            if (mayGoOn(entered, response)) goOn(entered, response, chain);
        } finally {
            entered.answered(response.getStatus(), (int) ((System.nanoTime() - start) / 1_000_000));
        }
    }

    private static boolean mayGoOn(KeyDoor.Entered entered, HttpServletResponse response) throws IOException {
        try {
            List<Scope> lacks = entered.lacks();
            if (lacks.isEmpty()) return true;
            String scopes = lacks.stream().map(Scope::toString).collect(Collectors.joining(" "));
            response.setHeader("WWW-Authenticate", "Bearer error=\"insufficient_scope\", scope=\"" + scopes + "\"");
            ProblemBody.write(response, 403, Message.of("key.scope", "scopes", scopes));
        } catch (Refusal refusal) {
            ProblemBody.write(response, refusal);
        }
        return false;
    }

    private static void goOn(KeyDoor.Entered entered, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(new UsernamePasswordAuthenticationToken(
                entered.program(),
                null,
                // what it may not do was looked at before
                List.of(new SimpleGrantedAuthority("ROLE_COORDINATOR"))));
        SecurityContextHolder.setContext(context);
        try {
            chain.doFilter(entered.request(), response);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }
}
