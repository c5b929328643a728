package org.jalousie.server.template;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface TemplateVersions extends JpaRepository<TemplateVersion, UUID> {
    Optional<TemplateVersion> findFirstByTemplateIdOrderByNumberDesc(UUID templateId);

    Optional<TemplateVersion> findFirstByTemplateIdAndStateOrderByNumberDesc(UUID templateId, String state);

    /** The newest published version of one. */
    @Query("select v.id from TemplateVersion v where v.templateId = :template and v.state = 'PUBLISHED'"
            + " order by v.number desc limit 1")
    Optional<UUID> newestPublished(UUID template);

    List<TemplateVersion> findByTemplateIdOrderByNumberDesc(UUID templateId);

    @Query("select v from TemplateVersion v where v.templateId in :templates and v.number = "
            + "(select max(w.number) from TemplateVersion w where w.templateId = v.templateId)")
    List<TemplateVersion> newest(Collection<UUID> templates);

    /** The newest published version of each, where there is one. */
    @Query("select v.templateId as id, max(v.number) as number from TemplateVersion v"
            + " where v.templateId in :templates and v.state = 'PUBLISHED' group by v.templateId")
    List<Published> published(Collection<UUID> templates);

    /** The newest published version of each template that can be filled. */
    @Query("select v.id from TemplateVersion v, Template t where t.id = v.templateId and t.retiredAt is null"
            + " and t.singleUse = false and v.state = 'PUBLISHED' and v.number = (select max(w.number)"
            + " from TemplateVersion w where w.templateId = v.templateId and w.state = 'PUBLISHED')")
    List<UUID> inUse();

    interface Published {
        UUID getId();

        int getNumber();
    }

    /** The template's name of each version. */
    @Query(
            "select v.id as id, t.name as name from TemplateVersion v, Template t where t.id = v.templateId and v.id in :ids")
    List<Named> named(Collection<UUID> ids);

    interface Named {
        UUID getId();

        String getName();
    }
}
