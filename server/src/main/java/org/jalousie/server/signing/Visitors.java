package org.jalousie.server.signing;

import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Tells who comes by a link. */
@Component
class Visitors {
    private final Links links;
    private final Identities identities;
    private final Agreements agreements;
    private final UsableTemplates templates;

    Visitors(Links links, Identities identities, Agreements agreements, UsableTemplates templates) {
        this.links = links;
        this.identities = identities;
        this.agreements = agreements;
        this.templates = templates;
    }

    /** @throws Refusal when the link leads nowhere */
    Links.Holder holder(Visit visit) {
        Links.Holder holder = byToken(visit);
        requireStillTheirs(holder, agreements.read(holder.agreementId()));
        return holder;
    }

    private Links.Holder byToken(Visit visit) {
        return LinkToken.read(visit.token()).flatMap(links::holder).orElseThrow(Visitors::wrongLink);
    }

    /**
     * A mail that was on its way when the links before were ended brings one that never led anywhere.
     *
     * @throws Refusal when the link doesn't hold any more
     */
    void requireStillTheirs(Links.Holder holder, Agreement agreement) {
        if (!agreement.linkHolds(holder.party(), holder.askedBy())) throw wrongLink();
    }

    /** Somebody who may have to show first who they are. @throws Refusal when the link leads nowhere */
    Visitor anybody(Visit visit) {
        Links.Holder holder = byToken(visit);
        Agreement agreement = agreements.read(holder.agreementId());
        requireStillTheirs(holder, agreement);
        Participant participant = agreement.participant(holder.party()).orElseThrow(Visitors::wrongLink);
        return new Visitor(
                visit,
                holder,
                agreement,
                participant,
                templates.content(agreements.templateVersion(holder.agreementId())),
                identities.proof(holder, agreement, visit));
    }

    /** Somebody of whom it is known who they are. @throws Refusal when they have to show that first */
    Visitor known(Visit visit) {
        Visitor visitor = anybody(visit);
        visitor.actor();
        return visitor;
    }

    private static Refusal wrongLink() {
        return Refusal.of(Refusal.Kind.GONE, Message.of("link.gone"));
    }
}
