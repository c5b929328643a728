package org.jalousie.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Set;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.Attempts;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.DispatcherServlet;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Slows down whoever tries links that lead nowhere, and keeps what is tried by those that once led somewhere. */
@Configuration
class LinkGuard implements WebMvcConfigurer, HandlerInterceptor {
    private static final String ATTEMPT = LinkGuard.class.getName();

    /** What is kept and worked out while somebody types comes again by itself. */
    private static final Set<String> BY_THE_WAY = Set.of("begun", "derived");

    private final Attempts attempts;
    private final RefusedActs refused;

    LinkGuard(Attempts attempts, RefusedActs refused) {
        this.attempts = attempts;
        this.refused = refused;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/v1/signing/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        request.setAttribute(ATTEMPT, attempts.link(request.getRemoteAddr()));
        return true;
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception exception) {
        if (response.getStatus() != HttpStatus.GONE.value()
                && request.getAttribute(ATTEMPT) instanceof Attempts.Attempt attempt) attempt.succeeded();
        if (request.getAttribute(DispatcherServlet.EXCEPTION_ATTRIBUTE) instanceof Refusal refusal)
            keep(request, refusal);
    }

    private void keep(HttpServletRequest request, Refusal refusal) {
        String path = request.getRequestURI();
        if (BY_THE_WAY.contains(path.substring(path.lastIndexOf('/') + 1))) return;
        if (request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> parts
                && parts.get("token") instanceof String token)
            LinkToken.read(token)
                    .ifPresent(link -> refused.keep(
                            link, refusal.said(), Visit.of(token, request).from()));
    }
}
