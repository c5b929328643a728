package org.jalousie.server.template;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface TemplateVersions extends JpaRepository<TemplateVersion, UUID> {
    Optional<TemplateVersion> findFirstByTemplateIdOrderByNumberDesc(UUID templateId);

    Optional<TemplateVersion> findFirstByTemplateIdAndStateOrderByNumberDesc(UUID templateId, String state);

    List<TemplateVersion> findByTemplateIdOrderByNumberDesc(UUID templateId);

    List<TemplateVersion> findByTemplateIdIn(Collection<UUID> templateIds);
}
