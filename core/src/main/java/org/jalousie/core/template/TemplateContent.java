package org.jalousie.core.template;

import java.util.List;
import org.jalousie.core.data.Field;
import org.jalousie.core.parties.Party;
import org.jalousie.core.placement.SigningField;

/**
 * What a coordinator has settled about a wording.
 *
 * @param language BCP 47 tag that decides how dates, numbers and money print
 */
public record TemplateContent(
        String language, List<Field> fields, List<Party> parties, List<SigningField> signingFields, Terms terms) {
    public TemplateContent {
        fields = List.copyOf(fields);
        parties = List.copyOf(parties);
        signingFields = List.copyOf(signingFields);
    }
}
