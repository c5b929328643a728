package org.jalousie.server.registers;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.filing.SearchWords;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Rows as lists show them: found, narrowed and sorted by any column, by indexes alone. */
@Component
class RowLists {
    private static final int MOST_FILTERS = 10;

    /** Behind any other, U+10FFFF. */
    private static final String LAST_LETTER = "\udbff\udfff";

    private final JdbcClient sql;
    private final RowStore store;

    RowLists(JdbcClient sql, RowStore store) {
        this.sql = sql;
        this.store = store;
    }

    /**
     * What a list is narrowed by.
     *
     * @param find beginnings of words, all of which a row has; empty for all
     * @param where conditions such as {@code town:is:Delft} or {@code value:from:EUR 500.00}: {@code is}, {@code begins},
     *     {@code from}, {@code to}, {@code blank}, {@code filled}
     * @param gone whether those are meant that were taken out
     */
    record Narrowed(String find, List<String> where, boolean gone) {}

    /** One page of rows. @param sort a column's name or {@code changed}, with a minus for the other way round; empty for by key */
    Page<RegisterRow> list(Register register, Narrowed narrowed, String sort, int page) {
        int from = Page.request(page).getPageNumber() * Page.SIZE;
        Map<String, Object> given = new HashMap<>();
        String conditions = conditions(register, narrowed, given);
        long total = sql.sql("select count(*) from register_row r where " + conditions)
                .params(given)
                .query(Long.class)
                .single();
        List<RegisterRow> rows = sql.sql(ordered(register, narrowed, sort, conditions, given))
                .params(given)
                .param("from", from)
                .param("most", Page.SIZE)
                .query(RowStore::row)
                .list();
        return new Page<>(rows, total, page, Page.SIZE);
    }

    /** Ids of rows after one, in the order of ids, so that all are walked through without being held. */
    List<UUID> idsAfter(Register register, Narrowed narrowed, UUID after, int most) {
        Map<String, Object> given = new HashMap<>();
        String conditions = conditions(register, narrowed, given);
        return sql.sql("select r.id from register_row r where " + conditions
                        + " and r.id > :after order by r.id limit :most")
                .params(given)
                .param("after", after)
                .param("most", most)
                .query(UUID.class)
                .list();
    }

    /** Where a walk through the rows of a list is. @param key by which it is sorted; empty where it is sorted by ids */
    record Place(String key, UUID row) {
        static final Place BEGINNING = new Place("", new UUID(0, 0));
    }

    /** The rows after a place, by their register's key, so that all are walked through without being held. */
    List<Place> after(Register register, Narrowed narrowed, Place place, int most) {
        // rows that were taken out have no cells
        if (narrowed.gone())
            return idsAfter(register, narrowed, place.row(), most).stream()
                    .map(id -> new Place("", id))
                    .toList();
        Map<String, Object> given = new HashMap<>();
        String conditions = conditions(register, narrowed, given);
        return sql.sql("select s.sort_key, s.row_id from register_cell s join register_row r on r.id = s.row_id"
                        + " where s.column_id = :sorted and " + conditions
                        + " and (s.sort_key, s.row_id) > (:key, :row) order by s.sort_key, s.row_id limit :most")
                .params(given)
                .param("sorted", number(register, register.terms().key()))
                .param("key", place.key())
                .param("row", place.row())
                .param("most", most)
                .query((row, number) -> new Place(row.getString(1), row.getObject(2, UUID.class)))
                .list();
    }

    private String ordered(
            Register register, Narrowed narrowed, String sort, String conditions, Map<String, Object> given) {
        boolean down = sort.startsWith("-");
        String by = down ? sort.substring(1) : sort;
        String way = down ? " desc" : "";
        String paged = " limit :most offset :from";
        // rows that were taken out have no cells
        if (by.equals("changed") || narrowed.gone())
            return "select " + RowStore.COLUMNS + " from register_row r where " + conditions + " order by r.changed_at"
                    + (by.isEmpty() ? " desc" : way) + ", r.id" + paged;
        FieldName column = by.isEmpty() ? register.terms().key() : new FieldName(by);
        given.put("sorted", number(register, column));
        return "select " + RowStore.COLUMNS + " from register_cell s join register_row r on r.id = s.row_id"
                + " where s.column_id = :sorted and " + conditions + " order by s.sort_key" + way + ", s.row_id" + way
                + paged;
    }

    private String conditions(Register register, Narrowed narrowed, Map<String, Object> given) {
        List<String> all =
                new ArrayList<>(List.of("r.register_id = :register", narrowed.gone() ? "r.gone" : "not r.gone"));
        given.put("register", register.id());
        String words = words(narrowed.find());
        if (!words.isEmpty()) {
            all.add("r.search @@ to_tsquery('simple', :words)");
            given.put("words", words);
        }
        if (narrowed.where().size() > MOST_FILTERS)
            throw Refusal.malformed(Message.of("register.filters", "most", MOST_FILTERS));
        for (int i = 0; i < narrowed.where().size(); i++)
            all.add(condition(register, narrowed.where().get(i), "f" + i, given));
        return String.join(" and ", all);
    }

