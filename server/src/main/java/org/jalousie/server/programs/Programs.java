package org.jalousie.server.programs;

import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Programs extends JpaRepository<Program, UUID> {
    @Query("select p from Program p where lower(p.title) like :pattern escape '\\'")
    Page<Program> find(String pattern, Pageable page);
}
