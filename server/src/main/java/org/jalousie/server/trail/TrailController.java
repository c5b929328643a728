package org.jalousie.server.trail;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What was done to the office, over HTTP, for administrators. */
@RestController
@RequestMapping("/api/v1/trail")
class TrailController {
    private final JdbcClient sql;

    TrailController(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * @param number of the act, counted up
     * @param program whether a program did it, with a key
     * @param from the network address that it came from
     * @param request the id by which the logs have it
     */
    record OfficeAct(
            long number,
            Instant at,
            String mail,
            String name,
            boolean program,
            String from,
            String request,
            String area,
            String said) {}

    /**
     * What was done to the office, the last first.
     *
     * @param by whose acts; empty for everybody's
     * @param area such as {@code people}; empty for all
     */
    @GetMapping
    KeyedPage<OfficeAct> list(
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "") String area,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "") String before) {
        ListPlace place = ListPlace.of("", page, after, before);
        List<Object> narrowed = new ArrayList<>();
        String where = narrow(by, area, narrowed);
        List<Object> values = new ArrayList<>(narrowed);
        place.row().ifPresent(row -> values.add(row.id().getLeastSignificantBits()));
        values.add(place.row().isPresent() ? 0 : place.page() * Page.SIZE);
        String from = place.row().isEmpty() ? "" : place.back() ? " and id > ?" : " and id < ?";
        List<OfficeAct> found = sql.sql(
                        "select id, at, by_mail, by_name, by_program, from_address, request_id, area, said"
                                + " from office_act where " + where + from + " order by id "
                                + (place.back() ? "asc" : "desc")
                                + " limit " + (Page.SIZE + 1) + " offset ?")
                .params(values)
                .query((row, i) -> act(row))
                .list();
        int counted = sql.sql("select count(*) from (select 1 from office_act where " + where + " limit "
                        + (KeyedPage.MOST_COUNTED + 1) + ") counted")
                .params(narrowed)
                .query(Integer.class)
                .single();
        return KeyedPage.of(
                found,
                place,
                counted,
                rows -> rows,
                (row, at) -> new ListPlace.Row(at, new UUID(0, row.number()), "number", "" + row.number()));
    }

    private static String narrow(String by, String area, List<Object> values) {
        String where = "true";
        if (!by.isBlank()) {
            where += " and by_mail = ?";
            values.add(by.strip().toLowerCase(Locale.ROOT));
        }
        if (!area.isBlank()) {
            where += " and area = ?";
            values.add(area);
        }
        return where;
    }

    private static OfficeAct act(ResultSet row) throws SQLException {
        return new OfficeAct(
                row.getLong("id"),
                row.getTimestamp("at").toInstant(),
                row.getString("by_mail"),
                row.getString("by_name"),
                row.getBoolean("by_program"),
                row.getString("from_address"),
                row.getString("request_id"),
                row.getString("area"),
                row.getString("said"));
    }
}
