package org.jalousie.server.signing;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AfterEvents;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Participants' links: 256 random bits each, stored as a hash, bound to one party of one agreement. */
@Component
class Links implements ParticipantLinks, AfterEvents {
    /** How long a signed copy can be fetched; whoever comes later asks the office. */
    private static final int COPY_DAYS = 90;

    /** Whoever comes later than that gets a mail. */
    private static final Duration STRAIGHT_ON = Duration.ofHours(1);

    /** As long as a session of the rooms. */
    private static final Duration SIGNED_IN = Duration.ofHours(8);

    private final LinkRows rows;
    private final BegunAnswers begun;
    private final Clock clock;
    private final Settings settings;
    private final SecureRandom random = new SecureRandom();

    Links(LinkRows rows, BegunAnswers begun, Clock clock, Settings settings) {
        this.begun = begun;
        this.settings = settings;
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * Whose link it is.
     *
     * @param by how they came to it
     * @param askedBy the number of the event that asked for the link; 0 where that wasn't kept
     */
    record Holder(UUID agreementId, PartyKey party, LinkRow.By by, int askedBy) {}

    @Override
    @Transactional
    public String issue(UUID agreementId, PartyKey party, int askedBy) {
        return keep(agreementId, party, null, LinkRow.By.MAIL, askedBy);
    }

    @Override
    @Transactional
    public String straightOn(UUID agreementId, PartyKey party, int askedBy) {
        return keep(agreementId, party, clock.instant().plus(STRAIGHT_ON), LinkRow.By.FORM, askedBy);
    }

    /** A link for somebody who is signed in with the account of a part's mail address; it holds for a working day. */
    @Transactional
    public String signedIn(UUID agreementId, PartyKey party, int askedBy) {
        return keep(agreementId, party, clock.instant().plus(SIGNED_IN), LinkRow.By.ACCOUNT, askedBy);
    }

    @Override
    @Transactional
    public CopyLink toCopy(UUID agreementId, PartyKey party, int askedBy) {
        Instant until = clock.instant()
                .atZone(settings.office().zone())
                .toLocalDate()
                .plusDays(COPY_DAYS + 1)
                .atStartOfDay(settings.office().zone())
                .toInstant();
        return new CopyLink(keep(agreementId, party, until, LinkRow.By.MAIL, askedBy), until);
    }

    private String keep(UUID agreementId, PartyKey party, Instant until, LinkRow.By by, int askedBy) {
        LinkToken token = LinkToken.random(random);
        rows.save(new LinkRow(token.hash().hex(), agreementId, party, clock.instant(), until, by, askedBy));
        return settings.address() + "/act/" + token.value();
    }

    @Transactional(readOnly = true)
    public Optional<Holder> holder(LinkToken token) {
        return rows.findById(token.hash().hex())
                .filter(row -> row.holdsAt(clock.instant()))
                .map(row -> new Holder(row.agreementId(), row.party(), row.by(), row.askedBy()));
    }

    /** A completed agreement's links lead nowhere any more, nor do those of who has got another one, or hasn't the part any more. */
    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        for (Entry entry : happened) {
            if (entry.event() instanceof Event.Completed) rows.endAll(id, clock.instant());
            if (entry.event() instanceof Event.LinkRenewed renewed) end(id, renewed.party());
            if (entry.event() instanceof Event.PersonChanged changed) end(id, changed.party());
            if (entry.event() instanceof Event.PartSkipped skipped) end(id, skipped.party());
        }
    }

    /** What was begun by a link can be read by no other one. */
    private void end(UUID id, PartyKey party) {
        begun.forget(id, party);
        rows.end(id, party.value(), clock.instant());
    }
}
