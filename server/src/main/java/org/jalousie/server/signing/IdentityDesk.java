package org.jalousie.server.signing;

import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the office does so that people can show who they are. */
@Service
class IdentityDesk {
    private final Agreements agreements;
    private final IdentitySecrets secrets;
    private final PasswordEncoder encoder;

    IdentityDesk(Agreements agreements, IdentitySecrets secrets, PasswordEncoder encoder) {
        this.agreements = agreements;
        this.secrets = secrets;
        this.encoder = encoder;
    }

    /** Keeps the word that was agreed on with somebody. Capitals, spaces and signs in it make no difference. */
    @Transactional
    public void agree(AgreementNumber number, PartyKey party, String typed, Actor by) {
        AgreedWord word = AgreedWord.of(typed);
        if (word.isTooShort()) throw Refusal.invalid(Message.of("identity.short-word", "least", AgreedWord.LEAST));
        if (word.isTooLong()) throw Refusal.invalid(Message.of("identity.long-word", "most", AgreedWord.MOST));
        UUID id = agreements.idOf(number);
        String hash = encoder.encode(word.digest());
        agreements.carryOut(id, by, new Command.AgreeWord(party)).events().stream()
                .map(Event.WordAgreed.class::cast)
                .forEach(event -> secrets.word(id, event.party(), hash));
    }

    /** Lets somebody try again who gave too many wrong answers. */
    @Transactional
    public void letGoOn(AgreementNumber number, PartyKey party, Actor by) {
        agreements.carryOut(agreements.idOf(number), by, new Command.LetGoOn(party));
    }
}
