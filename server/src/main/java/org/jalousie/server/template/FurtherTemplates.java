package org.jalousie.server.template;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.template.JointCheck;
import org.jalousie.core.template.Obstacle;
import org.jalousie.core.template.TemplateContent;
import org.springframework.stereotype.Component;

/** The templates that a form feeds besides its own, looked up for what stands in the way. */
@Component
class FurtherTemplates {
    private final Templates templates;
    private final TemplateVersions versions;

    FurtherTemplates(Templates templates, TemplateVersions versions) {
        this.templates = templates;
        this.versions = versions;
    }

    /** @param own the template whose form it is */
    List<Obstacle> obstacles(UUID own, TemplateContent content) {
        List<UUID> ids = content.layout().further().stream()
                .map(FormLayout.Further::template)
                .toList();
        if (ids.isEmpty()) return List.of();
        Map<UUID, JointCheck.Other> others = new LinkedHashMap<>();
        for (Template one : templates.findAllById(ids))
            if (!one.retired())
                versions.findFirstByTemplateIdAndStateOrderByNumberDesc(one.id(), TemplateVersion.PUBLISHED)
                        .ifPresent(
                                version -> others.put(one.id(), new JointCheck.Other(one.name(), version.content())));
        return JointCheck.of(own, content, others);
    }
}
