package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.Anonymised;
import org.jalousie.core.template.Specimen;
import org.jalousie.server.Refusal;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Requests as specimens of their templates. */
@Service
class RequestSpecimens {
    private final RequestGroups groups;
    private final UsableTemplates templates;

    RequestSpecimens(RequestGroups groups, UsableTemplates templates) {
        this.groups = groups;
        this.templates = templates;
    }

    /** Keeps a request's data as a specimen of its template, what is known of persons replaced; says what was. */
    @Transactional
    IntakeViews.KeptSpecimen keep(String number, String name, String by) {
        IntakeRequest request = groups.request(number);
        UsableTemplate usable = templates.version(request.templateVersionId());
        if (name.isBlank()) throw Refusal.invalid(Message.of("specimen.no-name"));
        List<String> persons = new ArrayList<>();
        request.people().values().forEach(person -> persons.addAll(List.of(person.name(), person.mail())));
        Anonymised.Result result = Anonymised.of(usable.content(), request.values(), persons);
        templates.addSpecimen(
                usable.templateId(), new Specimen(name.strip(), Specimen.Origin.FROM_REQUEST, result.data()), by);
        return new IntakeViews.KeptSpecimen(result.replacements());
    }
}
