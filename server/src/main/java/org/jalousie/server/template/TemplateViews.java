package org.jalousie.server.template;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.Who;
import org.jalousie.core.placement.FieldKind;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Terms;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.Wording;

/** Templates as the interface to the outside shows them. */
final class TemplateViews {
    private TemplateViews() {}

    /** @param publishedVersion 0 when none is published */
    record TemplateItem(
            UUID id,
            String name,
            int version,
            String state,
            int publishedVersion,
            int fields,
            List<String> parties,
            Instant changedAt) {}

    enum WhoKind {
        FROM_FIELDS,
        FIXED,
        CHOSEN_AT_USE
    }

    /** @param first name field or name, {@code second} mail field or mail, both empty for a person chosen at use */
    record PartyView(String key, String label, Duty duty, int stage, WhoKind who, String first, String second) {}

    record SigningFieldView(String name, String party, FieldKind kind, String label, boolean required) {}

    record TemplateSettings(
            String language,
            List<Field> fields,
            List<PartyView> parties,
            List<SigningFieldView> signingFields,
            Terms terms) {
        TemplateContent toCore() {
            return new TemplateContent(
                    language,
                    fields,
                    parties.stream().map(TemplateViews::party).toList(),
                    signingFields.stream()
                            .map(f -> new SigningField(f.name(), f.party(), f.kind(), f.label(), f.required()))
                            .toList(),
                    terms);
        }
    }

    record TemplateDetail(
            UUID id,
            String name,
            int version,
            String state,
            int revision,
            TemplateSettings content,
            List<Diagnostic> diagnostics,
            List<String> obstacles,
            Instant changedAt) {}

    record Preview(Pages pages) {}

    static TemplateItem row(Template template, List<TemplateVersion> versions) {
        TemplateVersion newest = versions.stream()
                .max(Comparator.comparingInt(TemplateVersion::number))
                .orElseThrow();
        int published = versions.stream()
                .filter(TemplateVersion::published)
                .mapToInt(TemplateVersion::number)
                .max()
                .orElse(0);
        TemplateContent content = newest.content();
        return new TemplateItem(
                template.id(),
                template.name(),
                newest.number(),
                newest.published() ? "PUBLISHED" : "DRAFT",
                published,
                content.fields().size(),
                content.parties().stream().map(Party::label).toList(),
                template.changedAt());
    }

    static TemplateDetail detail(Template template, TemplateVersion version, Wording wording, List<String> obstacles) {
        TemplateContent content = version.content();
        TemplateSettings view = new TemplateSettings(
                content.language(),
                content.fields(),
                content.parties().stream().map(TemplateViews::view).toList(),
                content.signingFields().stream()
                        .map(f -> new SigningFieldView(f.name(), f.party(), f.kind(), f.label(), f.required()))
                        .toList(),
                content.terms());
        return new TemplateDetail(
                template.id(),
                template.name(),
                version.number(),
                version.published() ? "PUBLISHED" : "DRAFT",
                version.revision(),
                view,
                wording.diagnostics(),
                obstacles,
                template.changedAt());
    }

    private static PartyView view(Party party) {
        if (party.who() instanceof Who.FromFields from) {
            return new PartyView(
                    party.key(),
                    party.label(),
                    party.duty(),
                    party.stage(),
                    WhoKind.FROM_FIELDS,
                    from.nameField(),
                    from.mailField());
        }
        if (party.who() instanceof Who.Fixed fixed) {
            return new PartyView(
                    party.key(), party.label(), party.duty(), party.stage(), WhoKind.FIXED, fixed.name(), fixed.mail());
        }
        return new PartyView(party.key(), party.label(), party.duty(), party.stage(), WhoKind.CHOSEN_AT_USE, "", "");
    }

    private static Party party(PartyView view) {
        Who who = switch (view.who()) {
            case FROM_FIELDS -> new Who.FromFields(view.first(), view.second());
            case FIXED -> new Who.Fixed(view.first(), view.second());
            case CHOSEN_AT_USE -> new Who.ChosenAtUse();
        };
        return new Party(view.key(), view.label(), view.duty(), view.stage(), who);
    }
}
