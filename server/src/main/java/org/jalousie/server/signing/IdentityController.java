package org.jalousie.server.signing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.SecureRandom;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.SignedIn;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How people show who they are over HTTP, and what the office does for it. */
@RestController
@RequestMapping("/api/v1")
class IdentityController {
    private final SigningService service;
    private final SigningPages pages;
    private final IdentityDesk desk;
    private final Settings settings;
    private final SecureRandom random = new SecureRandom();

    IdentityController(SigningService service, SigningPages pages, IdentityDesk desk, Settings settings) {
        this.service = service;
        this.pages = pages;
        this.desk = desk;
        this.settings = settings;
    }

    /** @param answer the code or the word, as it was typed */
    record Answer(String answer) {}

    record Word(String word) {}

    /** Sends a participant a one-time code. */
    @PostMapping("/signing/{token}/identity/code")
    SigningViews.SigningPage sendCode(
            @PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        Visit visit = known(Visit.of(token, request), response);
        service.askForCode(visit);
        return pages.page(visit);
    }

    /** A participant shows who they are. */
    @PostMapping("/signing/{token}/identity")
    SigningViews.SigningPage answer(
            @PathVariable String token,
            @RequestBody Answer answer,
            HttpServletRequest request,
            HttpServletResponse response) {
        Visit visit = known(Visit.of(token, request), response);
        service.answerCheck(visit, answer.answer()).ifPresent(wrong -> {
            throw Refusal.invalid(wrong);
        });
        return pages.page(visit);
    }

    /** Agrees on a word with a party's person; it can't be read again. */
    @PutMapping("/agreements/{number}/people/{party}/word")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void agree(
            @PathVariable AgreementNumber number,
            @PathVariable String party,
            @RequestBody Word word,
            @AuthenticationPrincipal SignedIn by) {
        desk.agree(number, party(party), word.word(), by.actor());
    }

    /** Lets somebody go on who gave too many wrong answers. */
    @PostMapping("/agreements/{number}/people/{party}/further-tries")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void letGoOn(
            @PathVariable AgreementNumber number, @PathVariable String party, @AuthenticationPrincipal SignedIn by) {
        desk.letGoOn(number, party(party), by.actor());
    }

    /** The visit with its browser, which stays known for as long as anything depends on it. */
    private Visit known(Visit visit, HttpServletResponse response) {
        Browser browser = visit.browser().orElseGet(() -> Browser.unknown(random));
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(Visit.COOKIE, browser.secret())
                        .path("/api/v1/signing")
                        .httpOnly(true)
                        .secure(settings.address().startsWith("https:"))
                        .sameSite("Strict")
                        .maxAge(Identities.SHOWN_LIFE.plus(Identities.CODE_LIFE))
                        .build()
                        .toString());
        return visit.by(browser);
    }

    private static PartyKey party(String key) {
        return PartyKey.read(key)
                .orElseThrow(() -> Refusal.of(Refusal.Kind.NOT_FOUND, Message.of("party.none", "party", key)));
    }
}
