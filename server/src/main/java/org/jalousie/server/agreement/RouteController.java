package org.jalousie.server.agreement;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Objects;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Reminders;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The office's hand on the route of an agreement that is out. */
@RestController
@RequestMapping("/api/v1/agreements/{number}")
class RouteController {
    private static final int LAST_YEAR = 2999;

    private final AgreementService service;

    RouteController(AgreementService service) {
        this.service = service;
    }

    /** @param reason may be empty */
    record Skipping(String reason) {}

    /** @param lastDay the last day on which it can be acted on, in the office's time zone, such as 2027-03-15 */
    record End(String lastDay) {}

    /** Sends a new link to whose turn it is; those before lead nowhere any more. */
    @PostMapping("/people/{party}/link")
    AgreementViews.AgreementDetail renewLink(
            @PathVariable AgreementNumber number, @PathVariable String party, @AuthenticationPrincipal SignedIn by) {
        return carryOut(number, new Command.RenewLink(party(party)), by);
    }

    /** Reminds whose turn it is, now. */
    @PostMapping("/people/{party}/reminder")
    AgreementViews.AgreementDetail remind(
            @PathVariable AgreementNumber number, @PathVariable String party, @AuthenticationPrincipal SignedIn by) {
        return carryOut(number, new Command.Remind(party(party)), by);
    }

    /** Goes on without an optional part. */
    @PostMapping("/people/{party}/skipping")
    AgreementViews.AgreementDetail skip(
            @PathVariable AgreementNumber number,
            @PathVariable String party,
            @RequestBody Skipping skipping,
            @AuthenticationPrincipal SignedIn by) {
        return carryOut(
                number, new Command.SkipPart(party(party), Objects.requireNonNullElse(skipping.reason(), "")), by);
    }

    record AnswerText(String answer) {}

    /** Answers what somebody has asked; the answer goes to them by mail. @param question the number that it has */
    @PostMapping("/questions/{question}/answer")
    AgreementViews.AgreementDetail answer(
            @PathVariable AgreementNumber number,
            @PathVariable int question,
            @RequestBody AnswerText answer,
            @AuthenticationPrincipal SignedIn by) {
        return carryOut(
                number, new Command.AnswerQuestion(question, Objects.requireNonNullElse(answer.answer(), "")), by);
    }

    /** Gives more time, or less; whose turn it is are told. */
    @PutMapping("/end")
    AgreementViews.AgreementDetail changeEnd(
            @PathVariable AgreementNumber number, @RequestBody End end, @AuthenticationPrincipal SignedIn by) {
        LocalDate day;
        try {
            day = LocalDate.parse(Objects.requireNonNullElse(end.lastDay(), ""));
        } catch (DateTimeParseException e) {
            throw Refusal.invalid(Message.of("value.date"));
        }
        if (day.getYear() > LAST_YEAR) throw Refusal.invalid(Message.of("end.far", "year", String.valueOf(LAST_YEAR)));
        return carryOut(number, new Command.ChangeEnd(service.endOf(day), day), by);
    }

    /** Changes how this agreement alone reminds and warns. */
    @PutMapping("/reminders")
    AgreementViews.AgreementDetail changeReminders(
            @PathVariable AgreementNumber number,
            @RequestBody AgreementViews.ChasingView chasing,
            @AuthenticationPrincipal SignedIn by) {
        List<Integer> gaps = Objects.requireNonNullElse(chasing.gaps(), List.of());
        if (gaps.stream().anyMatch(Objects::isNull)) throw Refusal.invalid(Message.of("chasing.gap-missing"));
        return carryOut(
                number, new Command.ChangeChasing(new Reminders(gaps, chasing.thenEvery()), chasing.warnDays()), by);
    }

    private AgreementViews.AgreementDetail carryOut(AgreementNumber number, Command command, SignedIn by) {
        service.carryOut(number, command, by.actor());
        return service.show(number);
    }

    static PartyKey party(String key) {
        return PartyKey.read(key)
                .orElseThrow(() -> Refusal.of(Refusal.Kind.NOT_FOUND, Message.of("party.none", "party", key)));
    }
}
