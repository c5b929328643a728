package org.jalousie.server.scans;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.core.paper.Finding;
import org.jalousie.core.placement.DocumentId;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;

/** Scans and their pages as they are kept. */
@Repository
class ScanRows {
    private static final String SCAN =
            "select id, name, file, agreement_id, brought_by, brought_at, state, fault, pages,"
                    + " (select count(*) from scan_page where scan_id = scan.id) as seen from scan ";
    private static final String PAGE = "select p.id, p.scan_id, p.number, p.kind, p.agreement_id, p.document, p.page,"
            + " p.printed, p.marked, p.by_hand, p.picture, p.wide, p.high, p.laid, p.findings::text, s.brought_at"
            + " from scan_page p join scan s on s.id = p.scan_id ";

    private static final String SHOWN = "where not exists (select from agreement a where a.template_id = any (?)"
            + " and (a.id = scan.agreement_id"
            + " or exists (select from scan_page p where p.scan_id = scan.id and p.agreement_id = a.id)))";

    private final JdbcClient sql;

    ScanRows(JdbcClient sql) {
        this.sql = sql;
    }

    /** How far a file has been read. */
    enum State {
        READING,
        READ,
        /** It can't be read; why is told. */
        REFUSED
    }

    /** What a page is. */
    enum Kind {
        /** Of a print that is out. */
        MATCHED,
        /** Nothing is on it. */
        BLANK,
        /** No mark can be read, and it isn't known what it is. */
        NO_MARK,
        /** Of an agreement that isn't known here. */
        UNKNOWN,
        /** Of a print of other documents than those that are out now. */
        OTHER_PRINT,
        /** Of an agreement that isn't signed on paper, or not any more. */
        NOT_ON_PAPER,
        UNREADABLE
    }

    /**
     * A file.
     *
     * @param agreement for which it was brought; empty where that wasn't said
     * @param seen how many of its pages have been read
     */
    record Scan(
            UUID id,
            String name,
            Optional<Sha256> file,
            Optional<UUID> agreement,
            String broughtBy,
            Instant broughtAt,
            State state,
            String fault,
            int pages,
            int seen) {}

    /** Which page of which agreement something is. @param printed the state of the document that it was printed from */
    record Place(UUID agreement, DocumentId document, int page, Sha256 printed) {}

    /** A page as a picture. @param wide in PDF points, {@code laid} as it lies over the printed page */
    record Pictures(Sha256 picture, double wide, double high, Optional<Sha256> laid) {}

    /** A page. @param number within its file, from 1; {@code named} the agreement that its mark names, whatever became of that */
    record Page(
            UUID id,
            UUID scan,
            int number,
            Kind kind,
            Optional<Place> place,
            Optional<UUID> named,
            boolean marked,
            boolean byHand,
            Optional<Pictures> pictures,
            List<Finding> findings,
            Instant broughtAt) {}

    void add(Scan scan) {
        sql.sql(
                        "insert into scan (id, name, file, agreement_id, brought_by, brought_at, state) values (?, ?, ?, ?, ?, ?, ?)")
                .params(
                        scan.id(),
                        scan.name(),
                        scan.file().map(Sha256::hex).orElse(""),
                        scan.agreement().orElse(null),
                        scan.broughtBy(),
                        Timestamp.from(scan.broughtAt()),
                        scan.state().name())
                .update();
    }

    Optional<Scan> find(UUID id) {
        return sql.sql(SCAN + "where id = ?").param(id).query(ScanRows::scan).optional();
    }

    /** The newest but for those that have anything of some templates. @param hidden these templates */
    List<Scan> newest(Collection<UUID> hidden, int most, int offset) {
        return sql.sql(SCAN + SHOWN + " order by brought_at desc, id desc limit ? offset ?")
                .params(hidden.toArray(UUID[]::new), most, offset)
                .query(ScanRows::scan)
                .list();
    }

    long count(Collection<UUID> hidden) {
        return sql.sql("select count(*) from scan " + SHOWN)
                .param(hidden.toArray(UUID[]::new))
                .query(Long.class)
                .single();
    }

    void pages(UUID id, int pages) {
        sql.sql("update scan set pages = ? where id = ?").params(pages, id).update();
    }

    void settle(UUID id, State state, String fault) {
        sql.sql("update scan set state = ?, fault = ? where id = ? and state = 'READING'")
                .params(state.name(), fault, id)
                .update();
    }

    /** @return whether there was one */
    boolean remove(UUID id) {
        return sql.sql("delete from scan where id = ?").param(id).update() > 0;
    }

