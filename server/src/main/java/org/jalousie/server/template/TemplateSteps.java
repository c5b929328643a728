package org.jalousie.server.template;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface TemplateSteps extends JpaRepository<TemplateStep, TemplateStep.Key> {
    Optional<TemplateStep> findFirstByVersionIdOrderByNumberDesc(UUID versionId);
}
