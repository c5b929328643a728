package org.jalousie.server.records;

import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RecordSystems extends JpaRepository<RecordSystem, UUID> {
    List<RecordSystem> findByPausedFalseAndEndedAtIsNullOrderByTitle();

    @Query("select s from RecordSystem s where lower(s.title) like :pattern escape '\\'")
    Page<RecordSystem> find(String pattern, Pageable page);
}
