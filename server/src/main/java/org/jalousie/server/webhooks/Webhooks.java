package org.jalousie.server.webhooks;

import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Webhooks extends JpaRepository<Webhook, UUID> {
    @Query("select w from Webhook w where lower(w.title) like :pattern escape '\\'")
    Page<Webhook> find(String pattern, Pageable page);

    List<Webhook> findByEndedAtIsNullOrderById();
}
