package org.jalousie.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.jalousie.server.web.Attempts;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Slows down whoever tries links that lead nowhere. */
@Configuration
class LinkGuard implements WebMvcConfigurer, HandlerInterceptor {
    private static final String ATTEMPT = LinkGuard.class.getName();

    private final Attempts attempts;

    LinkGuard(Attempts attempts) {
        this.attempts = attempts;
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
    }
}
