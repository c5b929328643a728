package org.jalousie.server.archive.roots;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.roots.DailyRoot;
import org.jalousie.core.evidence.roots.Leaf;
import org.jalousie.core.json.Json;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Daily roots and their leaves as they are kept. */
@Repository
class RootStore {
    private static final String LEAVES = "select agreement, events, hash from daily_root_leaf";

    private final JdbcClient sql;

    RootStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** A root as it was stamped. @param statement its canonical JSON, {@code token} the time stamp over it (DER) */
    record Kept(long number, String statement, byte[] token) {
        /** @throws RuntimeException when somebody has made it unreadable */
        DailyRoot root() {
            return Json.MAPPER.readValue(statement, DailyRoot.class);
        }
    }

    Optional<Kept> last() {
        return kept("order by number desc limit 1").stream().findFirst();
    }

    Optional<Kept> find(long number) {
        return sql.sql("select number, statement, token from daily_root where number = ?")
                .param(number)
                .query((row, at) -> new Kept(row.getLong(1), row.getString(2), row.getBytes(3)))
                .optional();
    }

    /** All of them, oldest first. */
    List<Kept> all() {
        return kept("order by number");
    }

    /** Newest first. @param before only those with smaller numbers */
    List<Kept> newest(long before, int most) {
        return sql.sql("select number, statement, token from daily_root where number < ? order by number desc limit ?")
                .params(before, most)
                .query((row, at) -> new Kept(row.getLong(1), row.getString(2), row.getBytes(3)))
                .list();
    }

    /** The next newer ones, newest first. */
    List<Kept> newer(long after, int most) {
        return sql.sql("select number, statement, token from (select * from daily_root where number > ?"
                        + " order by number limit ?) newer order by number desc")
                .params(after, most)
                .query((row, at) -> new Kept(row.getLong(1), row.getString(2), row.getBytes(3)))
                .list();
    }

    long count() {
        return sql.sql("select count(*) from daily_root").query(Long.class).single();
    }

    private List<Kept> kept(String order) {
        return sql.sql("select number, statement, token from daily_root " + order)
                .query((row, at) -> new Kept(row.getLong(1), row.getString(2), row.getBytes(3)))
                .list();
    }

    /** The leaves that a root covers, in their order. */
    List<Leaf> leaves(long root) {
        return sql.sql("select distinct on (agreement) agreement, events, hash from daily_root_leaf"
                        + " where root <= ? order by agreement, root desc")
                .param(root)
                .query((row, at) -> leaf(row.getString(1), row.getInt(2), row.getString(3)))
                .list();
    }

    /** The leaves that are one root's own. */
    List<Leaf> newIn(long root) {
        return sql.sql(LEAVES + " where root = ? order by agreement")
                .param(root)
                .query((row, at) -> leaf(row.getString(1), row.getInt(2), row.getString(3)))
                .list();
    }

    /** How many leaves are each root's own. */
    Map<Long, Integer> countsOf(List<Long> roots) {
        Map<Long, Integer> counts = new HashMap<>();
        if (roots.isEmpty()) return counts;
        sql.sql("select root, count(*) from daily_root_leaf where root in (:roots) group by root")
                .param("roots", roots)
                .query(row -> {
                    counts.put(row.getLong(1), row.getInt(2));
                });
        return counts;
    }

    /** A leaf of one agreement, with the root that brought it. */
    record Covered(long root, Leaf leaf) {}

    /** One agreement's, oldest first. */
    List<Covered> of(AgreementNumber number) {
        return sql.sql("select agreement, events, hash, root from daily_root_leaf where agreement = ? order by root")
                .param(number.value())
                .query((row, at) ->
                        new Covered(row.getLong(4), leaf(row.getString(1), row.getInt(2), row.getString(3))))
                .list();
    }

    /** Whether a root covers an agreement that has come this far. */
    boolean isCovered(Leaf leaf) {
        return !sql.sql("select 1 from daily_root_leaf where agreement = ? and events = ? and hash = ? limit 1")
                .params(leaf.agreement(), leaf.events(), leaf.hash().hex())
                .query(Integer.class)
                .list()
                .isEmpty();
    }

    /** What stays of agreements that are gone. */
    record Stone(String number, String statement, String seal) {}

    List<Stone> stones() {
        return sql.sql("select number, statement, seal from tombstone order by number")
                .query((row, at) -> new Stone(row.getString(1), row.getString(2), row.getString(3)))
                .list();
    }

    private static Leaf leaf(String agreement, int events, String hash) {
        return new Leaf(agreement, events, new Sha256(hash));
    }

    /** How far each agreement has come now, where the last root knows it otherwise. */
    List<Leaf> changed() {
        return sql.sql("select a.number, e.sequence, e.hash from agreement a"
                        + " join lateral (select sequence, hash from agreement_event where agreement_id = a.id"
                        + "  order by sequence desc limit 1) e on true"
                        + " left join lateral (select events, hash from daily_root_leaf where agreement = a.number"
                        + "  order by root desc limit 1) l on true"
                        + " where l.events is distinct from e.sequence or l.hash is distinct from e.hash"
                        // what stays of an agreement that is gone is the last link of its chain
                        + " union all select t.number, t.events + 1, t.hash from tombstone t"
                        + " left join lateral (select events, hash from daily_root_leaf where agreement = t.number"
                        + "  order by root desc limit 1) l on true"
                        + " where l.events is distinct from t.events + 1 or l.hash is distinct from t.hash")
                .query((row, at) -> leaf(row.getString(1), row.getInt(2), row.getString(3)))
                .list();
    }

    /** All leaves of the next root. @param changed what is other than in the last root; {@code last} none for the first */
    List<Leaf> next(List<Leaf> changed, Optional<Kept> last) {
        TreeMap<String, Leaf> all = new TreeMap<>();
        last.ifPresent(root -> leaves(root.number()).forEach(leaf -> all.put(leaf.agreement(), leaf)));
        changed.forEach(leaf -> all.put(leaf.agreement(), leaf));
        return new ArrayList<>(all.values());
    }

    /** Keeps a root unless another was made meanwhile. @return whether it was kept */
    @Transactional
    boolean keep(Kept made, List<Leaf> changed) {
        sql.sql("select pg_advisory_xact_lock(hashtext('daily_root'))").query().singleRow();
        if (last().map(Kept::number).orElse(0L) != made.number() - 1) return false;
        sql.sql("insert into daily_root (number, statement, token) values (?, ?, ?)")
                .params(made.number(), made.statement(), made.token())
                .update();
        for (Leaf leaf : changed)
            sql.sql("insert into daily_root_leaf (agreement, root, events, hash) values (?, ?, ?, ?)")
                    .params(
                            leaf.agreement(),
                            made.number(),
                            leaf.events(),
                            leaf.hash().hex())
                    .update();
        return true;
    }

    /** What the last check came to. @param findings how many there are, of which some are {@code said} */
    record LastCheck(Instant at, int findings, List<String> said) {}

    Optional<LastCheck> lastCheck() {
        return sql.sql("select checked_at, findings, said from root_check order by checked_at desc limit 1")
                .query((row, at) -> new LastCheck(row.getTimestamp(1).toInstant(), row.getInt(2), List.of((String[])
                        row.getArray(3).getArray())))
                .optional();
    }

    @Transactional(propagation = Propagation.REQUIRED)
    void keepCheck(LastCheck check) {
        sql.sql("delete from root_check").update();
        sql.sql("insert into root_check (checked_at, findings, said) values (?, ?, ?)")
                .params(
                        Timestamp.from(check.at()),
                        check.findings(),
                        check.said().toArray(new String[0]))
                .update();
    }
}
