package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.Who;
import org.jalousie.core.placement.FieldKind;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.Wording;

/** What stands in the way of publishing a template, a sentence each. */
public final class PublishCheck {
    private PublishCheck() {}

    public static List<String> obstacles(Wording wording, TemplateContent content) {
        List<String> obstacles = new ArrayList<>();
        for (Diagnostic diagnostic : wording.diagnostics()) {
            obstacles.add("In the " + diagnostic.part() + ", near \u201c" + diagnostic.place() + "\u201d: "
                    + diagnostic.message() + " " + diagnostic.cure());
        }
        fields(wording, content, obstacles);
        if (content.parties().stream().noneMatch(party -> party.duty() == Duty.SIGNS)) {
            obstacles.add("Nobody signs. Put a signature tag into the wording, for example {{lender.signature}}.");
        }
        content.parties().forEach(party -> party(party, content, obstacles));
        if (content.terms().expiryDays() < 1 || content.terms().expiryDays() > 365)
            obstacles.add("The agreement has to expire after 1 to 365 days.");
        return obstacles;
    }

    private static void fields(Wording wording, TemplateContent content, List<String> obstacles) {
        Set<String> names = new HashSet<>();
        for (Field field : content.fields()) {
            if (!names.add(field.name())) obstacles.add("The field " + field.name() + " stands twice in the list.");
            if (field.label().isBlank()) obstacles.add("The field " + field.name() + " has no label.");
            if (field.type() == FieldType.CHOICE && field.choices().size() < 2)
                obstacles.add(field.label() + " is a choice and needs two choices at least.");
            for (String print : wording.found().prints().getOrDefault(field.name(), Set.of())) {
                if (!field.type().prints().contains(print)) {
                    obstacles.add("{{" + field.name() + "." + print
                            + "}} asks for a print that this type doesn't have. "
                            + (field.type().prints().isEmpty()
                                    ? "Use {{" + field.name() + "}}."
                                    : "It has: "
                                            + String.join(", ", field.type().prints()) + "."));
                }
            }
        }
    }

    private static void party(Party party, TemplateContent content, List<String> obstacles) {
        if (party.stage() < 1) obstacles.add(party.label() + " needs a place in the order, from 1.");
        boolean signature = content.signingFields().stream()
                .anyMatch(field -> field.party().equals(party.key()) && field.kind() == FieldKind.SIGNATURE);
        boolean mark = content.signingFields().stream()
                .anyMatch(field -> field.party().equals(party.key()) && field.kind() != FieldKind.TEXT);
        if (party.duty() == Duty.SIGNS && !signature) {
            obstacles.add(party.label() + " signs, but the wording keeps no place for it. Put {{" + party.key()
                    + ".signature}} into the wording.");
        }
        if (party.duty() != Duty.SIGNS && mark) {
            obstacles.add(
                    party.label()
                            + " doesn't sign, but the wording keeps a place for a signature, initials, a date or a name. Let the party sign, or remove the tag.");
        }
        if (party.who() instanceof Who.FromFields from) {
            requireField(party, from.nameField(), "name", content, obstacles);
            requireField(party, from.mailField(), "mail address", content, obstacles);
        } else if (party.who() instanceof Who.Fixed fixed) {
            if (fixed.name().isBlank()) obstacles.add(party.label() + " is a fixed person without a name.");
            try {
                ValueReader.mail(fixed.mail());
            } catch (ValueReader.Unreadable e) {
                obstacles.add(party.label() + ": " + e.getMessage());
            }
        }
    }

    private static void requireField(
            Party party, String name, String what, TemplateContent content, List<String> obstacles) {
        if (content.fields().stream().noneMatch(field -> field.name().equals(name))) {
            obstacles.add("The " + what + " of " + party.label()
                    + " comes from a field that doesn't exist. Choose the field.");
        }
    }
}