    /** Keeps what a page was found to be; what it was before, unless somebody has said that by hand, is no more. */
    void keep(Page page) {
        sql.sql(
                        "insert into scan_page (id, scan_id, number, kind, agreement_id, document, page, printed, marked, by_hand,"
                                + " picture, wide, high, laid, findings)"
                                // the file may have been thrown away while it was read
                                + " select ?, id, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?::jsonb from scan where id = ?"
                                + " on conflict (scan_id, number) do update set kind = excluded.kind,"
                                + " agreement_id = excluded.agreement_id, document = excluded.document, page = excluded.page,"
                                + " printed = excluded.printed, marked = excluded.marked, by_hand = excluded.by_hand,"
                                + " picture = excluded.picture, wide = excluded.wide, high = excluded.high, laid = excluded.laid,"
                                + " findings = excluded.findings where excluded.by_hand or not scan_page.by_hand")
                .params(
                        page.id(),
                        page.number(),
                        page.kind().name(),
                        page.place().map(Place::agreement).or(page::named).orElse(null),
                        page.place().map(one -> one.document().value()).orElse(null),
                        page.place().map(Place::page).orElse(null),
                        page.place().map(one -> one.printed().hex()).orElse(null),
                        page.marked(),
                        page.byHand(),
                        page.pictures().map(one -> one.picture().hex()).orElse(null),
                        page.pictures().map(Pictures::wide).orElse(null),
                        page.pictures().map(Pictures::high).orElse(null),
                        page.pictures().flatMap(Pictures::laid).map(Sha256::hex).orElse(null),
                        Json.canonical(page.findings()),
                        page.scan())
                .update();
    }

    List<Page> pagesOf(UUID scan) {
        return sql.sql(PAGE + "where p.scan_id = ? order by p.number")
                .param(scan)
                .query(ScanRows::page)
                .list();
    }

    Optional<Page> page(UUID scan, int number) {
        return sql.sql(PAGE + "where p.scan_id = ? and p.number = ?")
                .params(scan, number)
                .query(ScanRows::page)
                .optional();
    }

    /** All pages that are an agreement's, the newest first. */
    List<Page> ofAgreement(UUID agreement) {
        return sql.sql(
                        PAGE
                                + "where p.agreement_id = ? and p.kind = 'MATCHED' order by s.brought_at desc, s.id, p.number desc")
                .param(agreement)
                .query(ScanRows::page)
                .list();
    }

    /** Files that were brought for an agreement, or have pages of it. */
    List<Scan> scansOf(UUID agreement) {
        return sql.sql(SCAN + "where agreement_id = ? or exists (select 1 from scan_page p where p.scan_id = scan.id"
                        + " and p.agreement_id = ?) order by brought_at desc, id desc limit 50")
                .params(agreement, agreement)
                .query(ScanRows::scan)
                .list();
    }

    /** How many pages of a file are of an agreement; empty for those of none, as far as something is on them. */
    record Whose(UUID scan, Optional<UUID> agreement, int pages) {}

    /** Whose pages are in files. */
    Map<UUID, List<Whose>> whose(Collection<UUID> scans) {
        if (scans.isEmpty()) return Map.of();
        return sql
                .sql(
                        "select scan_id, case when kind = 'MATCHED' then agreement_id end as whose, count(*) from scan_page"
                                + " where scan_id in (:scans) and kind <> 'BLANK' group by scan_id, whose order by min(number)")
                .param("scans", scans)
                .query((row, number) -> new Whose(
                        row.getObject(1, UUID.class), Optional.ofNullable(row.getObject(2, UUID.class)), row.getInt(3)))
                .list()
                .stream()
                .collect(Collectors.groupingBy(Whose::scan));
    }

    private static Scan scan(ResultSet row, int number) throws SQLException {
        return new Scan(
                row.getObject("id", UUID.class),
                row.getString("name"),
                Sha256.read(row.getString("file")),
                Optional.ofNullable(row.getObject("agreement_id", UUID.class)),
                row.getString("brought_by"),
                row.getTimestamp("brought_at").toInstant(),
                State.valueOf(row.getString("state")),
                row.getString("fault"),
                row.getInt("pages"),
                row.getInt("seen"));
    }

    private static Page page(ResultSet row, int number) throws SQLException {
        Optional<Place> place =
                Optional.ofNullable(row.getObject("agreement_id", UUID.class)).isPresent()
                                && row.getString("document") != null
                        ? Optional.of(new Place(
                                row.getObject("agreement_id", UUID.class),
                                new DocumentId(row.getString("document")),
                                row.getInt("page"),
                                new Sha256(row.getString("printed"))))
                        : Optional.empty();
        Optional<Pictures> pictures = Sha256.read(row.getString("picture")).isPresent()
                ? Optional.of(new Pictures(
                        new Sha256(row.getString("picture")),
                        row.getDouble("wide"),
                        row.getDouble("high"),
                        Sha256.read(row.getString("laid"))))
                : Optional.empty();
        return new Page(
                row.getObject("id", UUID.class),
                row.getObject("scan_id", UUID.class),
                row.getInt("number"),
                Kind.valueOf(row.getString("kind")),
                place,
                Optional.ofNullable(row.getObject("agreement_id", UUID.class)),
                row.getBoolean("marked"),
                row.getBoolean("by_hand"),
                pictures,
                Json.MAPPER.readValue(row.getString("findings"), new TypeReference<List<Finding>>() {}),
                row.getTimestamp("brought_at").toInstant());
    }
}
