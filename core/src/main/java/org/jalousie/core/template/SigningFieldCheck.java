package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.CopyPlace;
import org.jalousie.core.placement.DerivedValues;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.ValueFrom;
import org.jalousie.core.placement.WorkedOutPlace;

/** What stands in the way of publishing in the settings of signing fields. */
final class SigningFieldCheck {
    private final TemplateContent content;
    private final List<SigningField> fields;
    private final List<Obstacle> obstacles = new ArrayList<>();

    private SigningFieldCheck(TemplateContent content) {
        this.content = content;
        this.fields = content.signingFields();
    }

    static List<Obstacle> of(TemplateContent content) {
        SigningFieldCheck check = new SigningFieldCheck(content);
        check.fields.forEach(check::check);
        check.formulas();
        return check.obstacles;
    }

    private void check(SigningField field) {
        if (content.parties().stream().noneMatch(one -> one.key().equals(field.party())))
            add(field, Message.of("publish.field-of-nobody", "field", field.title()));
        BoxSize size = field.type().size();
        if (!size.fitsAPage())
            add(
                    field,
                    Message.of(
                            "publish.field-size",
                            "field",
                            field.title(),
                            "width",
                            size.widthMm(),
                            "height",
                            size.heightMm()));
        field.type()
                .optionsFault()
                .ifPresentOrElse(
                        fault ->
                                add(field, Message.of("publish.field-options", "field", field.title(), "fault", fault)),
                        () -> field.type()
                                .presetFault()
                                .ifPresent(fault -> add(
                                        field,
                                        Message.of("publish.field-preset", "field", field.title(), "fault", fault))));
        field.type()
                .limitsFault()
                .ifPresent(fault ->
                        add(field, Message.of("publish.field-limits", "field", field.title(), "fault", fault)));
        if (!field.when().always()) condition(field, field.when());
        if (!field.requiredWhen().always()) condition(field, field.requiredWhen());
        if (!field.sameAs().isEmpty()) sameAs(field);
        source(field);
    }

    /** What stands in a field at first, or is shown by it, is known when its party's turn comes. */
    private void source(SigningField field) {
        ValueFrom from = field.from();
        switch (from.kind()) {
            case NOTHING -> {
                if (field.type() instanceof CopyPlace)
                    add(field, Message.of("publish.copy-of-nothing", "field", field.title()));
            }
            case DATUM -> {
                boolean known = content.fields().stream()
                        .anyMatch(one -> one.isCalled(from.name())
                                && one.type() != FieldType.ITEMS
                                && one.type() != FieldType.PICTURE);
                if (!known)
                    add(field, Message.of("publish.from-datum-gone", "field", field.title(), "name", from.name()));
            }
            case ANSWER -> {
                boolean earlier = fields.stream()
                        .anyMatch(one -> one.name().equals(from.name())
                                && one.asked()
                                && stage(one.party()) < stage(field.party()));
                if (!earlier)
                    add(field, Message.of("publish.from-answer-later", "field", field.title(), "name", from.name()));
            }
        }
    }

    private int stage(PartyKey party) {
        return content.parties().stream()
                .filter(one -> one.key().equals(party))
                .mapToInt(Party::stage)
                .findFirst()
                .orElse(Integer.MAX_VALUE);
    }

    private void sameAs(SigningField field) {
        boolean known = fields.stream()
                .anyMatch(one -> one.name().equals(field.sameAs())
                        && !one.name().equals(field.name())
                        && one.party().equals(field.party())
                        && one.asked()
                        && one.type().kind().equals(field.type().kind()));
        if (!known) add(field, Message.of("publish.same-as-gone", "field", field.title()));
    }

    /** Formulas can be read, speak of fields that there are, and of none that is answered later. */
    private void formulas() {
        Map<String, Message> faults = DerivedValues.faults(fields);
        for (SigningField field : fields) {
            if (!(field.type() instanceof WorkedOutPlace worked)) continue;
            if (faults.containsKey(field.name())) {
                add(field, Message.of("publish.formula", "field", field.title(), "fault", faults.get(field.name())));
                continue;
            }
            fields.stream()
                    .filter(other -> DerivedValues.speaksOf(worked.formula(), other.name())
                            && !other.party().equals(field.party())
                            && stage(other.party()) >= stage(field.party()))
                    .findFirst()
                    .ifPresent(other -> add(
                            field,
                            Message.of("publish.formula-later", "field", field.title(), "other", other.title())));
        }
    }

    private void condition(SigningField field, ShownWhen when) {
        Optional<SigningField> other = fields.stream()
                .filter(one -> one.name().equals(when.field()) && one.party().equals(field.party()) && one.asked())
                .findFirst();
        if (!field.asked()) {
            add(field, Message.of("publish.field-when-always", "field", field.title()));
        } else if (other.isEmpty()) {
            add(field, Message.of("publish.field-when-gone", "field", field.title()));
        } else if (inACircle(field)) {
            add(
                    field,
                    Message.of(
                            "publish.field-when-circle",
                            "field",
                            field.title(),
                            "other",
                            other.get().question()));
        } else if (!when.answer().isEmpty() && !other.get().type().canBeWaitedFor()) {
            add(
                    field,
                    Message.of(
                            "publish.field-when-typed",
                            "field",
                            field.title(),
                            "other",
                            other.get().question()));
        } else if (!when.answer().isEmpty()) {
            other.get()
                    .type()
                    .fault(when.answer())
                    .ifPresent(fault -> add(
                            field,
                            Message.of(
                                    "publish.field-when-answer",
                                    "field",
                                    field.title(),
                                    "answer",
                                    when.answer(),
                                    "other",
                                    other.get().question(),
                                    "fault",
                                    fault)));
        }
    }

    private boolean inACircle(SigningField field) {
        Set<String> seen = new HashSet<>();
        Optional<SigningField> now = Optional.of(field);
        while (now.isPresent()) {
            if (!seen.add(now.get().name())) return true;
            String next = now.get().when().field();
            now = fields.stream().filter(one -> one.name().equals(next)).findFirst();
        }
        return false;
    }

    private void add(SigningField field, Message message) {
        obstacles.add(Obstacle.at(Obstacle.Subject.SIGNING_FIELD, field.name(), message));
    }
}