    /** Beginnings of words, as the database looks for them. */
    static String words(String find) {
        return SearchWords.of(SortKey.folded(find)).stream()
                .map(word -> "'" + word + "':*")
                .collect(Collectors.joining(" & "));
    }

    private String condition(Register register, String where, String name, Map<String, Object> given) {
        String[] parts = where.split(":", 3);
        if (parts.length < 2) throw Refusal.malformed(Message.of("register.filter", "filter", where));
        FieldName column = new FieldName(parts[0]);
        String text = parts.length == 3 ? parts[2] : "";
        given.put(name + "c", number(register, column));
        String cell = "exists (select 1 from register_cell " + name + " where " + name + ".row_id = r.id and " + name
                + ".column_id = :" + name + "c and ";
        String key = name + ".sort_key";
        String compared = switch (parts[1]) {
            case "blank" -> key + " = ''";
            case "filled" -> key + " <> ''";
            case "is" -> {
                RegisterColumn of = register.terms().column(column).orElseThrow();
                given.put(name, of.relates() ? target(text, where) : key(of.field(), text));
                yield (of.relates() ? name + ".target" : key) + " = :" + name;
            }
            case "begins" -> {
                given.put(name, SortKey.text(text));
                yield "starts_with(" + key + ", :" + name + ")";
            }
            case "from", "to" -> {
                given.put(
                        name, key(register.terms().column(column).orElseThrow().field(), text));
                yield key + " <> '' and " + key + (parts[1].equals("from") ? " >= :" : " <= :") + name;
            }
            default -> throw Refusal.malformed(Message.of("register.filter", "filter", where));
        };
        return cell + compared + ")";
    }

    private static UUID target(String text, String where) {
        try {
            return UUID.fromString(text);
        } catch (IllegalArgumentException e) {
            throw Refusal.malformed(Message.of("register.filter", "filter", where));
        }
    }

    private static String key(Field field, String text) {
        try {
            return ValueReader.read(field, text).map(SortKey::of).orElse("");
        } catch (ValueReader.Unreadable e) {
            throw Refusal.invalid(
                    Message.of("register.filter-value", "column", field.label(), "fault", e.said()),
                    Map.of(field.name().value(), e.said()));
        }
    }

    private int number(Register register, FieldName column) {
        if (register.terms().column(column).isEmpty())
            throw Refusal.malformed(Message.of(
                    "list.sorted-by",
                    "columns",
                    register.terms().columns().stream()
                            .map(one -> one.name().value())
                            .collect(Collectors.joining(", "))));
        return store.columns(register.id()).get(column);
    }

    /** Rows to choose from: whose key or label begins with what was typed, then those that have words beginning so. */
    List<RegisterRow> options(Register register, String find, int most) {
        String typed = SortKey.text(find);
        List<RegisterRow> rows = new ArrayList<>();
        int key = number(register, register.terms().key());
        int first = number(register, register.terms().naming().get(0));
        for (int column : key == first ? List.of(key) : List.of(key, first))
            add(
                    rows,
                    most,
                    sql.sql(
                                    "select " + RowStore.COLUMNS
                                            + " from register_cell s join register_row r on r.id = s.row_id"
                                            + " where s.column_id = ? and s.sort_key >= ? and s.sort_key < ? order by s.sort_key, s.row_id limit ?")
                            .params(column, typed, typed + LAST_LETTER, most)
                            .query(RowStore::row)
                            .list());
        String words = words(find);
        if (rows.size() < most && !words.isEmpty())
            add(
                    rows,
                    most,
                    sql.sql("select " + RowStore.COLUMNS + " from register_row r where r.register_id = ? and not r.gone"
                                    + " and r.search @@ to_tsquery('simple', ?) limit ?")
                            .params(register.id(), words, most)
                            .query(RowStore::row)
                            .list());
        return rows;
    }

    private static void add(List<RegisterRow> rows, int most, List<RegisterRow> more) {
        for (RegisterRow one : more)
            if (rows.size() < most
                    && rows.stream().noneMatch(known -> known.id().equals(one.id()))) rows.add(one);
    }

    /** Rows of a register that name a row in a column, by key; at most so many. */
    List<RegisterRow> naming(Register register, FieldName column, UUID row, int most) {
        return sql.sql("select " + RowStore.COLUMNS + " from register_cell t join register_row r on r.id = t.row_id"
                        + " join register_cell s on s.row_id = r.id and s.column_id = ?"
                        + " where t.target = ? and t.column_id = ? order by s.sort_key, s.row_id limit ?")
                .params(number(register, register.terms().key()), row, number(register, column), most)
                .query(RowStore::row)
                .list();
    }

    /** How many rows name a row in a column. */
    long countNaming(Register register, FieldName column, UUID row) {
        return sql.sql("select count(*) from register_cell where target = ? and column_id = ?")
                .params(row, number(register, column))
                .query(Long.class)
                .single();
    }
}
