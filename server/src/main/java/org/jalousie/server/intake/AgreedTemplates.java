package org.jalousie.server.intake;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.ChangedWording;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.WordingEditions;
import org.springframework.stereotype.Component;

/** The templates of a request in the words that its agreements have: a form's pages say nothing else than those that go out. */
@Component
class AgreedTemplates {
    private final Agreements agreements;
    private final WordingEditions editions;

    AgreedTemplates(Agreements agreements, WordingEditions editions) {
        this.agreements = agreements;
        this.editions = editions;
    }

    /** @param group the request and its parts */
    JointForm of(JointForm form, List<IntakeRequest> group) {
        return new JointForm(
                said(form.own(), group),
                form.further().stream()
                        .map(one -> new JointForm.Further(said(one.template(), group), one.when()))
                        .toList());
    }

    private UsableTemplate said(UsableTemplate template, List<IntakeRequest> group) {
        UUID id = template.templateId();
        return group.stream()
                .filter(one -> one.templateId().equals(id))
                .flatMap(one -> one.agreementNumber().flatMap(agreements::known).stream())
                .findFirst()
                .map(number -> said(template, agreements.read(agreements.idOf(number))))
                .orElse(template);
    }

    private UsableTemplate said(UsableTemplate template, Agreement agreement) {
        UsableTemplate said = template;
        for (Map.Entry<DocumentId, ChangedWording> one : agreement.changed().entrySet()) {
            ChangedWording changed = one.getValue();
            said = said.saying(
                    one.getKey(),
                    editions.wording(template, WordingEditions.Edition.of(changed)),
                    changed.file() + " " + new TreeMap<>(changed.clauses()));
        }
        return said;
    }
}
