package org.jalousie.server.signing;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.agreement.Together;
import org.jalousie.core.data.Texts;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DerivedPlace;
import org.jalousie.core.placement.DerivedValues;
import org.jalousie.core.placement.PartyAct;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.Printed;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.server.Refusal;

/**
 * What somebody who takes part answers to their fields: read as they typed it, with what the program works out of it.
 *
 * @param spoken the language of their page, in which they type
 * @param printed the document's
 */
record Answers(Agreement agreement, Together own, Locale spoken, Locale printed) {
    /** All fields of their parts. */
    List<SigningField> fields() {
        return own.parts().stream()
                .flatMap(part -> agreement.fieldsOf(part.party()).stream())
                .toList();
    }

    /**
     * What was typed, as it is kept.
     *
     * @throws Refusal telling at its field what can't be read
     */
    Map<String, String> taken(Map<String, String> typed) {
        Map<String, Message> faults = new TreeMap<>();
        Map<String, String> taken = readable(typed, faults);
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("fields.mend"), faults);
        return taken;
    }

    private Map<String, String> readable(Map<String, String> typed, Map<String, Message> faults) {
        Typing typing = Typing.in(spoken);
        Map<String, SigningFieldType> types = new HashMap<>();
        fields().forEach(field -> types.put(field.name(), field.type()));
        Map<String, String> taken = new TreeMap<>();
        typed.forEach((name, value) -> {
            String bare = value == null ? "" : Texts.bare(value);
            if (bare.isEmpty()) return;
            try {
                taken.put(name, types.containsKey(name) ? types.get(name).taken(bare, typing) : bare);
            } catch (ValueReader.Unreadable e) {
                faults.put(name, e.said());
            }
        });
        return taken;
    }

    /** What the program works out of answers, and copies, as it is kept. */
    Map<String, String> derived(Map<String, String> taken) {
        if (fields().stream().noneMatch(field -> field.type() instanceof DerivedPlace)) return Map.of();
        Map<String, String> known = new HashMap<>(agreement.values());
        known.putAll(taken);
        return DerivedValues.of(fields(), all(), known, printed);
    }

    /** The same as it will print, for what has been typed so far; what can't be read is left out. */
    List<SigningViews.Derived> shown(Map<String, String> typed) {
        if (!turn()) return List.of();
        Map<String, String> values = derived(readable(typed, new TreeMap<>()));
        return fields().stream()
                .filter(field -> field.type() instanceof DerivedPlace)
                .map(field -> new SigningViews.Derived(
                        field.name(), field.question(), text(field, values.getOrDefault(field.name(), ""))))
                .toList();
    }

    /** What others have answered is shown to who acts on it, while they can. */
    boolean turn() {
        return agreement.state() == State.OUT
                && !agreement.onPaper()
                && own.parts().stream().anyMatch(part -> agreement.standing(part.party()) == Standing.TURN);
    }

    private String text(SigningField field, String value) {
        return field.type().printed(new PartyAct(value, "", "", printed)) instanceof Printed.Words words
                ? words.text()
                : "";
    }

    /** What is asked for, each with what stands there at first. */
    List<SigningViews.ToComplete> toComplete() {
        return fields().stream()
                .filter(SigningField::asked)
                .map(field -> new SigningViews.ToComplete(
                        field.name(),
                        field.question(),
                        field.type().required(),
                        turn() ? field.type().beginning(DerivedValues.begins(field, agreement.values())) : field.type(),
                        field.when(),
                        field.requiredWhen()))
                .toList();
    }

    private List<SigningField> all() {
        return agreement.fields().stream().map(PlacedField::field).toList();
    }
}
