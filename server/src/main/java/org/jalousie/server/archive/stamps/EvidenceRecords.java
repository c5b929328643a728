package org.jalousie.server.archive.stamps;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.stamps.ArchiveStamp;
import org.jalousie.core.evidence.stamps.EvidenceRecord;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What proves how old a file is (RFC 4998), put together from the archive time stamps that are kept. */
@Repository
public class EvidenceRecords {
    private final JdbcClient sql;

    EvidenceRecords(JdbcClient sql) {
        this.sql = sql;
    }

    /** Of a file of an agreement; empty while it isn't stamped. */
    @Transactional(readOnly = true)
    public Optional<EvidenceRecord> of(UUID agreement, Sha256 file) {
        return record(sql.sql("select stamp, path from stamped_file where agreement_id = ? and file = ? order by stamp")
                .params(agreement, file.hex())
                .query((row, at) -> new Head(row.getLong(1), row.getBytes(2)))
                .list());
    }

    /** The same as a file to give out; empty too when somebody has made unreadable what is kept of it. */
    public Optional<byte[]> fileOf(UUID agreement, Sha256 file) {
        return asFound(agreement, file).filter(one -> one.length > 0);
    }

    /** The same to be checked: what can't be read is a file without anything in it, which proves nothing. */
    @Transactional(readOnly = true)
    public Optional<byte[]> asFound(UUID agreement, Sha256 file) {
        try {
            return of(agreement, file).map(EvidenceRecord::file);
        } catch (IllegalArgumentException e) {
            return Optional.of(new byte[0]);
        }
    }

    /** Of a part of a daily root; empty while it isn't stamped. */
    @Transactional(readOnly = true)
    Optional<EvidenceRecord> of(Stamped.Root root) {
        return record(sql.sql("select stamp, path from stamped_root where root = ? and part = ? order by stamp")
                .params(root.root(), root.part().name())
                .query((row, at) -> new Head(row.getLong(1), row.getBytes(2)))
                .list());
    }

    /** The first stamp of a chain. */
    private record Head(long stamp, byte[] path) {}

    private Optional<EvidenceRecord> record(List<Head> heads) {
        if (heads.isEmpty()) return Optional.empty();
        List<List<ArchiveStamp>> chains = new ArrayList<>();
        for (int i = 0; i < heads.size(); i++) {
            // what was renewed after the next chain had begun is none of this one's
            long end = i + 1 < heads.size() ? heads.get(i + 1).stamp() : Long.MAX_VALUE;
            chains.add(chain(heads.get(i), end));
        }
        return Optional.of(new EvidenceRecord(chains));
    }

    private List<ArchiveStamp> chain(Head head, long end) {
        List<ArchiveStamp> chain = new ArrayList<>();
        byte[] path = head.path();
        for (Optional<Long> next = Optional.of(head.stamp()); next.isPresent(); ) {
            Kept kept = kept(next.get());
            Optional<Renewal> renewal = kept.renewal().filter(one -> one.by() < end);
            chain.add(new ArchiveStamp(
                    kept.algorithm(), path, renewal.map(Renewal::token).orElse(kept.token())));
            path = renewal.map(Renewal::path).orElse(path);
            next = renewal.map(Renewal::by);
        }
        return chain;
    }

    private record Renewal(long by, byte[] token, byte[] path) {}

    private record Kept(HashAlgorithm algorithm, byte[] token, Optional<Renewal> renewal) {}

    private Kept kept(long stamp) {
        return sql.sql("select s.algorithm, s.token, n.renewed_by, n.token, n.path from archive_stamp s"
                        + " left join renewed_stamp n on n.stamp = s.number where s.number = ?")
                .param(stamp)
                .query((row, at) -> new Kept(
                        HashAlgorithm.valueOf(row.getString(1)),
                        row.getBytes(2),
                        row.getObject(3) == null
                                ? Optional.empty()
                                : Optional.of(new Renewal(row.getLong(3), row.getBytes(4), row.getBytes(5)))))
                .single();
    }
}
