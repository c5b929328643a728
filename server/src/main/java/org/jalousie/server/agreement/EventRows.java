package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface EventRows extends JpaRepository<EventRow, EventRow.Key> {
    @Query("select e from EventRow e where e.key.agreementId = :id order by e.key.sequence")
    List<EventRow> history(UUID id);
}
