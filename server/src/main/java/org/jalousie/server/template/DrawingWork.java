package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.IntConsumer;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.rules.Samples;
import org.jalousie.core.rules.SpecimenDrawer;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.jobs.LongWork;
import org.jalousie.server.jobs.LongWorks;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Draws up the fewest sets of data that reach every case of every rule, and the shortest and the longest plausible. Sets drawn
 * up before are replaced; typed ones stay.
 */
@Component
class DrawingWork implements JobWork {
    private final Drafts drafts;
    private final DraftHistory history;
    private final Preparations preparations;
    private final LongWorks works;
    private final TransactionTemplate transaction;

    DrawingWork(
            Drafts drafts,
            DraftHistory history,
            Preparations preparations,
            LongWorks works,
            TransactionTemplate transaction) {
        this.drafts = drafts;
        this.history = history;
        this.preparations = preparations;
        this.works = works;
        this.transaction = transaction;
    }

    /** Names the state of a draft that specimens are drawn up for. */
    static String basis(TemplateVersion draft) {
        return draft.id() + " " + draft.revision();
    }

    @Override
    public JobKind kind() {
        return JobKind.DRAWING;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        Optional<LongWork> work = works.of(id).filter(one -> !one.state().ended());
        if (work.isEmpty() || !works.progress(id, 0)) return false;
        UUID template = work.get().subject();
        TemplateVersion before = drafts.newest(template);
        List<Specimen> drawn = drawn(before.content(), reached -> works.progress(id, reached));
        try {
            // drawn without a transaction, since it may take long; refused here when the draft is another one by now
            transaction.executeWithoutResult(status -> {
                TemplateVersion draft = drafts.draft(template, before.revision());
                if (!basis(draft).equals(work.get().basis()))
                    throw Refusal.conflict(Message.of("specimen.template-changed"));
                history.remember(
                        draft, Message.of("step.specimens-drawn"), work.get().askedBy());
                draft.change(draft.wordFile(), draft.content().withSpecimens(drawn));
                drafts.changed(template, draft);
                works.finish(id, Map.of("specimens", drawn.size()));
            });
        } catch (Refusal e) {
            works.fail(id, e.getMessage());
        }
        return false;
    }

    @Override
    public void givenUp(String instance, String reason) {
        works.fail(UUID.fromString(instance), reason);
    }

    private List<Specimen> drawn(TemplateContent content, IntConsumer reached) {
        List<Specimen> kept = new ArrayList<>(content.specimens().stream()
                .filter(one -> one.origin() == Specimen.Origin.TYPED || one.origin() == Specimen.Origin.FROM_REQUEST)
                .toList());
        int number = 0;
        for (SpecimenDrawer.DrawnSet set :
                SpecimenDrawer.draw(preparations.rules(content), reached).sets()) {
            kept.add(new Specimen("Drawn up " + ++number, Specimen.Origin.DRAWN_UP, raw(content, set.values())));
        }
        kept.add(new Specimen("Shortest", Specimen.Origin.SHORTEST, raw(content, Samples.shortest(content.fields()))));
        kept.add(new Specimen("Longest", Specimen.Origin.LONGEST, raw(content, Samples.longest(content.fields()))));
        return kept;
    }

    private static Map<FieldName, String> raw(TemplateContent content, Map<String, Value> values) {
        Map<FieldName, String> raw = new LinkedHashMap<>();
        content.fields().forEach(field -> {
            Value value = values.get(field.name().value());
            if (value != null) raw.put(field.name(), value.raw());
        });
        return raw;
    }
}
