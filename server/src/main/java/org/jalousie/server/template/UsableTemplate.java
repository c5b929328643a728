package org.jalousie.server.template;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Wordings;

/** A version of a template as other rooms use it. */
public record UsableTemplate(
        UUID versionId,
        UUID templateId,
        String name,
        int number,
        TemplateContent content,
        Wordings wordings,
        RuleSet rules) {

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
        return new UsableTemplate(versionId, templateId, name, number, lenient, wordings, rules);
    }

    /** The same with a form that asks so. */
    public UsableTemplate arranged(FormLayout layout) {
        return new UsableTemplate(versionId, templateId, name, number, content.withLayout(layout), wordings, rules);
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
