package org.jalousie.server.template;

import java.util.Collection;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Templates extends JpaRepository<Template, UUID> {
    @Query(
            "select t from Template t where lower(t.name) like :pattern escape '\\'"
                    + " and t.singleUse = false and t.id not in :unknown and (:retired = true and t.retiredAt is not null or :retired = false and t.retiredAt is null)")
    Page<Template> find(String pattern, boolean retired, Collection<UUID> unknown, Pageable page);
}
