package org.jalousie.server.postroom;

import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

interface Mails extends JpaRepository<Mail, UUID> {
    Page<Mail> findAllByOrderByCreatedAtDesc(Pageable page);
}
