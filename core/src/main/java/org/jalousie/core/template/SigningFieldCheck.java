package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.SigningField;

/** What stands in the way of publishing in the settings of signing fields. */
final class SigningFieldCheck {
    private final List<SigningField> fields;
    private final List<Obstacle> obstacles = new ArrayList<>();

    private SigningFieldCheck(List<SigningField> fields) {
        this.fields = fields;
    }

    static List<Obstacle> of(List<SigningField> fields) {
        SigningFieldCheck check = new SigningFieldCheck(fields);
        fields.forEach(check::check);
        return check.obstacles;
    }

    private void check(SigningField field) {
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
        if (!field.when().always()) condition(field);
    }

    private void condition(SigningField field) {
        Optional<SigningField> other = fields.stream()
                .filter(one ->
                        one.name().equals(field.when().field()) && one.party().equals(field.party()) && one.asked())
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
        } else if (!field.when().answer().isEmpty() && !other.get().type().canBeWaitedFor()) {
            add(
                    field,
                    Message.of(
                            "publish.field-when-typed",
                            "field",
                            field.title(),
                            "other",
                            other.get().question()));
        } else if (!field.when().answer().isEmpty()) {
            other.get()
                    .type()
                    .fault(field.when().answer())
                    .ifPresent(fault -> add(
                            field,
                            Message.of(
                                    "publish.field-when-answer",
                                    "field",
                                    field.title(),
                                    "answer",
                                    field.when().answer(),
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
