package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.Who;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.wording.FoundTags;

/** Proposes a template's settings from its tags, and keeps what the coordinator has settled when the wording changes. */
public final class Proposal {
    private Proposal() {}

    /** Settings for a wording seen for the first time. */
    public static TemplateContent first(FoundTags found) {
        return renewed(found, new TemplateContent("en-GB", List.of(), List.of(), List.of(), Terms.USUAL));
    }

    /**
     * Settings for a wording that changed: fields and parties keep their settings by name, new ones are proposed. A field
     * leaves when neither the wording nor a party's person uses it; a party when it was only proposed by tags now gone.
     */
    public static TemplateContent renewed(FoundTags found, TemplateContent before) {
        List<Field> fields = new ArrayList<>(before.fields());
        for (String name : found.fields()) {
            if (fields.stream().noneMatch(field -> field.name().equals(name))) {
                fields.add(Field.proposedFor(name, found.conditions().contains(name)));
            }
        }
        List<Party> parties = new ArrayList<>(before.parties());
        for (String key : found.parties()) {
            if (parties.stream().noneMatch(party -> party.key().equals(key))) {
                int stage = parties.stream().mapToInt(Party::stage).max().orElse(0) + 1;
                parties.add(propose(key, stage, fields));
            }
        }
        Set<String> forPeople = new LinkedHashSet<>();
        for (Party party : parties) {
            if (party.who() instanceof Who.FromFields from) {
                forPeople.add(from.nameField());
                forPeople.add(from.mailField());
            }
        }
        for (String name : forPeople) {
            if (!name.isBlank()
                    && fields.stream().noneMatch(field -> field.name().equals(name))) {
                fields.add(Field.proposedFor(name, false));
            }
        }
        fields.removeIf(field -> !found.fields().contains(field.name()) && !forPeople.contains(field.name()));
        List<SigningField> signingFields = found.signingFields().stream()
                .map(field -> before.signingFields().stream()
                        .filter(old -> old.name().equals(field.name()) && old.kind() == field.kind())
                        .findFirst()
                        .orElse(field))
                .toList();
        return new TemplateContent(before.language(), fields, parties, signingFields, before.terms());
    }

    /** A party as first proposed: it signs, in the order of the tags, and its person comes from fields named after it. */
    private static Party propose(String key, int stage, List<Field> fields) {
        String name = named(fields, key, "name").orElse(key + "_name");
        String mail = fields.stream()
                .filter(field ->
                        field.type() == FieldType.MAIL_ADDRESS && field.name().startsWith(key))
                .map(Field::name)
                .findFirst()
                .orElse(key + "_mail");
        return new Party(key, Field.labelFor(key), Duty.SIGNS, stage, new Who.FromFields(name, mail));
    }

    private static Optional<String> named(List<Field> fields, String key, String word) {
        return fields.stream()
                .map(Field::name)
                .filter(name -> name.equals(key + "_" + word))
                .findFirst();
    }
}
