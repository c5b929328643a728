package org.jalousie.server.agreement;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface LinkRows extends JpaRepository<LinkRow, String> {
    void deleteByAgreementId(UUID agreementId);
}
