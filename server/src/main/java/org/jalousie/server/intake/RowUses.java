package org.jalousie.server.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.account.Sight;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What rows of registers are used for: templates that can be filled with one, requests that were. */
@Service
class RowUses {
    private final UsableTemplates templates;
    private final IntakeRequests requests;
    private final RequestDetails details;
    private final TakenRows taken;
    private final Sight sight;

    RowUses(UsableTemplates templates, IntakeRequests requests, RequestDetails details, TakenRows taken, Sight sight) {
        this.sight = sight;
        this.templates = templates;
        this.requests = requests;
        this.details = details;
        this.taken = taken;
    }

    @Transactional(readOnly = true)
    List<IntakeViews.RowTemplate> templates(String register) {
        List<IntakeViews.RowTemplate> found = new ArrayList<>();
        Set<UUID> closed = sight.closed();
        for (UUID version : templates.inUse()) {
            if (!closed.isEmpty() && closed.contains(templates.templateOf(version))) continue;
            TemplateContent content = templates.content(version);
            content.layout()
                    .questions()
                    .filter(one -> one.lookup().register().equals(register))
                    .forEach(question -> {
                        var usable = templates.version(version);
                        String label = content.fields().stream()
                                .filter(field -> field.name().equals(question.field()))
                                .map(Field::label)
                                .findFirst()
                                .orElse(question.field().value());
                        found.add(new IntakeViews.RowTemplate(
                                usable.templateId(), usable.name(), question.field(), label));
                    });
        }
        found.sort(java.util.Comparator.comparing(IntakeViews.RowTemplate::name));
        return found;
    }

    @Transactional(readOnly = true)
    Page<IntakeViews.RequestRow> requests(UUID row, int page) {
        Page<UUID> ids = taken.requests(row, page);
        Map<UUID, IntakeRequest> found = requests.findAllById(ids.items()).stream()
                .collect(Collectors.toMap(IntakeRequest::id, Function.identity()));
        return new Page<>(
                details.rows(ids.items().stream().map(found::get).toList()), ids.total(), ids.page(), ids.size());
    }
}
