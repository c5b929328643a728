package org.jalousie.server.agreement;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.filing.retention.Tombstone;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.store.RowLock;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Agreements that are destroyed at the end of their retention: what goes, and what stays of them. */
@Service
public class GoneAgreements {
    /** What is this room's own, in the order in which it can go. */
    private static final List<String> OWN =
            List.of("waited_for", "agreement_text", "document_state", "archive_value", "archived", "agreement_event");

    private final AgreementRows rows;
    private final AgreementLog log;
    private final Archived archived;
    private final Tombstones stones;
    private final ObjectProvider<WhenGone> rooms;
    private final Jobs jobs;
    private final RowLock lock;
    private final JdbcClient sql;

    GoneAgreements(
            AgreementRows rows,
            AgreementLog log,
            Archived archived,
            Tombstones stones,
            ObjectProvider<WhenGone> rooms,
            Jobs jobs,
            RowLock lock,
            JdbcClient sql) {
        this.rows = rows;
        this.log = log;
        this.archived = archived;
        this.stones = stones;
        this.rooms = rooms;
        this.jobs = jobs;
        this.lock = lock;
        this.sql = sql;
    }

    /**
     * What stays of an agreement.
     *
     * @param statement as it is kept, {@code seal} the same under the office's signature (JWS)
     * @param read empty when somebody has made it unreadable
     */
    public record Stone(
            UUID id,
            AgreementNumber number,
            String statement,
            String seal,
            Instant destroyedAt,
            Optional<Tombstone> read) {}

    /** A place in the list of what is gone. */
    public record At(Instant destroyedAt, UUID id) {}

    /** How an agreement ended, and the end of its chain. */
    public record Ending(
            UUID id,
            AgreementNumber number,
            UUID template,
            String templateName,
            State state,
            Instant created,
            Instant ended,
            int events,
            Sha256 lastHash) {}

    /** @throws Refusal when there is none, or it hasn't ended */
    @Transactional(readOnly = true)
    public Ending ending(UUID id) {
        AgreementRow row = rows.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("agreement.unknown")));
        List<EventChain.Link> links = log.links(id);
        Agreement agreement = log.read(id);
        if (!agreement.state().ended())
            throw Refusal.conflict(Message.of("retention.not-ended", "number", row.number()));
        return new Ending(
                id,
                row.number(),
                row.templateId(),
                row.templateName(),
                agreement.state(),
                EventChain.read(links.get(0).json()).at(),
                agreement.since(),
                links.size(),
                new Sha256(links.get(links.size() - 1).hash()));
    }

    /**
     * An agreement goes, with all that any room keeps of it, and a tombstone takes its place: all of it or nothing.
     *
     * @param seal the tombstone's statement under the office's signature
     * @return whether it was there
     */
    @Transactional
    public boolean go(UUID id, Tombstone stone, String seal) {
        Optional<AgreementRow> found = rows.findById(id);
        if (found.isEmpty()) return false;
        AgreementRow row = lock.on(found.get());
        stones.set(id, row.templateId(), stone, seal);
        WhenGone.Gone gone = new WhenGone.Gone(id, row.number(), row.requestNumber());
        rooms.orderedStream().forEach(room -> room.gone(gone));
        jobs.forget(id);
        archived.takeOut(id);
        for (String table : OWN)
            sql.sql("delete from " + table + " where agreement_id = ?")
                    .param(id)
                    .update();
        // its events have referred to files, and are only ever added to otherwise
        sql.sql("delete from file_reference where source = 'agreement_event' and owner = ?")
                .param(id.toString())
                .update();
        sql.sql("delete from agreement where id = ?").param(id).update();
        return true;
    }

    /** What stays of one. */
    @Transactional(readOnly = true)
    public Optional<Stone> find(AgreementNumber number) {
        return stones.find(number);
    }

    /** Some of them. @param template of which; null for any @param after the one that it goes on after */
    @Transactional(readOnly = true)
    public List<Stone> list(UUID template, Optional<At> after, boolean lastFirst, int most) {
        return stones.list(template, after, lastFirst, most);
    }

    /** How many there are, up to {@code most}. */
    @Transactional(readOnly = true)
    public int count(UUID template, int most) {
        return stones.count(template, most);
    }
}
