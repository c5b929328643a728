package org.jalousie.server.template;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.FontFinder;
import org.jalousie.server.files.FileStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Asks for a template's fonts before anything about it is changed. The answer to a change names fonts that are missing, and
 * asking the machine takes its time: it is not done with a transaction open.
 */
@Component
class FontsBeforeChanges implements HandlerInterceptor, WebMvcConfigurer {
    private static final Logger LOG = LoggerFactory.getLogger(FontsBeforeChanges.class);
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

    private final Drafts drafts;
    private final Preparations preparations;
    private final FontFinder fonts;

    FontsBeforeChanges(Drafts drafts, Preparations preparations, FontFinder fonts) {
        this.drafts = drafts;
        this.preparations = preparations;
        this.fonts = fonts;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/v1/templates/*", "/api/v1/templates/*/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (READING.contains(request.getMethod())) return true;
        if (request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables
                && variables.get("id") instanceof String id) learn(id);
        return true;
    }

    private void learn(String id) {
        try {
            TemplateVersion version = drafts.newest(UUID.fromString(id));
            fonts.learn(preparations.wordings(version));
        } catch (Refusal | IllegalArgumentException | FileStore.Damaged e) {
            // there is no such template, or its file is damaged: whoever carries the request out says so, or brings
            // another
            LOG.debug(
                    "the fonts of a template were not asked for: {}",
                    e.getClass().getSimpleName());
        }
    }
}
