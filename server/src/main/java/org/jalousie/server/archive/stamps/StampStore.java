package org.jalousie.server.archive.stamps;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.HashTree;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Archive time stamps as they are kept, and what they don't cover yet. */
@Repository
class StampStore {
    /** The newest stamp of a file or root is the one on which all before it rest. */
    private static final String NEWEST_OF_FILE = " not exists (select 1 from stamped_file later"
            + " where later.agreement_id = f.agreement_id and later.file = f.file and later.stamp > f.stamp)";

    private static final String NEWEST_OF_ROOT = " not exists (select 1 from stamped_root later"
            + " where later.root = r.root and later.part = r.part and later.stamp > r.stamp)";

    private final JdbcClient sql;
    private final JdbcTemplate batches;

    StampStore(JdbcClient sql, JdbcTemplate batches) {
        this.sql = sql;
        this.batches = batches;
    }

    /** The number of the last one; 0 while there is none. */
    long last() {
        return sql.sql("select coalesce(max(number), 0) from archive_stamp")
                .query(Long.class)
                .single();
    }

    /** An agreement whose files are stamped. */
    record Whose(UUID id, AgreementNumber number) {}

    /** Completed agreements of which nothing is stamped yet. @param after the last that was had before; none for the first */
    List<Whose> unstamped(Optional<UUID> after, int most) {
        return sql.sql("select a.id, a.number from agreement a where a.state = 'COMPLETED' and a.id > ?"
                        + " and not exists (select 1 from stamped_file f where f.agreement_id = a.id)"
                        + " order by a.id limit ?")
                .params(after.orElse(new UUID(0, 0)), most)
                .query((row, at) -> new Whose(row.getObject(1, UUID.class), new AgreementNumber(row.getString(2))))
                .list();
    }

    /** Daily roots of which nothing is stamped yet. */
    List<Long> unstampedRoots(int most) {
        return sql.sql("select d.number from daily_root d where not exists"
                        + " (select 1 from stamped_root r where r.root = d.number) order by d.number limit ?")
                .param(most)
                .query(Long.class)
                .list();
    }

    /** Agreements of which a file's newest stamp was made with such an algorithm. @param after as above */
    List<Whose> hashedWith(Set<HashAlgorithm> algorithms, Optional<UUID> after, int most) {
        return sql.sql("select distinct f.agreement_id, a.number from stamped_file f"
                        + " join archive_stamp s on s.number = f.stamp join agreement a on a.id = f.agreement_id"
                        + " where s.algorithm in (:weak) and f.agreement_id > :after and" + NEWEST_OF_FILE
                        + " order by f.agreement_id limit :most")
                .param("weak", names(algorithms))
                .param("after", after.orElse(new UUID(0, 0)))
                .param("most", most)
                .query((row, at) -> new Whose(row.getObject(1, UUID.class), new AgreementNumber(row.getString(2))))
                .list();
    }

    /** Files of an agreement whose newest stamp was made with such an algorithm. */
    List<Sha256> filesHashedWith(Set<HashAlgorithm> algorithms, UUID agreement) {
        return sql.sql("select f.file from stamped_file f join archive_stamp s on s.number = f.stamp"
                        + " where s.algorithm in (:weak) and f.agreement_id = :agreement and" + NEWEST_OF_FILE
                        + " order by f.file")
                .param("weak", names(algorithms))
                .param("agreement", agreement)
                .query((row, at) -> new Sha256(row.getString(1)))
                .list();
    }

    /** Parts of roots whose newest stamp was made with such an algorithm. */
    List<Stamped.Root> rootsHashedWith(Set<HashAlgorithm> algorithms, Stamped.Root after, int most) {
        return sql.sql("select r.root, r.part from stamped_root r join archive_stamp s on s.number = r.stamp"
                        + " where s.algorithm in (:weak) and (r.root, r.part) > (:root, :part) and" + NEWEST_OF_ROOT
                        + " order by r.root, r.part limit :most")
                .param("weak", names(algorithms))
                .param("root", after.root())
                .param("part", after.part().name())
                .param("most", most)
                .query((row, at) -> new Stamped.Root(row.getLong(1), Stamped.Part.valueOf(row.getString(2))))
                .list();
    }

    private static List<String> names(Set<HashAlgorithm> algorithms) {
        return algorithms.stream().map(HashAlgorithm::name).toList();
    }

    /** The bytes of a part of a root; empty when somebody has removed it. */
    Optional<byte[]> part(Stamped.Root root) {
        String what = root.part() == Stamped.Part.TOKEN ? "token" : "convert_to(statement, 'UTF8')";
        return sql.sql("select " + what + " from daily_root where number = ?")
                .param(root.root())
                .query((row, at) -> row.getBytes(1))
                .optional();
    }

