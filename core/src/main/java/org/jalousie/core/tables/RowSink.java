package org.jalousie.core.tables;

import java.util.List;

/** Takes a table's rows one by one, so that no table has to be held whole. */
@FunctionalInterface
public interface RowSink {
    /**
     * @param number of the row in the file, from 1, as a spreadsheet program counts; rows with nothing in them are passed over
     * @param cells from the first column on; what comes after the last is empty
     * @return whether further rows are wanted
     */
    boolean row(int number, List<Cell> cells);
}
