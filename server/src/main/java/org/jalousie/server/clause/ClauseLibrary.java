package org.jalousie.server.clause;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Sha256;

/** The library of clauses as templates use it. */
public interface ClauseLibrary {
    /** One version of a clause. @param newest the number of the clause's newest version */
    record Version(UUID clause, int number, int newest, String note, String by, Instant at) {}

    /** The newest file of every clause by name. */
    Map<String, Sha256> newestFiles();

    /** The version that has this file, the newest of them when several have. */
    Optional<Version> version(String name, Sha256 file);
}
