package org.jalousie.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.access.TimedCode;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.web.SendingKey;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A person's own account, over HTTP. */
@RestController
@RequestMapping("/api/v1/account")
class OwnController {
    private static final int LONGEST_TITLE = 80;

    private final OwnAccounts accounts;
    private final Passkeys passkeys;
    private final LiveSessions sessions;
    private final SessionDesk desk;
    private final Settings settings;

    OwnController(OwnAccounts accounts, Passkeys passkeys, LiveSessions sessions, SessionDesk desk, Settings settings) {
        this.accounts = accounts;
        this.passkeys = passkeys;
        this.sessions = sessions;
        this.desk = desk;
        this.settings = settings;
    }

    /** @param current the password until now; empty for who has none */
    record ChosenPassword(String current, String password) {}

    /** @param current the password; empty for who has none */
    record OwnConfirmation(String current) {}

    record ShownFirst(String code) {}

    /** @param title what the person calls it */
    record NewPasskey(String title, Passkeys.ShownPasskey shown) {}

    /** What belongs to who is signed in. */
    @GetMapping
    OwnViews.OwnAccount show(Principal by, HttpServletRequest request) {
        return accounts.show(
                by.getName(),
                PeopleController.here(request),
                passkeys.place(request).isPresent());
    }

    /** Chooses another password; everywhere else they are signed out. */
    @PutMapping("/password")
    OwnViews.OwnAccount choosePassword(@RequestBody ChosenPassword chosen, Principal by, HttpServletRequest request) {
        accounts.choosePassword(
                confirmed(chosen.current(), by, request), chosen.password(), PeopleController.here(request));
        return show(by, request);
    }

    private Account confirmed(String current, Principal by, HttpServletRequest request) {
        return accounts.confirmed(by.getName(), current, request.getRemoteAddr());
    }

    /** A secret for a device that works codes out. */
    @PostMapping("/code/secret")
    OwnViews.NewCode secret(@RequestBody OwnConfirmation sure, Principal by, HttpServletRequest request) {
        SendingKey.answersOnce(request);
        Account account = confirmed(sure.current(), by, request);
        String secret = accounts.freshSecret();
        desk.secret(request, secret);
        String address = TimedCode.address(secret, settings.office().name(), account.mail());
        TimedCode.Picture picture = TimedCode.Picture.of(address);
        return new OwnViews.NewCode(secret, address, picture.width(), picture.path());
    }

    /** From now on codes of the device are asked for. */
    @PutMapping("/code")
    OwnViews.RecoveryCodes takeCode(@RequestBody ShownFirst first, Principal by, HttpServletRequest request) {
        String secret = desk.secret(request).orElseThrow(() -> Refusal.conflict(Message.of("account.once-more")));
        OwnViews.RecoveryCodes codes =
                accounts.takeCode(by.getName(), secret, first.code(), PeopleController.here(request));
        desk.shownMore(request, Entry.Way.CODE);
        return codes;
    }

    /** Codes of a device are asked for no more. */
    @DeleteMapping("/code")
    OwnViews.OwnAccount removeCode(@RequestBody OwnConfirmation sure, Principal by, HttpServletRequest request) {
        accounts.removeCode(confirmed(sure.current(), by, request));
        return show(by, request);
    }

    /** What a device is asked to make a passkey of. */
    @PostMapping("/passkeys/challenge")
    Passkeys.PasskeyToMake challenge(@RequestBody OwnConfirmation sure, Principal by, HttpServletRequest request) {
        return passkeys.wantedNew(confirmed(sure.current(), by, request), request);
    }

    /** Takes a passkey that a device has made. */
    @PostMapping("/passkeys")
    @ResponseStatus(HttpStatus.CREATED)
    OwnViews.RecoveryCodes addPasskey(@RequestBody NewPasskey made, Principal by, HttpServletRequest request) {
        SendingKey.answersOnce(request);
        String title = made.title().strip();
        Message wrong = Message.of("passkey.no-title", "most", LONGEST_TITLE);
        if (title.isEmpty() || title.length() > LONGEST_TITLE) throw Refusal.invalid(wrong, Map.of("title", wrong));
        OwnViews.RecoveryCodes codes = accounts.addPasskey(
                by.getName(),
                account -> passkeys.take(account, made.shown(), title, request),
                PeopleController.here(request));
        desk.shownMore(request, Entry.Way.PASSKEY);
        return codes;
    }

    /** Takes a passkey out. */
    @DeleteMapping("/passkeys/{id}")
    OwnViews.OwnAccount removePasskey(
            @PathVariable UUID id, @RequestBody OwnConfirmation sure, Principal by, HttpServletRequest request) {
        accounts.removePasskey(confirmed(sure.current(), by, request), id);
        return show(by, request);
    }

    /** New codes for the loss of a device; those from before hold no more. */
    @PostMapping("/recovery-codes")
    OwnViews.RecoveryCodes renewCodes(@RequestBody OwnConfirmation sure, Principal by, HttpServletRequest request) {
        SendingKey.answersOnce(request);
        return accounts.renewCodes(confirmed(sure.current(), by, request));
    }

    /** Signs out everywhere but here. */
    @DeleteMapping("/sessions")
    OwnViews.OwnAccount endOthers(Principal by, HttpServletRequest request) {
        sessions.endOthers(by.getName(), PeopleController.here(request));
        return show(by, request);
    }

    /** Signs out in one place. */
    @DeleteMapping("/sessions/{id}")
    OwnViews.OwnAccount endSession(@PathVariable String id, Principal by, HttpServletRequest request) {
        if (!sessions.end(by.getName(), id)) throw Refusal.notFound(Message.of("people.no-session"));
        return show(by, request);
    }
}
