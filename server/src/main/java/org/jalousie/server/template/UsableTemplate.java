package org.jalousie.server.template;

import java.util.UUID;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Wording;

/** A version of a template as other rooms use it. */
public record UsableTemplate(
        UUID versionId, UUID templateId, String name, int number, TemplateContent content, Wording wording) {}
