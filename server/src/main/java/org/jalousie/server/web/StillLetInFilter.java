package org.jalousie.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Goes by what a person may now: a role that was taken or an account that was closed counts from the next request on. */
final class StillLetInFilter extends OncePerRequestFilter {
    private final ObjectProvider<StillLetIn> people;

    StillLetInFilter(ObjectProvider<StillLetIn> people) {
        this.people = people;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication before = SecurityContextHolder.getContext().getAuthentication();
        if (before != null) {
            Optional<Authentication> now = people.getObject().now(before, request);
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            now.ifPresent(context::setAuthentication);
            SecurityContextHolder.setContext(context);
            HttpSession session = request.getSession(false);
            if (now.isEmpty() && session != null) session.invalidate();
        }
        chain.doFilter(request, response);
    }
}
