package org.jalousie.server.signing;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.FilePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Files that those who take part bring before they act. Whoever names another file than one that they have brought is refused. */
@Component
class AttachedFiles implements AfterEvents {
    /** How many somebody may bring, those that are then left out among them. */
    private static final int MOST = 20;

    private final JdbcClient sql;
    private final FileStore files;
    private final Clock clock;
    private final Semaphore turns = new Semaphore(2, true);

    AttachedFiles(JdbcClient sql, FileStore files, Clock clock) {
        this.sql = sql;
        this.files = files;
        this.clock = clock;
    }

    /** @throws Refusal when no more can be brought */
    void requireRoom(Links.Holder holder) {
        if (brought(holder).size() >= MOST) throw Refusal.conflict(Message.of("attach.many", "most", MOST));
    }

    /**
     * The file as it is kept. A picture becomes many times its size when it is opened, so only a few are opened at once.
     *
     * @param name as its owner calls it
     * @throws Refusal for what is too large, or neither a PDF nor a picture
     */
    byte[] opened(String name, byte[] bytes) {
        if (bytes.length > OpenFiles.LARGEST)
            throw Refusal.invalid(Message.of("attach.large", "most", OpenFiles.LARGEST / 1_000_000));
        turns.acquireUninterruptibly();
        try {
            return OpenFiles.taken(bytes)
                    .orElseThrow(() -> Refusal.invalid(Message.of("attach.kind", "name", plain(name))));
        } finally {
            turns.release();
        }
    }

    private static String plain(String name) {
        String plain = OpenFiles.plain(name, AttachedFile.LONGEST_NAME);
        return plain.isEmpty() ? "file" : plain;
    }

    /** Keeps an opened file for somebody. @param name as its owner calls it */
    @Transactional(propagation = Propagation.MANDATORY)
    public AttachedFile keep(Links.Holder holder, String name, byte[] opened) {
        AttachedFile file = new AttachedFile(files.keep(opened), plain(name));
        if (brought(holder).contains(file)) return file;
        sql.sql("insert into attached_file (id, agreement_id, party, sha256, name, brought_at)"
                        + " values (?, ?, ?, ?, ?, ?)")
                .params(
                        UUID.randomUUID(),
                        holder.agreementId(),
                        holder.party().value(),
                        file.file().hex(),
                        file.name(),
                        Timestamp.from(clock.instant()))
                .update();
        return file;
    }

    private List<AttachedFile> brought(Links.Holder holder) {
        return sql.sql("select sha256, name from attached_file where agreement_id = ? and party = ?")
                .params(holder.agreementId(), holder.party().value())
                .query((row, number) -> new AttachedFile(new Sha256(row.getString(1)), row.getString(2)))
                .list();
    }

    /** @throws Refusal naming at its field what this person hasn't brought */
    void requireBrought(Links.Holder holder, List<SigningField> fields, Map<String, String> answers) {
        Map<String, Message> faults = new HashMap<>();
        List<AttachedFile> brought = null;
        for (SigningField field : fields) {
            String answer = answers.getOrDefault(field.name(), "");
            if (!(field.type() instanceof FilePlace) || answer.isEmpty()) continue;
            if (brought == null) brought = brought(holder);
            boolean theirs = AttachedFile.read(answer).filter(brought::contains).isPresent();
            if (!theirs) faults.put(field.name(), Message.of("attach.gone"));
        }
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("fields.mend"), faults);
    }

    /** What nobody has answered with goes when the agreement ends; what the trail names stays. */
    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (agreement.state().ended())
            sql.sql("delete from attached_file where agreement_id = ?")
                    .param(id)
                    .update();
    }
}
