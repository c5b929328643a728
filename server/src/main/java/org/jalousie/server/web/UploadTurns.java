package org.jalousie.server.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * A file becomes many times its size when it is opened, so only a few are opened at once; the others wait a little. A turn is
 * taken when the file is there and the person may bring it, so that nobody holds one by sending slowly.
 */
@Configuration
class UploadTurns implements WebMvcConfigurer, HandlerInterceptor {
    private static final Duration WAIT = Duration.ofSeconds(30);
    private static final String TURN = UploadTurns.class.getName();

    private final Semaphore turns = new Semaphore(2, true);

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws InterruptedException {
        if (!RequestLimits.isMultipart(request.getContentType())) return true;
        if (!turns.tryAcquire(WAIT.toMillis(), TimeUnit.MILLISECONDS))
            throw Refusal.tooMany(Message.of("request.uploads-many"), Duration.ofSeconds(10));
        request.setAttribute(TURN, true);
        return true;
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception exception) {
        if (request.getAttribute(TURN) != null) turns.release();
    }
}
