package org.jalousie.server.signing;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface LinkRows extends JpaRepository<LinkRow, String> {
    void deleteByAgreementId(UUID agreementId);

    void deleteByAgreementIdAndParty(UUID agreementId, String party);
}
