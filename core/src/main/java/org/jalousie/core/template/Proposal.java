package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.DataPlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.wording.FoundTags;

/** Proposes a template's settings from its tags, and keeps what the coordinator has settled when the wording changes. */
public final class Proposal {
    private Proposal() {}

    /** Settings for a wording seen for the first time. */
    public static TemplateContent first(FoundTags found) {
        return renewed(found, new TemplateContent("en-GB", List.of(), List.of(), List.of(), SendingSettings.USUAL));
    }

    /**
     * Settings for a wording that changed: fields and parties keep their settings by name, new ones are proposed. Nothing
     * leaves by itself: a field that the wording no longer uses may be one that rules or people need, so it is only pointed
     * out ({@link Advice}).
     */
    public static TemplateContent renewed(FoundTags found, TemplateContent before) {
        Set<String> derived = new HashSet<>();
        before.rules().forEach(rule -> derived.add(rule.name()));
        before.choices().forEach(choice -> derived.add(choice.name()));
        found.comparisons().forEach(one -> derived.add(one.rule()));
        List<Field> fields = new ProposedFields(found, derived).completed(before.fields());
        for (FoundTags.Comparison one : found.comparisons()) {
            if (fields.stream().anyMatch(field -> field.isCalled(one.field())) || derived.contains(one.field()))
                continue;
            Field field = Field.proposedFor(new FieldName(one.field()), false);
            fields.add(
                    one.withNumber() && field.type() == FieldType.TEXT
                            ? new Field(
                                    new FieldName(one.field()), FieldType.NUMBER, field.label(), true, "", List.of())
                            : field);
        }
        for (TemplateDocument document : before.documents()) {
            for (DataPlace place : document.data()) {
                boolean known = derived.contains(place.name())
                        || BuiltIn.isName(place.name())
                        || fields.stream().anyMatch(field -> field.isCalled(place.name()));
                if (!known)
                    fields.add(Field.proposedFor(
                            new FieldName(place.name()), !place.marks().isEmpty()));
            }
        }
        List<Party> parties = new ArrayList<>(before.parties());
        for (PartyKey key : found.parties()) {
            if (parties.stream().noneMatch(party -> party.key().equals(key))) {
                int stage = parties.stream().mapToInt(Party::stage).max().orElse(0) + 1;
                parties.add(propose(key, stage, fields));
            }
        }
        for (FieldName name : forPeople(parties)) {
            if (!name.isBlank()
                    && fields.stream().noneMatch(field -> field.name().equals(name))) {
                fields.add(Field.proposedFor(name, false));
            }
        }
        List<SigningField> signingFields = new ArrayList<>(found.signingFields().stream()
                .map(field -> before.signingFields().stream()
                        .filter(old ->
                                old.name().equals(field.name()) && old.type().standsFor(field.type()))
                        .findFirst()
                        .orElse(field))
                .toList());
        before.signingFields().stream()
                .filter(field -> before.isPlaced(field)
                        && signingFields.stream().noneMatch(one -> one.name().equals(field.name())))
                .forEach(signingFields::add);
        return withComparisons(found, before.with(fields, parties, signingFields));
    }

    /** Settings with a rule for each condition that stood in the wording as a word processor's own field. */
    public static TemplateContent withComparisons(FoundTags found, TemplateContent before) {
        List<Rule> rules = new ArrayList<>(before.rules());
        for (FoundTags.Comparison one : found.comparisons()) {
            boolean taken = rules.stream().anyMatch(rule -> rule.name().equals(one.rule()))
                    || before.choices().stream()
                            .anyMatch(choice -> choice.name().equals(one.rule()))
                    || before.fields().stream().anyMatch(field -> field.isCalled(one.rule()));
            if (!taken) rules.add(new Rule(one.rule(), one.label(), "", one.expression(), FieldType.YES_NO));
        }
        return rules.size() == before.rules().size() ? before : before.withRules(rules);
    }

    /**
     * Nobody has to answer who somebody is when the person comes from elsewhere by now: a field that said so, and that the
     * wording doesn't print, is no longer required. What was changed in it by hand stays.
     */
    public static TemplateContent released(TemplateContent before, TemplateContent now, Collection<String> printed) {
        Set<FieldName> released = new HashSet<>(forPeople(before.parties()));
        released.removeAll(forPeople(now.parties()));
        List<Field> fields = now.fields().stream()
                .map(field -> released.contains(field.name())
                                && !printed.contains(field.name().value())
                                && before.fields().contains(field)
                        ? field.optional()
                        : field)
                .toList();
        return now.with(fields, now.parties(), now.signingFields());
    }

    /** Names of the fields that say who takes part. */
    static Set<FieldName> forPeople(List<Party> parties) {
        Set<FieldName> names = new LinkedHashSet<>();
        for (Party party : parties) {
            if (party.who() instanceof PersonSource.FromFields from) {
                names.addAll(from.fields());
            }
        }
        return names;
    }

    /** A party as first proposed: it signs, in the order of the tags, and its person comes from fields named after it. */
    private static Party propose(PartyKey party, int stage, List<Field> fields) {
        String key = party.value();
        FieldName name = named(fields, key, "name").orElse(new FieldName(key + "_name"));
        FieldName mail = fields.stream()
                .filter(field -> field.type() == FieldType.MAIL_ADDRESS
                        && field.name().value().startsWith(key))
                .map(Field::name)
                .findFirst()
                .orElse(new FieldName(key + "_mail"));
        return new Party(party, Field.labelFor(key), Duty.SIGNS, stage, new PersonSource.FromFields(name, mail));
    }

    private static Optional<FieldName> named(List<Field> fields, String key, String word) {
        return fields.stream()
                .map(Field::name)
                .filter(name -> name.value().equals(key + "_" + word))
                .findFirst();
    }
}
