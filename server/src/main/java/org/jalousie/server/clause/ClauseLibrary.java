package org.jalousie.server.clause;

import java.util.Map;
import org.jalousie.core.data.Sha256;

/** The library of clauses as templates use it. */
public interface ClauseLibrary {
    /** The newest file of every clause by name. */
    Map<String, Sha256> newestFiles();
}
