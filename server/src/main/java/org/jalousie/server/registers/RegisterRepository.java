package org.jalousie.server.registers;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RegisterRepository extends JpaRepository<Register, UUID> {
    Optional<Register> findByName(String name);

    List<Register> findByNameIn(Collection<String> names);

    @Query("select r from Register r where lower(r.title) like :pattern escape '\\'")
    Page<Register> find(String pattern, Pageable page);
}
