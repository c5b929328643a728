package org.jalousie.server.archive.dates;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.filing.dates.KeyDate;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The watched days of completed agreements. */
@Repository
class DateStore {
    /** How far a day has come. */
    enum State {
        OPEN,
        /** Somebody has dealt with it. */
        SETTLED,
        /** The agreement was renewed by another one. */
        RENEWED,
        /** It was over before it was watched. */
        PAST
    }

    /** An agreement whose days are watched, and who takes care of what was asked for. */
    record Watched(
            UUID agreement,
            UUID template,
            String number,
            String title,
            String templateName,
            String request,
            String owner,
            String ownerName) {}

    /**
     * One day.
     *
     * @param term which of those that come again, from 0
     * @param every in how many months it comes again; 0 for never
     * @param moved whether somebody has said by hand which day it is
     * @param warned how many days before was told last
     * @param renewedBy the number of the agreement that renewed this one; empty for none
     */
    record Row(
            UUID id,
            Watched of,
            String key,
            int term,
            int every,
            String what,
            KeyDate.Kind kind,
            LocalDate day,
            boolean moved,
            State state,
            Optional<Integer> warned,
            String renewedBy) {
        boolean open() {
            return state == State.OPEN;
        }
    }

    static final String COLUMNS = "id, agreement_id, template_id, number, title, template_name, request, owner,"
            + " owner_name, date_key, term, every, what, kind, day, moved, state, warned, renewed_by";
    static final RowMapper<Row> ROW = (row, at) -> new Row(
            row.getObject("id", UUID.class),
            new Watched(
                    row.getObject("agreement_id", UUID.class),
                    row.getObject("template_id", UUID.class),
                    row.getString("number"),
                    row.getString("title"),
                    row.getString("template_name"),
                    row.getString("request"),
                    row.getString("owner"),
                    row.getString("owner_name")),
            row.getString("date_key"),
            row.getInt("term"),
            row.getInt("every"),
            row.getString("what"),
            KeyDate.Kind.valueOf(row.getString("kind")),
            row.getObject("day", LocalDate.class),
            row.getBoolean("moved"),
            State.valueOf(row.getString("state")),
            Optional.ofNullable(row.getObject("warned", Integer.class)),
            row.getString("renewed_by"));

    private final JdbcClient sql;

    DateStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** A day that is watched from now on, unless it is already. */
    void add(Watched of, KeyDate date, int term, LocalDate day, State state, String renewedBy) {
        sql.sql("insert into key_date (id, agreement_id, template_id, number, title, template_name, request, owner,"
                        + " owner_name, date_key, term, every, what, kind, day, state, warns_on, renewed_by)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict do nothing")
                .params(
                        UUID.randomUUID(),
                        of.agreement(),
                        of.template(),
                        of.number(),
                        of.title(),
                        of.templateName(),
                        of.request(),
                        of.owner(),
                        of.ownerName(),
                        date.key(),
                        term,
                        date.every(),
                        date.title(),
                        date.kind().name(),
                        day,
                        state.name(),
                        date.warnsOn(day, Optional.empty()).orElse(null),
                        renewedBy)
                .update();
    }

    /** What is said of a day anew. Of another day nobody has been warned. */
    void settle(Row row, KeyDate date, LocalDate day, State state, boolean moved) {
        Optional<Integer> warned = day.equals(row.day()) ? row.warned() : Optional.empty();
        sql.sql("update key_date set what = ?, kind = ?, every = ?, day = ?, state = ?, moved = ?, warned = ?,"
                        + " warns_on = ? where id = ?")
                .params(
                        date.title(),
                        date.kind().name(),
                        date.every(),
                        day,
                        state.name(),
                        moved,
                        warned.orElse(null),
                        date.warnsOn(day, warned).orElse(null),
                        row.id())
                .update();
    }

    /** @param day of which {@code days} before was told */
    void warned(Row row, Integer days, Optional<LocalDate> next) {
        sql.sql("update key_date set warned = ?, warns_on = ? where id = ?")
                .params(days, next.orElse(null), row.id())
                .update();
    }

