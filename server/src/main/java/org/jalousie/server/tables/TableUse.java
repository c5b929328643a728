package org.jalousie.server.tables;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Cell;

/** What tables are brought in for. The room that makes something of rows says what they have to be. */
public interface TableUse {
    /** What is made of rows. */
    enum Purpose {
        /** Rows of a register. */
        REGISTER
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
        DONE
    }

    /** A table, and how it is to be taken. @param subject what it is for, within the purpose */
    record Taken(UUID table, String subject, TableSettings settings) {}

    /** A row. @param number in its file; {@code cells} by the fields that their columns are joined to */
    record TakenRow(int number, Map<FieldName, Cell> cells, String plan) {}

    /**
     * @param toldApart what no other row of the table may have; empty for a row that nothing tells from others
     * @param plan what is to be done with it, as JSON
     * @param faults by field; by an empty name what is about no one of them
     */
    record Checked(
            int number, Outcome outcome, Optional<String> toldApart, Object plan, Map<FieldName, Message> faults) {}

    Purpose purpose();

    /** What columns can be joined to. */
    List<Field> fields(String subject);

    /** What a person may see first of the row's plan: cells that would say something else. */
    Map<FieldName, String> instead(String plan);

    /** Looks what would come of rows. Changes nothing. */
    List<Checked> check(Taken table, List<TakenRow> rows);

    /**
     * Makes of rows what was planned, in the transaction that is open. What was overtaken since it was planned is checked once more
     * and not done.
     *
     * @return what has become of each
     */
    List<Checked> carryOut(Taken table, List<TakenRow> rows, String by);
}
