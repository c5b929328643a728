package org.jalousie.core.tables;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Value;

/** Writes a table row by row, so that no table has to be held whole. Nothing in it becomes a formula. Close it to end the file. */
public interface TableWriter extends AutoCloseable {
    /** What columns are called. Comes first. */
    void heads(List<String> names) throws IOException;

    void row(List<Optional<Value>> cells) throws IOException;

    @Override
    void close() throws IOException;
}
