package org.jalousie.server.postroom;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.letters.LetterText;
import org.jalousie.core.letters.Letters;
import org.jalousie.core.letters.OwnWords;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.adapters.AddressRefused;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.adapters.SmtpMailer;
import org.jalousie.server.office.OfficeLooks;
import org.jalousie.server.office.OfficeWords;
import org.springframework.stereotype.Component;

/** Mails as they would be, for an agreement that there isn't. */
@Component
class MailTrials {
    private static final Duration LEFT = Duration.ofDays(14);
    private static final PartyKey PARTY = new PartyKey("signer");

    private final OfficeWords words;
    private final OfficeLooks looks;
    private final Envelopes envelopes;
    private final SmtpMailer mailer;
    private final Settings settings;
    private final Clock clock;

    MailTrials(
            OfficeWords words,
            OfficeLooks looks,
            Envelopes envelopes,
            SmtpMailer mailer,
            Settings settings,
            Clock clock) {
        this.words = words;
        this.looks = looks;
        this.envelopes = envelopes;
        this.mailer = mailer;
        this.settings = settings;
        this.clock = clock;
    }

    private record Made(String subject, LetterText text) {}

    MailSettingsController.MailPreview preview(OwnWords.Key key, OwnWords.Said said) {
        Made made = made(key, said, new Person("Ida Marsh", "ida.marsh@example.org"));
        return new MailSettingsController.MailPreview(
                made.subject(), made.text().plain(), made.text().html(looks.onScreen()));
    }

    /** @throws Refusal when the mail server doesn't take it, and for a program, which has no mailbox */
    void send(OwnWords.Key key, OwnWords.Said said, SignedIn to) {
        if (to.asProgram().isPresent()) throw Refusal.conflict(Message.of("mail-look.no-mailbox"));
        Made made = made(key, said, new Person(to.displayName(), to.getName()));
        try {
            mailer.send(envelopes.of(
                    UUID.randomUUID().toString(),
                    to.getName(),
                    to.displayName(),
                    made.subject(),
                    made.text(),
                    key.occasion().chases(),
                    List.of()));
        } catch (AddressRefused e) {
            throw Refusal.conflict(Message.of("mail-look.refused", "mail", to.getName()));
        } catch (ServiceAway e) {
            throw Refusal.conflict(Message.of("mail-look.away"));
        }
    }

    private Made made(OwnWords.Key key, OwnWords.Said said, Person person) {
        OfficeWords.require(key, said);
        Map<OwnWords.Key, OwnWords.Said> with = new HashMap<>(words.all().said());
        with.put(key, said);
        Participant to = new Participant(
                new Person(person.name(), person.mail(), "", key.language()), PARTY, "Lender", Duty.SIGNS, 1);
        Letters letters = new Letters(
                imagined(to),
                SendingSettings.USUAL,
                Map.of(),
                key.language(),
                settings.office().name(),
                settings.office().zone(),
                new OwnWords(with));
        return new Made(
                letters.subject(key.occasion(), Optional.of(to)),
                letters.text(
                        key.occasion(),
                        Optional.of(to),
                        settings.address() + "/act/…",
                        Optional.empty(),
                        Optional.empty()));
    }

    private Agreement imagined(Participant to) {
        Instant now = clock.instant();
        Event.Created created = new Event.Created(
                new AgreementNumber("A-2026-0000"),
                "Incoming loan: " + to.name(),
                "Incoming loan",
                1,
                "",
                Map.of(),
                List.of(to));
        return Agreement.of(List.of(
                new Entry(1, now, Actor.PROGRAM, created),
                new Entry(2, now, Actor.PROGRAM, new Event.Generated(List.of())),
                new Entry(3, now, Actor.PROGRAM, new Event.Sent(now.plus(LEFT)))));
    }
}
