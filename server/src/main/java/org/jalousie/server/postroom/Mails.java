package org.jalousie.server.postroom;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface Mails extends JpaRepository<Mail, UUID> {}