    /** A stamp that stands for something and isn't renewed. */
    record InForce(long number, HashAlgorithm algorithm, byte[] imprint, byte[] token, Instant at, Instant until) {}

    /** Those in force, the first to end first. */
    List<InForce> inForce() {
        return sql.sql("select number, algorithm, imprint, token, stamped_at, holds_until from archive_stamp s where"
                        + StampLists.IN_FORCE + " order by holds_until, number")
                .query((row, at) -> new InForce(
                        row.getLong(1),
                        HashAlgorithm.valueOf(row.getString(2)),
                        row.getBytes(3),
                        row.getBytes(4),
                        row.getTimestamp(5).toInstant(),
                        row.getTimestamp(6).toInstant()))
                .list();
    }

    /** On which of these something rests: a file or root that has no later one, through any number of renewals. */
    Set<Long> needed(List<Long> stamps) {
        if (stamps.isEmpty()) return Set.of();
        return new HashSet<>(sql.sql(
                        "with recursive under (tip, stamp) as (select number, number from archive_stamp where number in (:stamps)"
                                + " union all select u.tip, n.stamp from under u join renewed_stamp n on n.renewed_by = u.stamp)"
                                + " select distinct u.tip from under u where"
                                + " exists (select 1 from stamped_file f where f.stamp = u.stamp and" + NEWEST_OF_FILE
                                + ")"
                                + " or exists (select 1 from stamped_root r where r.stamp = u.stamp and"
                                + NEWEST_OF_ROOT + ")")
                .param("stamps", stamps)
                .query(Long.class)
                .list());
    }

    /** Notes that nothing rests on a stamp any more. */
    void letGo(long stamp) {
        sql.sql("insert into stamp_let_go (stamp) values (?) on conflict do nothing")
                .param(stamp)
                .update();
    }

    /**
     * Keeps a stamp unless another was made meanwhile. What has gone since it was asked for is left out.
     *
     * @return whether it was kept
     */
    @Transactional
    boolean keep(Stamped.Made made) {
        sql.sql("select pg_advisory_xact_lock(hashtext('archive_stamp'))")
                .query()
                .singleRow();
        if (last() != made.number() - 1) return false;
        sql.sql(
                        "insert into archive_stamp (number, algorithm, imprint, token, stamped_at, stamped_by, holds_until, files,"
                                + " roots, stamps) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        made.number(),
                        made.algorithm().name(),
                        made.imprint(),
                        made.token(),
                        Timestamp.from(made.at()),
                        made.by(),
                        Timestamp.from(made.until()),
                        made.files(),
                        made.roots(),
                        made.stamps())
                .update();
        HashTree tree = made.tree();
        Set<UUID> there = held(made.leaves());
        List<Object[]> files = new ArrayList<>();
        List<Object[]> roots = new ArrayList<>();
        List<Object[]> stamps = new ArrayList<>();
        for (int i = 0; i < made.leaves().size(); i++) {
            Stamped what = made.leaves().get(i).what();
            byte[] path = tree.reduced(i);
            if (what instanceof Stamped.File one) {
                if (there.contains(one.agreement()))
                    files.add(new Object[] {one.agreement(), one.file().hex(), made.number(), path});
            } else if (what instanceof Stamped.Root one) {
                roots.add(new Object[] {one.root(), one.part().name(), made.number(), path});
            } else if (what instanceof Stamped.Stamp one) {
                stamps.add(new Object[] {one.stamp(), made.number(), one.token(), path});
            }
        }
        batches.batchUpdate("insert into stamped_file (agreement_id, file, stamp, path) values (?, ?, ?, ?)", files);
        batches.batchUpdate("insert into stamped_root (root, part, stamp, path) values (?, ?, ?, ?)", roots);
        batches.batchUpdate("insert into renewed_stamp (stamp, renewed_by, token, path) values (?, ?, ?, ?)", stamps);
        return true;
    }

    /** Agreements that are there yet, and stay until this is kept. */
    private Set<UUID> held(List<Stamped.Leaf> leaves) {
        List<UUID> wanted = leaves.stream()
                .map(Stamped.Leaf::what)
                .filter(Stamped.File.class::isInstance)
                .map(one -> ((Stamped.File) one).agreement())
                .distinct()
                .toList();
        if (wanted.isEmpty()) return Set.of();
        return new HashSet<>(sql.sql("select id from agreement where id in (:ids) order by id for key share")
                .param("ids", wanted)
                .query(UUID.class)
                .list());
    }
}