    void become(UUID id, State state, String renewedBy) {
        sql.sql("update key_date set state = ?, renewed_by = ? where id = ?")
                .params(state.name(), renewedBy, id)
                .update();
    }

    void remove(UUID id) {
        sql.sql("delete from key_date where id = ?").param(id).update();
    }

    void owned(String request, String mail, String name) {
        // in the order in which all lock them
        sql.sql("select id from key_date where request = ? order by agreement_id, id for update")
                .param(request)
                .query(UUID.class)
                .list();
        sql.sql("update key_date set owner = ?, owner_name = ? where request = ?")
                .params(mail, name, request)
                .update();
    }

    /** The template of a day's agreement. */
    Optional<UUID> templateOf(UUID id) {
        return sql.sql("select template_id from key_date where id = ?")
                .param(id)
                .query(UUID.class)
                .optional();
    }

    /** Whether anything was done about it. */
    boolean touched(UUID id) {
        return sql.sql("select exists (select 1 from key_date_act where date_id = ?)")
                .param(id)
                .query(Boolean.class)
                .single();
    }

    /** One, which nobody else changes meanwhile, nor any other of its agreement: all are locked in one order. */
    Optional<Row> held(UUID id) {
        return sql.sql("select agreement_id from key_date where id = ?")
                .param(id)
                .query(UUID.class)
                .optional()
                .map(this::heldOf)
                .flatMap(
                        rows -> rows.stream().filter(row -> row.id().equals(id)).findFirst());
    }

    /** Those of an agreement by their days, which nobody else changes meanwhile. */
    List<Row> heldOf(UUID agreement) {
        return sql.sql("select " + COLUMNS + " from key_date where agreement_id = ? order by id for update")
                .param(agreement)
                .query(ROW)
                .list();
    }

    /** Those of an agreement by their days. */
    List<Row> of(AgreementNumber number) {
        return sql.sql("select " + COLUMNS + " from key_date where number = ? order by open desc, day, id")
                .param(number.value())
                .query(ROW)
                .list();
    }

    /** Some that a warning of is due, which nobody else warns of meanwhile. */
    List<Row> toWarn(LocalDate until, int most) {
        return sql.sql("select " + COLUMNS + " from key_date where state = 'OPEN' and warns_on <= ?"
                        + " order by warns_on limit ? for update skip locked")
                .params(until, most)
                .query(ROW)
                .list();
    }

    /** Something that was done. @param day that it was then */
    record Act(String act, LocalDate day, String note, String by, Instant at) {}

    void did(UUID id, Act act) {
        sql.sql("insert into key_date_act (date_id, act, day, note, acted_by, at) values (?, ?, ?, ?, ?, ?)")
                .params(id, act.act(), act.day(), act.note(), act.by(), act.at().atOffset(ZoneOffset.UTC))
                .update();
    }

    /** What was done about some of them, the newest first. */
    Map<UUID, List<Act>> acts(Collection<UUID> ids) {
        Map<UUID, List<Act>> acts = new HashMap<>();
        if (!ids.isEmpty())
            sql.sql(
                            "select date_id, act, day, note, acted_by, at from key_date_act where date_id in (:ids) order by id desc")
                    .param("ids", ids)
                    .query(row -> {
                        acts.computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
                                .add(new Act(
                                        row.getString(2),
                                        row.getObject(3, LocalDate.class),
                                        row.getString(4),
                                        row.getString(5),
                                        row.getTimestamp(6).toInstant()));
                    });
        return acts;
    }

    /** A mail tells of some. @param about what the mail is known by */
    void tells(UUID about, List<Row> rows) {
        for (Row row : rows)
            sql.sql("insert into key_date_mail (mail_about, date_id, day) values (?, ?, ?)")
                    .params(about, row.id(), row.day())
                    .update();
    }

    /** What a mail tells of and is still so, the nearest first. */
    List<Row> toldBy(UUID about) {
        return sql.sql("select d." + COLUMNS.replace(", ", ", d.")
                        + " from key_date_mail m join key_date d on d.id = m.date_id"
                        + " and d.day = m.day and d.state = 'OPEN' where m.mail_about = ? order by d.day, d.id")
                .param(about)
                .query(ROW)
                .list();
    }
}
