package org.jalousie.server.clause;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ClauseRows extends JpaRepository<Clause, UUID> {
    @Query("select c from Clause c where lower(c.name) like :pattern escape '\\'")
    Page<Clause> find(String pattern, Pageable page);

    Optional<Clause> findByName(String name);
}
