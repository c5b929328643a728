package org.jalousie.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.access.Role;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.adapters.IdentityProvider;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out of the office's rooms. */
@RestController
@RequestMapping("/api/v1/session")
class SessionController {
    private final IdentityProvider provider;
    private final SignIns signIns;
    private final Factors factors;
    private final Passkeys passkeys;
    private final EntryLinks links;
    private final PresentPeople present;
    private final SessionDesk desk;
    private final Settings settings;

    SessionController(
            IdentityProvider provider,
            SignIns signIns,
            Factors factors,
            Passkeys passkeys,
            EntryLinks links,
            PresentPeople present,
            SessionDesk desk,
            Settings settings) {
        this.provider = provider;
        this.signIns = signIns;
        this.factors = factors;
        this.passkeys = passkeys;
        this.links = links;
        this.present = present;
        this.desk = desk;
        this.settings = settings;
    }

    record SignIn(String mail, String password) {}

    record ShownCode(String code) {}

    record Forgotten(String mail) {}

    record NewPassword(String password) {}

    /** How the door looks. */
    @GetMapping("/door")
    SignInViews.DoorView door(HttpServletRequest request) {
        return new SignInViews.DoorView(
                settings.office().name(),
                provider.name(),
                passkeys.place(request).isPresent());
    }

    /** Signs somebody in, or asks them for more. */
    @PostMapping
    SignInViews.SignInStep signIn(
            @RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
        Account account = signIns.password(signIn.mail(), signIn.password(), request.getRemoteAddr())
                .orElseThrow(() -> Refusal.invalid(Message.of("account.wrong")));
        return stepIn(account, request, response);
    }

    private SignInViews.SignInStep stepIn(Account account, HttpServletRequest request, HttpServletResponse response) {
        List<SignInViews.Factor> shows = factors.of(account);
        if (shows.isEmpty()) {
            SignedIn person =
                    signIns.cameIn(account.mail(), account.passwordHash().orElse(""));
            return letIn(person, Entry.Way.PASSWORD, request, response);
        }
        desk.half(request, account);
        return new SignInViews.SignInStep(null, shows);
    }

    /** The second step, by a code. */
    @PostMapping("/code")
    SignInViews.SignInStep showCode(
            @RequestBody ShownCode code, HttpServletRequest request, HttpServletResponse response) {
        SessionDesk.Half half =
                desk.halfOf(request).orElseThrow(() -> Refusal.conflict(Message.of("account.once-more")));
        Entry.Way way = signIns.code(half.mail(), half.passwordHash(), code.code());
        return letIn(signIns.cameIn(half.mail(), half.passwordHash()), way, request, response);
    }

    /** What a passkey is to sign. */
    @PostMapping("/passkey/challenge")
    Passkeys.PasskeyWanted challenge(HttpServletRequest request) {
        return passkeys.wanted(request);
    }

    /** Signs somebody in by a passkey, which shows all that is needed. */
    @PostMapping("/passkey")
    SignInViews.SignInStep showPasskey(
            @RequestBody Passkeys.ShownPasskey shown, HttpServletRequest request, HttpServletResponse response) {
        return letIn(signIns.cameIn(passkeys.whose(shown, request)), Entry.Way.PASSKEY, request, response);
    }

    /** Mails a way in to who has forgotten the password; whether there is such an account is not told. */
    @PostMapping("/forgotten")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void forgotten(@RequestBody Forgotten forgotten, HttpServletRequest request) {
        links.forgotten(forgotten.mail(), request.getRemoteAddr());
    }

    /** Whose way in this is, that was mailed. */
    @GetMapping("/ways-in/{secret}")
    EntryLinks.MailedWayIn look(@PathVariable String secret) {
        return links.look(secret);
    }

    /** Sets a password by a mailed way in, and signs in. */
    @PostMapping("/ways-in/{secret}")
    SignInViews.SignInStep comeIn(
            @PathVariable String secret,
            @RequestBody NewPassword chosen,
            HttpServletRequest request,
            HttpServletResponse response) {
        return stepIn(links.comeIn(secret, chosen.password()), request, response);
    }

    /** Who is signed in. */
    @GetMapping
    SignInViews.Session current(@AuthenticationPrincipal SignedIn person, HttpServletRequest request) {
        return Optional.ofNullable(person)
                .flatMap(one -> present.find(one.mail(), request))
                .map(this::session)
                .orElseThrow(() -> Refusal.unauthorized(Message.of("account.sign-in")));
    }

    /** Signs out. */
    @DeleteMapping
    void signOut(HttpServletRequest request) {
        if (request.getSession(false) != null) request.getSession(false).invalidate();
    }

    private SignInViews.SignInStep letIn(
            SignedIn person, Entry.Way way, HttpServletRequest request, HttpServletResponse response) {
        desk.letIn(person, way, request, response);
        return SignInViews.SignInStep.whole(
                present.find(person.mail(), request).map(this::session).orElseThrow());
    }

    private SignInViews.Session session(PresentPeople.Present present) {
        SignedIn person = present.person();
        return new SignInViews.Session(
                person.mail(),
                person.displayName(),
                Role.inOrder(person.roles()),
                present.lacksFactor(),
                settings.office().name(),
                settings.office().zone().getId(),
                !settings.postroom().isBlank());
    }
}
