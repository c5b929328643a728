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

    private final LinkRows rows;
    private final Clock clock;
    private final Settings settings;
    private final SecureRandom random = new SecureRandom();

    Links(LinkRows rows, Clock clock, Settings settings) {
        this.settings = settings;
        this.rows = rows;
        this.clock = clock;
    }

    /** Whose link it is. @param byForm whether they came from a form, and not from a mail */
    record Holder(UUID agreementId, PartyKey party, boolean byForm) {
        Holder(UUID agreementId, PartyKey party) {
            this(agreementId, party, false);
        }
    }

    @Override
    @Transactional
    public String issue(UUID agreementId, PartyKey party) {
        return keep(agreementId, party, null, false);
    }

    @Override
    @Transactional
    public String straightOn(UUID agreementId, PartyKey party) {
        return keep(agreementId, party, clock.instant().plus(STRAIGHT_ON), true);
    }

    @Override
    @Transactional
    public CopyLink toCopy(UUID agreementId, PartyKey party) {
        Instant until = clock.instant()
                .atZone(settings.office().zone())
                .toLocalDate()
                .plusDays(COPY_DAYS + 1)
                .atStartOfDay(settings.office().zone())
                .toInstant();
        return new CopyLink(keep(agreementId, party, until, false), until);
    }

    private String keep(UUID agreementId, PartyKey party, Instant until, boolean byForm) {
        LinkToken token = LinkToken.random(random);
        rows.save(new LinkRow(token.hash().hex(), agreementId, party, clock.instant(), until, byForm));
        return settings.address() + "/act/" + token.value();
    }

    @Transactional(readOnly = true)
    public Optional<Holder> holder(LinkToken token) {
        return rows.findById(token.hash().hex())
                .filter(row -> row.holdsAt(clock.instant()))
                .map(row -> new Holder(row.agreementId(), row.party(), row.byForm()));
    }

    /** A completed agreement's links lead nowhere any more. */
    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (happened.stream().anyMatch(entry -> entry.event() instanceof Event.Completed)) rows.deleteByAgreementId(id);
    }
}
