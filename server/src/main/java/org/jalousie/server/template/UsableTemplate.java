package org.jalousie.server.template;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.Wording;

/**
 * A version of a template as other rooms use it.
 *
 * @param edition what its words are called where an agreement has others; empty for the version's own
 */
public record UsableTemplate(
        UUID versionId,
        UUID templateId,
        String name,
        int number,
        TemplateContent content,
        Wordings wordings,
        RuleSet rules,
        String edition) {

    /** A version as it was published. */
    public UsableTemplate(
            UUID versionId,
            UUID templateId,
            String name,
            int number,
            TemplateContent content,
            Wordings wordings,
            RuleSet rules) {
        this(versionId, templateId, name, number, content, wordings, rules, "");
    }

    /** The same, where what only the office answers may be missing yet. */
    public UsableTemplate fromOutside() {
        List<Field> fields = content.fields().stream()
                .map(field -> content.layout()
                                .question(field.name())
                                .filter(one -> one.visibility() == FormLayout.Visibility.OFFICE)
                                .isPresent()
                        ? field.optional()
                        : field)
                .toList();
        TemplateContent lenient = content.with(fields, content.parties(), content.signingFields());
        return new UsableTemplate(versionId, templateId, name, number, lenient, wordings, rules, edition);
    }

    /** The same with another wording of one of its documents. @param called what tells these words from all others */
    public UsableTemplate saying(DocumentId document, Wording wording, String called) {
        Wordings said = document.equals(DocumentId.WORDING)
                ? new Wordings(wording, wordings.further())
                : new Wordings(
                        wordings.own(),
                        wordings.further().stream()
                                .map(one -> one.id().equals(document)
                                        ? new Wordings.Further(one.id(), one.title(), wording)
                                        : one)
                                .toList());
        return new UsableTemplate(
                versionId, templateId, name, number, content, said, rules, edition + " " + document + called);
    }

    /** The same with a form that asks so. */
    public UsableTemplate arranged(FormLayout layout) {
        return new UsableTemplate(
                versionId, templateId, name, number, content.withLayout(layout), wordings, rules, edition);
    }

    /**
     * Everything that the documents can print: the data of one agreement, what every agreement has, and what follows by rule.
     *
     * @param raw values as a request keeps them
     */
    public RuleSet.Outcome values(Map<FieldName, String> raw, LocalDate generatedOn, String number) {
        return rules.apply(BuiltIn.and(Intake.stored(content.fields(), raw), generatedOn, number));
    }
}
