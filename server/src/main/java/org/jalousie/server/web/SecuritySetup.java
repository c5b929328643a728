package org.jalousie.server.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.access.Role;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Who may ask for what, and the headers that keep a browser strict. */
@Configuration
class SecuritySetup {
    // 'unsafe-inline' for styles only: the page viewer positions its pages by style attributes
    private static final String POLICY =
            "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; "
                    + "connect-src 'self'; worker-src 'self' blob:; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors ";
    private static final String FORM = "/ask/";

    /** Who looks things up. */
    private static final Role[] LOOKS = {Role.COORDINATOR, Role.READER};

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            ObjectProvider<FramedPages> framed,
            ObjectProvider<StillLetIn> people,
            KeyDoor door,
            KeptAnswers answers)
            throws Exception {
        // who fills a public form has no session; in another site's frame there is no cookie either. A key is no
        // cookie:
        // no site can send it for somebody
        return http.csrf(csrf -> csrf.spa()
                        .ignoringRequestMatchers("/api/v1/ask/**", "/api/v1/asked/**")
                        .ignoringRequestMatchers(door::knocks))
                .addFilterAfter(new StillLetInFilter(people), SecurityContextHolderFilter.class)
                .addFilterBefore(new KeyFilter(door), AnonymousAuthenticationFilter.class)
                .addFilterAfter(new SentAgain(answers), AuthorizationFilter.class)
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .httpBasic(basic -> basic.disable())
                .formLogin(form -> form.disable())
                .exceptionHandling(handling ->
                        handling.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)))
                .headers(headers -> headers.frameOptions(frames -> frames.disable())
                        .addHeaderWriter((request, response) -> frames(request, response, framed))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER)))
                .authorizeHttpRequests(requests -> requests.requestMatchers(
                                "/api/v1/session/**",
                                "/api/v1/signing/**",
                                "/api/v1/ask/**",
                                "/api/v1/asked/**",
                                "/api/v1/openapi/**",
                                "/actuator/health")
                        .permitAll()
                        // also for who has to set a second factor up first, and has no role until then
                        .requestMatchers("/api/v1/account/**")
                        .authenticated()
                        .requestMatchers("/api/v1/mine/**")
                        .hasAnyRole(names(Role.values()))
                        .requestMatchers("/api/v1/own-requests/**")
                        .hasAnyRole(names(Role.REQUESTER, Role.COORDINATOR))
                        .requestMatchers("/api/v1/people/**", "/api/v1/trail", "/api/v1/office/files")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.GET, "/api/v1/teams")
                        .hasAnyRole(names(Role.ADMINISTRATOR, Role.COORDINATOR))
                        .requestMatchers("/api/v1/teams/**")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.GET, "/api/v1/office/**")
                        .hasAnyRole(names(Role.ADMINISTRATOR, Role.COORDINATOR, Role.READER))
                        .requestMatchers("/api/v1/office/**")
                        .hasAnyRole(names(Role.ADMINISTRATOR, Role.COORDINATOR))
                        .requestMatchers(
                                "/api/v1/templates/**",
                                "/api/v1/clauses/**",
                                "/api/v1/pictures/**",
                                "/api/v1/requests/**",
                                "/api/v1/begun-forms/**",
                                "/api/v1/form-pages/**",
                                "/api/v1/form-files/**",
                                "/api/v1/form-links/**",
                                "/api/v1/finished-files/**",
                                "/api/v1/postroom/**",
                                "/api/v1/registers/**",
                                "/api/v1/tables/**",
                                "/api/v1/runs/**",
                                "/api/v1/programs/**",
                                "/api/v1/webhooks/**",
                                "/api/v1/record-systems/**",
                                "/api/v1/archive/filing/**",
                                "/api/v1/today")
                        .hasRole(Role.COORDINATOR.name())
                        .requestMatchers(HttpMethod.GET, "/api/**")
                        .hasAnyRole(names(LOOKS))
                        .requestMatchers(
                                HttpMethod.POST,
                                "/api/v1/archive/*/verification",
                                "/api/v1/archive/check",
                                "/api/v1/archive/evidence",
                                "/api/v1/archive/views")
                        .hasAnyRole(names(LOOKS))
                        .requestMatchers("/api/v1/archive/views/*")
                        .hasAnyRole(names(LOOKS))
                        .requestMatchers("/api/**")
                        .hasRole(Role.COORDINATOR.name())
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .build();
    }

    private static String[] names(Role... roles) {
        return Arrays.stream(roles).map(Role::name).toArray(String[]::new);
    }

    /** No page of ours stands in another site's frame but a form, in those of the sites that its link names. */
    private static void frames(
            HttpServletRequest request, HttpServletResponse response, ObjectProvider<FramedPages> framed) {
        // a page is forwarded to its file; what was asked for counts
        String path = Optional.ofNullable(request.getAttribute(RequestDispatcher.FORWARD_REQUEST_URI))
                .map(Object::toString)
                .orElseGet(request::getRequestURI);
        List<String> sites = path.startsWith(FORM) && path.indexOf('/', FORM.length()) < 0
                ? framed.getObject().framedBy(path.substring(FORM.length()))
                : List.of();
        response.setHeader("Content-Security-Policy", POLICY + (sites.isEmpty() ? "'none'" : String.join(" ", sites)));
        // it knows no list of sites; where there is one the policy above is kept to
        if (sites.isEmpty()) response.setHeader("X-Frame-Options", "DENY");
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    SecurityContextRepository securityContextRepository() {
        return new HttpSessionSecurityContextRepository();
    }
}
