package org.jalousie.server.jobs;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobFailures extends JpaRepository<JobFailure, UUID> {
    List<JobFailure> findByAgreementId(UUID agreementId);

    List<JobFailure> findTop50ByOrderByFailedAtDesc();

    void deleteByTaskAndInstance(String task, String instance);
}
