package org.jalousie.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out of the coordinator's rooms. */
@RestController
@RequestMapping("/api/v1/session")
class SessionController {
    private final AccountService service;
    private final SecurityContextRepository contexts;
    private final Settings settings;

    SessionController(AccountService service, SecurityContextRepository contexts, Settings settings) {
        this.service = service;
        this.contexts = contexts;
        this.settings = settings;
    }

    record SignIn(String mail, String password) {}

    /** @param postroom whether mail can be read in the Postroom because it goes to the stand-in */
    record Session(String mail, String name, String role, String office, String zone, boolean postroom) {}

    /** Signs somebody in. */
    @PostMapping
    Session signIn(@RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
        SignedIn person = service.signIn(signIn.mail(), signIn.password(), request.getRemoteAddr())
                .orElseThrow(() -> Refusal.invalid(Message.of("account.wrong")));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(new UsernamePasswordAuthenticationToken(
                person, null, List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
        if (request.getSession(false) != null) request.changeSessionId();
        contexts.saveContext(context, request, response);
        return session(person);
    }

    /** Who is signed in. */
    @GetMapping
    Session current(@AuthenticationPrincipal SignedIn person) {
        if (person == null) throw Refusal.unauthorized(Message.of("account.sign-in"));
        return session(person);
    }

    /** Signs out. */
    @DeleteMapping
    void signOut(HttpServletRequest request) {
        if (request.getSession(false) != null) request.getSession(false).invalidate();
    }

    private Session session(SignedIn person) {
        return new Session(
                person.mail(),
                person.displayName(),
                person.role(),
                settings.office().name(),
                settings.office().zone().getId(),
                !settings.postroom().isBlank());
    }
}
