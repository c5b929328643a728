package org.jalousie.server.tables;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.TableStyle;

/** What tables are brought in for. The room that makes something of rows says what they have to be. */
public interface TableUse {
    /** What is made of rows. */
    enum Purpose {
        /** Rows of a register. */
        REGISTER,
        /** Agreements of a template. */
        RUN
    }

    /** What comes of a row. */
    enum Outcome {
        UNCHECKED,
        /** Something has to be mended first. */
        FAULTY,
        /** There is none yet. */
        NEW,
        /** There is one that says something else. */
        CHANGED,
        /** There is one that says the same. */
        SAME,
        /** It goes with another row, which says what comes of both. */
        PART,
        DONE
    }

    /** A table, and how it is to be taken. @param subject what it is for, within the purpose; {@code by} who has brought it */
    record Taken(UUID table, String subject, TableSettings settings, By by) {}

    /** Somebody of the office. */
    record By(String name, String mail) {}

    /**
     * A row.
     *
     * @param number in its file; {@code cells} by the fields that their columns are joined to
     * @param parts rows that go with it
     */
    record TakenRow(int number, Map<FieldName, Cell> cells, String plan, List<PartRow> parts) {}

    /** A row that goes with another one. @param style how it is written, where that isn't as its table is */
    record PartRow(int number, Map<FieldName, Cell> cells, Optional<TableStyle> style) {
        /** One that is written as its table is. */
        public PartRow(int number, Map<FieldName, Cell> cells) {
            this(number, cells, Optional.empty());
        }
    }

    /** What was made of a row. @param agreement its number */
    record Made(String request, String agreement) {
        /** Nothing yet, or nothing that has a room of its own. */
        public static final Made NOTHING = new Made("", "");
    }

    /**
     * @param toldApart what no other row of the table may have; empty for a row that nothing tells from others
     * @param plan what is to be done with it, as JSON
     * @param faults by field; by an empty name what is about no one of them
     * @param parts what is wrong in the rows that go with it, by their numbers
     */
    record Checked(
            int number,
            Outcome outcome,
            Optional<String> toldApart,
            Object plan,
            Map<FieldName, Message> faults,
            Map<Integer, Map<FieldName, Message>> parts) {
        /** A row with which none goes. */
        public Checked(
                int number, Outcome outcome, Optional<String> toldApart, Object plan, Map<FieldName, Message> faults) {
            this(number, outcome, toldApart, plan, faults, Map.of());
        }
    }

    Purpose purpose();

    /** What columns can be joined to. */
    List<Field> fields(String subject);

    /** What a person may see first of the row's plan: what is there now, by the fields that would say something else. */
    default Map<FieldName, String> instead(String plan) {
        return Map.of();
    }

    /** What was made of a row that is done. */
    default Made made(String plan) {
        return Made.NOTHING;
    }

    /** How many rows are carried out in one transaction. */
    int atOnce();

    /** Whether a row of which nothing can be made is told by itself, and the others are made all the same. */
    default boolean eachForItself() {
        return false;
    }

    /** Looks what would come of rows. Changes nothing. */
    List<Checked> check(Taken table, List<TakenRow> rows);

    /**
     * Makes of rows what was planned, in the transaction that is open. What was overtaken since it was planned is checked once more
     * and not done.
     *
     * @return what has become of each
     * @throws org.jalousie.server.Refusal for rows of which nothing can be made; where each is for itself, it is told there
     */
    List<Checked> carryOut(Taken table, List<TakenRow> rows);
}
