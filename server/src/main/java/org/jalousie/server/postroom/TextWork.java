package org.jalousie.server.postroom;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.adapters.TextMessages;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.signing.IdentityCodes;
import org.springframework.stereotype.Component;

/** Sends one text message, which is a code: it is made at the moment of sending, so that it is stored nowhere. */
@Component
class TextWork implements JobWork {
    private final Postroom postroom;
    private final Agreements agreements;
    private final IdentityCodes codes;
    private final LetterDesk wording;
    private final TextMessages texts;

    TextWork(Postroom postroom, Agreements agreements, IdentityCodes codes, LetterDesk wording, TextMessages texts) {
        this.postroom = postroom;
        this.agreements = agreements;
        this.codes = codes;
        this.wording = wording;
        this.texts = texts;
    }

    @Override
    public JobKind kind() {
        return JobKind.TEXT;
    }

    @Override
    public boolean run(String instance) {
        Mail message = postroom.get(UUID.fromString(instance.substring(37)));
        if (!message.waiting()) return false;
        PartyKey party = message.party().orElseThrow();
        Optional<String> code = codes.issue(message.agreementId(), party, message.askedBy());
        if (code.isEmpty()) {
            postroom.notNeeded(message.id()); // another one was asked for meanwhile
            return false;
        }
        List<Entry> history = agreements.history(message.agreementId());
        Agreement agreement = Agreement.of(history);
        Participant to = agreement.participant(party).orElseThrow();
        String text = wording.of(agreement, history.get(0).at(), agreements.templateVersion(message.agreementId()))
                .codeInShort(to, code.get());
        postroom.carried(message.id(), texts.send(message.recipient(), text));
        return true;
    }
}
