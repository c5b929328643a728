package org.jalousie.server.signing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Proving;
import org.jalousie.core.agreement.State;
import org.jalousie.core.agreement.Together;
import org.jalousie.core.evidence.ConsentWording;
import org.jalousie.core.evidence.SignedDate;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.InitialsPlace;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.DocumentView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a participant's page shows. */
@Service
class SigningPages {
    private final Visitors visitors;
    private final Identities identities;
    private final BegunAnswers begun;
    private final Settings settings;
    private final Clock clock;

    SigningPages(Visitors visitors, Identities identities, BegunAnswers begun, Settings settings, Clock clock) {
        this.begun = begun;
        this.visitors = visitors;
        this.identities = identities;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    SigningViews.SigningPage page(Visit visit) {
        Visitor visitor = visitors.anybody(visit);
        Agreement agreement = visitor.agreement();
        Participant one = visitor.participant();
        Together own = agreement.together(visitor.party());
        State state = agreement.hasRunOut(clock.instant()) ? State.EXPIRED : agreement.state();
        boolean known = visitor.known();
        Answers answers = visitor.answers();
        Catalogue words = visitor.words();
        ConsentWording consent = ConsentWording.in(words);
        LocalDate today = LocalDate.ofInstant(clock.instant(), settings.office().zone());
        String language = visitor.content().language();
        return new SigningViews.SigningPage(
                words.language(),
                agreement.created().number(),
                agreement.title(),
                settings.office().name(),
                own.parts().stream().map(Participant::party).toList(),
                own.parts().stream().map(Participant::label).collect(Collectors.joining(", ")),
                one.name(),
                one.duty(),
                agreement.standing(one.party()),
                state,
                agreement.expiresAt().orElse(null),
                agreement.consents().containsKey(one.party()),
                new SigningViews.Consent(consent.version(), consent.text()),
                SignedDate.print(today, Locale.forLanguageTag(language)),
                known ? answers.toComplete() : List.of(),
                known ? answers.shown(Map.of()) : List.of(),
                known && answers.turn() ? begun.of(LinkToken.read(visit.token()).orElseThrow()) : Map.of(),
                known ? documents(visitor) : List.of(),
                known ? AgreementViews.routeForParticipants(agreement) : List.of(),
                agreement.onPaper() && !state.ended() ? words.say("part.on-paper") : ended(state, words),
                visitor.hasCopy(),
                language,
                today,
                identity(visitor),
                known ? AgreementViews.attached(agreement) : List.of(),
                visitor.content().sending().acting().handOver(),
                visitor.content().sending().acting().secondPress(),
                known && answers.fields().stream().anyMatch(field -> field.type() instanceof InitialsPlace),
                visitor.holder().by() == LinkRow.By.ACCOUNT,
                known ? questions(visitor) : List.of());
    }

    private static List<SigningViews.ToldQuestion> questions(Visitor visitor) {
        return visitor.agreement().together(visitor.party()).parts().stream()
                .flatMap(part -> visitor.agreement().questionsOf(part.party()).stream())
                .map(one -> new SigningViews.ToldQuestion(
                        one.question(), one.answer().orElse("")))
                .toList();
    }

    private static List<DocumentView> documents(Visitor visitor) {
        return visitor.documents().stream()
                .map(one -> DocumentView.forParticipants(one, visitor.agreement()))
                .toList();
    }

    private static String ended(State state, Catalogue words) {
        return switch (state) {
            case WITHDRAWN -> words.say("ended.withdrawn");
            case DECLINED -> words.say("ended.declined");
            case EXPIRED -> words.say("ended.expired");
            default -> "";
        };
    }

    private SigningViews.Identity identity(Visitor visitor) {
        Proving proving = visitor.agreement().provingOf(visitor.party());
        IdentityCheck check = visitor.agreement().identityCheck(visitor.party());
        Participant one = visitor.agreement()
                .participant(visitor.agreement().identifiedAs(visitor.party()))
                .orElseThrow();
        return new SigningViews.Identity(
                check,
                visitor.known(),
                switch (check) {
                    case MAILED_CODE -> Veiled.mail(one.mail());
                    case TEXTED_CODE -> Veiled.phone(one.person().phone());
                    default -> "";
                },
                proving.digits(),
                identities.codeWaits(visitor.holder(), visitor.agreement(), visitor.visit()),
                proving.nextCode().filter(clock.instant()::isBefore).orElse(null),
                proving.locked(),
                settings.office().mail());
    }
}
