package org.jalousie.server.signing;

import java.time.Instant;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface LinkRows extends JpaRepository<LinkRow, String> {
    /** Links that were ended lead nowhere; it is only known whose they were. */
    @Modifying
    @Query("update LinkRow set endedAt = :now where agreementId = :agreement and endedAt is null")
    void endAll(UUID agreement, Instant now);

    /** The links of one part. */
    @Modifying
    @Query("update LinkRow set endedAt = :now where agreementId = :agreement and party = :party and endedAt is null")
    void end(UUID agreement, String party, Instant now);
}
