package org.jalousie.server.clause;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ClauseVersions extends JpaRepository<ClauseVersion, UUID> {
    List<ClauseVersion> findByClauseIdOrderByNumberDesc(UUID clauseId);

    @Query("select v from ClauseVersion v where v.clauseId in :clauses and v.number = "
            + "(select max(w.number) from ClauseVersion w where w.clauseId = v.clauseId)")
    List<ClauseVersion> newest(Collection<UUID> clauses);

    /** The name and the newest file of every clause. */
    @Query("select c.name, v.wordFile from Clause c, ClauseVersion v where v.clauseId = c.id and v.number = "
            + "(select max(w.number) from ClauseVersion w where w.clauseId = c.id)")
    List<Object[]> newestFiles();
}
