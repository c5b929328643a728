package org.jalousie.server.web;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Who may ask for what, and the headers that keep a browser strict. */
@Configuration
class SecuritySetup {
    // 'unsafe-inline' for styles only: the page viewer positions its pages by style attributes
    private static final String POLICY =
            "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; "
                    + "connect-src 'self'; worker-src 'self' blob:; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    @Bean
    SecurityFilterChain chain(HttpSecurity http) throws Exception {
        return http.csrf(csrf -> csrf.spa())
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .httpBasic(basic -> basic.disable())
                .formLogin(form -> form.disable())
                .exceptionHandling(handling ->
                        handling.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)))
                .headers(headers -> headers.contentSecurityPolicy(csp -> csp.policyDirectives(POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER)))
                .authorizeHttpRequests(requests -> requests.requestMatchers(
                                "/api/v1/session", "/api/v1/signing/**", "/api/v1/openapi/**", "/actuator/health")
                        .permitAll()
                        .requestMatchers(
                                "/api/v1/templates/**",
                                "/api/v1/clauses/**",
                                "/api/v1/pictures/**",
                                "/api/v1/requests/**",
                                "/api/v1/begun-forms/**",
                                "/api/v1/form-pages/**",
                                "/api/v1/form-files/**",
                                "/api/v1/finished-files/**",
                                "/api/v1/postroom/**",
                                "/api/v1/today")
                        .hasRole("COORDINATOR")
                        .requestMatchers(HttpMethod.GET, "/api/**")
                        .authenticated()
                        .requestMatchers(HttpMethod.POST, "/api/v1/archive/*/verification", "/api/v1/archive/check")
                        .authenticated()
                        .requestMatchers("/api/**")
                        .hasRole("COORDINATOR")
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .build();
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
