package org.jalousie.server.agreement;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StateRows extends JpaRepository<StateRow, StateRow.Key> {
    /** The agreements that have one of these states, the one with the latest of them first. */
    @Query(
            "select s.key.agreementId from StateRow s where s.key.sha256 in :hashes group by s.key.agreementId order by max(s.key.sequence) desc")
    List<UUID> agreementsWith(Collection<String> hashes);
}
