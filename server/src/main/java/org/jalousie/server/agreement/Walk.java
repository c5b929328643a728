package org.jalousie.server.agreement;

import java.sql.Timestamp;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * The way through rows {@code a}, which have an id, a state and a template, in one of their orders, from a place on.
 *
 * @param falling whether it goes from the last to the first
 */
record Walk(Order order, boolean falling, ListPlace place) {
    /** What the name of an order begins with that is a column of the archive. */
    static final String COLUMN = "data.";

    /**
     * A column that can be sorted by, with an index.
     *
     * @param name by which requests know it
     * @param data the column of the archive that it is; empty for what every agreement has
     */
    record Order(String name, String column, boolean time, Optional<ColumnKey> data) {
        Order(String name, String column, boolean time) {
            this(name, column, time, Optional.empty());
        }

        static Order of(ColumnKey data) {
            return new Order(COLUMN + data, "sort_key", false, Optional.of(data));
        }

        /** Where the rows are. */
        String source() {
            return data.isEmpty()
                    ? "agreement"
                    : "(select v.agreement_id as id, v.template_id, v.state, v.sort_key, v.heading from archive_value v"
                            + " where v.name = :sorted)";
        }

        /** Its value as text, which a key can carry. */
        String written() {
            return time
                    ? "to_char(a." + column + " at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"')"
                    : "a." + column;
        }

        /** @throws Refusal when a row's key was made in another order, or carries what is no value of this one */
        Object value(ListPlace.Row row) {
            boolean ours = row.order().equals(name) && row.value().indexOf('\0') < 0;
            try {
                if (ours) return time ? Timestamp.from(Instant.parse(row.value())) : row.value();
            } catch (DateTimeException e) {
                throw Refusal.malformed(Message.of("list.no-key"));
            }
            throw Refusal.malformed(Message.of("list.no-key"));
        }
    }

    private static final Map<String, Order> ORDERS = Stream.of(
                    new Order("changed", "changed_at", true),
                    new Order("number", "number", false),
                    new Order("title", "title", false),
                    new Order("template", "template_name", false),
                    new Order("since", "since", true))
            .collect(Collectors.toUnmodifiableMap(Order::name, Function.identity()));

    /**
     * @param data whether columns of the archive are there to be sorted by
     * @throws Refusal for an order that there isn't
     */
    static Walk of(ListPlace place, boolean data) {
        String sort = place.sort().isEmpty() ? "-changed" : place.sort();
        boolean down = sort.startsWith("-");
        String name = down ? sort.substring(1) : sort;
        Order order = Optional.ofNullable(ORDERS.get(name))
                .or(() -> Optional.of(name)
                        .filter(one -> data && one.startsWith(COLUMN))
                        .flatMap(one -> ColumnKey.read(one.substring(COLUMN.length())))
                        .map(Order::of))
                .orElseThrow(() ->
                        Refusal.malformed(Message.of("list.sorted-by", "columns", String.join(", ", ORDERS.keySet()))));
        return new Walk(order, down != place.back(), place);
    }

    /** What a row after the place fulfils; empty where the place is a page that is counted. */
    Optional<String> from() {
        return place.row().map(row -> "(a." + order.column() + ", a.id) " + (falling ? "<" : ">") + " (:value, :id)");
    }

    /** The order. */
    String by() {
        String way = falling ? " desc" : "";
        return " order by a." + order.column() + way + ", a.id" + way;
    }

    /** How many are left out before a page that is counted. */
    int skipped() {
        // nobody has so many that a page further back would differ
        return place.row().isEmpty() ? (int) Math.min((long) place.page() * Page.SIZE, Integer.MAX_VALUE / 2) : 0;
    }

    /** The order, and one row more than a page has. */
    String end() {
        return by() + " limit " + (Page.SIZE + 1) + " offset " + skipped();
    }

    /** A statement that goes the way from its beginning. */
    JdbcClient.StatementSpec sorted(JdbcClient.StatementSpec statement) {
        return order.data().map(data -> statement.param("sorted", data.value())).orElse(statement);
    }

    /** @throws Refusal when the place's key is of another order */
    JdbcClient.StatementSpec in(JdbcClient.StatementSpec statement) {
        JdbcClient.StatementSpec sorted = sorted(statement);
        return place.row()
                .map(row -> sorted.param("value", order.value(row)).param("id", row.id()))
                .orElse(sorted);
    }
}
