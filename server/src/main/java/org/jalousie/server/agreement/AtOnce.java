package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Lets agreements go out by themselves where their template says so. */
@Component
class AtOnce implements AfterEvents {
    private final ObjectProvider<SendingDesk> desk;
    private final UsableTemplates templates;
    private final AgreementRows rows;

    AtOnce(ObjectProvider<SendingDesk> desk, UsableTemplates templates, AgreementRows rows) {
        this.desk = desk;
        this.templates = templates;
        this.rows = rows;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (happened.stream().noneMatch(entry -> entry.event() instanceof Event.Generated)) return;
        UUID version = rows.findById(id).orElseThrow().templateVersionId();
        desk.getObject().sendAtOnce(id, templates.version(version), List.copyOf(history));
    }
}
