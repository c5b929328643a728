package org.jalousie.server.postroom;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface Mails extends JpaRepository<Mail, UUID> {
    /** Mails in a state that were put off. */
    List<Mail> findByStateAndGoesAtNotNull(String state);
}
