package org.jalousie.server.signing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.State;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;

/**
 * Somebody who came by a link, with what they came for.
 *
 * @param participant whose link it is
 * @param content of the template's version that the agreement was made from
 * @param proof by what it is known who they are; empty until they have shown that
 */
record Visitor(
        Visit visit,
        Links.Holder holder,
        Agreement agreement,
        Participant participant,
        TemplateContent content,
        Optional<Actor.Proof> proof) {

    PartyKey party() {
        return holder.party();
    }

    boolean known() {
        return proof.isPresent();
    }

    /** As whom they act. @throws Refusal when they have to show first who they are */
    Actor.Participant actor() {
        return new Actor.Participant(
                party(), proof.orElseThrow(() -> Refusal.conflict(Message.of("identity.first"))), visit.from());
    }

    /** A participant is spoken to in their own language, or else in the agreement's. */
    Catalogue words() {
        String own = participant.person().language();
        return Catalogue.of(own.isEmpty() ? content.language() : own);
    }

    /** The documents that they are shown. */
    List<Document> documents() {
        return agreement.documentsFor(party(), content.bundle().onlyOwn());
    }

    Answers answers() {
        return new Answers(
                agreement,
                agreement.together(party()),
                Locale.forLanguageTag(words().language()),
                Locale.forLanguageTag(content.language()));
    }

    /** Whether the signed copy is theirs to fetch. */
    boolean hasCopy() {
        return agreement.state() == State.COMPLETED && participant.getsCopy();
    }

    /** @throws Refusal when the agreement has ended and they get no copy */
    void requireDocuments() {
        if (agreement.onPaper()) throw Refusal.conflict(Message.of("part.on-paper"));
        if (agreement.state().ended() && !hasCopy()) throw Refusal.of(Refusal.Kind.GONE, Message.of("ended.document"));
    }
}
