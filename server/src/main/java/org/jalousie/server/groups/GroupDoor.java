package org.jalousie.server.groups;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.access.GroupRight;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.util.UriUtils;

/** Lets people to what is made from templates as far as the groups of these let them. */
@Configuration
class GroupDoor implements WebMvcConfigurer, HandlerInterceptor {
    private static final String BASE = "/api/v1/";

    private final GroupSight sight;
    private final Whose whose;

    GroupDoor(GroupSight sight, Whose whose) {
        this.sight = sight;
        this.whose = whose;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns(BASE + "**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        // as the rooms read it: a letter of an address may be written as its number
        String path = UriUtils.decode(request.getRequestURI(), StandardCharsets.UTF_8);
        Addresses.Need need = Addresses.of(request.getMethod(), path.substring(Math.min(BASE.length(), path.length())));
        if (need instanceof Addresses.Nothing || sight.limited().isEmpty()) return true;
        if (need instanceof Addresses.Everything all) requireAll(all.writes());
        if (need instanceof Addresses.Of one)
            whose.templates(one.kind(), one.key()).forEach(template -> require(template, one));
        return true;
    }

    private void requireAll(boolean writes) {
        if (!sight.hidden().isEmpty() || writes && !sight.closed().isEmpty())
            throw Refusal.of(Refusal.Kind.NOT_ALLOWED, Message.of("group.not-all"));
    }

    private void require(UUID template, Addresses.Of need) {
        Set<GroupRight> rights = sight.of(template);
        if (need.oneOf().stream().anyMatch(rights::contains)) return;
        boolean known = need.kind().equals("templates") ? !rights.isEmpty() : rights.contains(GroupRight.SEE);
        if (!known) throw GroupSight.notSeen();
        throw need.oneOf().equals(Set.of(GroupRight.PREPARE))
                ? Refusal.of(Refusal.Kind.NOT_ALLOWED, Message.of("group.not-prepared"))
                : GroupSight.notUsed();
    }
}
