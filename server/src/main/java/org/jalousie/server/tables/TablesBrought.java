package org.jalousie.server.tables;

import java.util.Optional;
import java.util.UUID;
import org.jalousie.server.web.Page;

/** Tables that are brought in, as the rooms see them that make something of rows. */
public interface TablesBrought {
    /**
     * Takes a table's file. It is read and checked afterwards, and nothing is made of it before somebody says so.
     *
     * @param subject what it is for, within its purpose
     */
    TableViews.TableDetail bring(TableUse.Purpose purpose, String subject, String name, byte[] bytes, TableUse.By by);

    /** The newest first. @param subject empty for all of a purpose */
    Page<TableViews.TableItem> list(TableUse.Purpose purpose, String subject, int page);

    /** What a table was brought in for. */
    record Subject(TableUse.Purpose purpose, String subject) {}

    /**
     * A request that a row became is gone, in this transaction: nothing stays of the row but that it was there. Files as they were
     * brought go with the first of their rows, and a table with the last.
     */
    void forget(String request);

    /** Empty when there is no such table. */
    Optional<Subject> subjectOf(UUID table);
}
