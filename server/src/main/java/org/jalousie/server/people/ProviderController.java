package org.jalousie.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.IdentityProvider;
import org.jalousie.server.web.Attempts;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Signing in by an account that people have elsewhere. */
@RestController
@RequestMapping("/api/v1/session/provider")
class ProviderController {
    private static final Logger LOG = LoggerFactory.getLogger(ProviderController.class);

    private final IdentityProvider provider;
    private final ProvenPeople identities;
    private final SignIns signIns;
    private final SessionDesk desk;
    private final Attempts attempts;
    private final Settings settings;

    ProviderController(
            IdentityProvider provider,
            ProvenPeople identities,
            SignIns signIns,
            SessionDesk desk,
            Attempts attempts,
            Settings settings) {
        this.provider = provider;
        this.identities = identities;
        this.signIns = signIns;
        this.desk = desk;
        this.attempts = attempts;
        this.settings = settings;
    }

    /** What the door says to who came back in vain. */
    private enum InVain {
        AWAY,
        NOT_PROVEN,
        NO_ACCOUNT
    }

    /** Sends somebody to where their account is. */
    @GetMapping
    ResponseEntity<Void> send(HttpServletRequest request) {
        if (!provider.isThere()) throw Refusal.notFound(Message.of("account.no-provider"));
        attempts.provider(request.getRemoteAddr());
        try {
            IdentityProvider.Asked asked = provider.ask(back());
            desk.asked(request, asked);
            return to(asked.address());
        } catch (IdentityProvider.NotProven e) {
            return inVain(e);
        }
    }

    /**
     * Takes somebody in who comes back from there.
     *
     * @param code that they were given; empty for who was given none
     * @param state that they were sent with
     */
    @GetMapping("/back")
    ResponseEntity<Void> comeBack(
            @RequestParam(defaultValue = "") String code,
            @RequestParam(defaultValue = "") String state,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (!provider.isThere()) throw Refusal.notFound(Message.of("account.no-provider"));
        Optional<IdentityProvider.Asked> asked =
                desk.takeAsked(request).filter(one -> one.state().equals(state));
        if (asked.isEmpty() || code.isEmpty()) return to(door(InVain.NOT_PROVEN));
        try {
            Optional<String> mail = identities.whose(provider.proven(back(), asked.get(), code));
            if (mail.isEmpty()) return to(door(InVain.NO_ACCOUNT));
            desk.letIn(signIns.cameIn(mail.get()), Entry.Way.PROVIDER, request, response);
            return to("/");
        } catch (IdentityProvider.NotProven e) {
            return inVain(e);
        }
    }

    private URI back() {
        return URI.create(settings.address() + "/api/v1/session/provider/back");
    }

    private static ResponseEntity<Void> inVain(IdentityProvider.NotProven e) {
        // by its kind only: what a provider says may name a person
        LOG.warn(
                "the identity provider proved nobody: {}",
                e.getCause().getClass().getSimpleName());
        return to(door(e.away() ? InVain.AWAY : InVain.NOT_PROVEN));
    }

    private static String door(InVain why) {
        return "/sign-in?in-vain=" + why;
    }

    private static ResponseEntity<Void> to(String address) {
        return ResponseEntity.status(HttpStatus.FOUND)
                .header(HttpHeaders.LOCATION, address)
                .build();
    }
}
