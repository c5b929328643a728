package org.jalousie.core.template;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.parties.Party;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;

/**
 * What a coordinator has settled about a wording.
 *
 * @param language BCP 47 tag that decides how dates, numbers and money print
 * @param layout how the form asks for the fields
 * @param documents that an agreement has, in their order; its wording alone where nobody has said anything else
 * @param bundle how they go together
 * @param clauses the files of included clauses by name, held from publishing on; empty in a draft, which follows the library
 */
public record TemplateContent(
        String language,
        List<Field> fields,
        List<Party> parties,
        List<SigningField> signingFields,
        SendingSettings sending,
        List<Rule> rules,
        List<CaseChoice> choices,
        List<Specimen> specimens,
        Map<String, Sha256> clauses,
        FormLayout layout,
        List<TemplateDocument> documents,
        DocumentTerms bundle) {
    public TemplateContent {
        fields = List.copyOf(fields);
        parties = List.copyOf(parties);
        signingFields = List.copyOf(signingFields);
        // versions saved before there were rules have none
        rules = rules == null ? List.of() : List.copyOf(rules);
        choices = choices == null ? List.of() : List.copyOf(choices);
        specimens = specimens == null ? List.of() : List.copyOf(specimens);
        clauses = clauses == null ? Map.of() : Map.copyOf(clauses);
        // versions saved before there were others have their wording
        documents = documents == null || documents.isEmpty()
                ? List.of(TemplateDocument.OWN_WORDING)
                : List.copyOf(documents);
        bundle = bundle == null ? DocumentTerms.USUAL : bundle;
        // a form that nobody has arranged follows the fields; in another one each field has its place
        layout = layout == null
                ? FormLayout.NONE
                : layout.sections().isEmpty()
                        ? new FormLayout(List.of(), Map.of(), layout.further())
                        : layout.arranged(fields);
    }

    /** Settings of a wording alone. */
    public TemplateContent(
            String language,
            List<Field> fields,
            List<Party> parties,
            List<SigningField> signingFields,
            SendingSettings sending,
            List<Rule> rules,
            List<CaseChoice> choices,
            List<Specimen> specimens,
            Map<String, Sha256> clauses,
            FormLayout layout) {
        this(
                language,
                fields,
                parties,
                signingFields,
                sending,
                rules,
                choices,
                specimens,
                clauses,
                layout,
                List.of(),
                DocumentTerms.USUAL);
    }

    /** Settings without rules and specimens. */
    public TemplateContent(
            String language,
            List<Field> fields,
            List<Party> parties,
            List<SigningField> signingFields,
            SendingSettings sending) {
        this(
                language,
                fields,
                parties,
                signingFields,
                sending,
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                FormLayout.NONE);
    }

    /** The same settings about other data and parties. */
    public TemplateContent with(List<Field> newFields, List<Party> newParties, List<SigningField> newSigningFields) {
        return new TemplateContent(
                language,
                newFields,
                newParties,
                newSigningFields,
                sending,
                rules,
                choices,
                specimens,
                clauses,
                layout,
                documents,
                bundle);
    }

    /** The same settings with these rules. */
    public TemplateContent withRules(List<Rule> kept) {
        return new TemplateContent(
                language,
                fields,
                parties,
                signingFields,
                sending,
                kept,
                choices,
                specimens,
                clauses,
                layout,
                documents,
                bundle);
    }

    /** The same settings with these specimens. */
    public TemplateContent withSpecimens(List<Specimen> kept) {
        return new TemplateContent(
                language,
                fields,
                parties,
                signingFields,
                sending,
                rules,
                choices,
                kept,
                clauses,
                layout,
                documents,
                bundle);
    }

    /** The same settings with a form that asks so. */
    public TemplateContent withLayout(FormLayout form) {
        return new TemplateContent(
                language,
                fields,
                parties,
                signingFields,
                sending,
                rules,
                choices,
                specimens,
                clauses,
                form,
                documents,
                bundle);
    }

    /** The same settings holding these files of clauses. */
    public TemplateContent holding(Map<String, Sha256> files) {
        return new TemplateContent(
                language,
                fields,
                parties,
                signingFields,
                sending,
                rules,
                choices,
                specimens,
                files,
                layout,
                documents,
                bundle);
    }

    /** The same settings with these documents. */
    public TemplateContent withDocuments(List<TemplateDocument> kept) {
        return new TemplateContent(
                language,
                fields,
                parties,
                signingFields,
                sending,
                rules,
                choices,
                specimens,
                clauses,
                layout,
                kept,
                bundle);
    }

    /** The document of this name; empty for one that there isn't. */
    public Optional<TemplateDocument> document(DocumentId id) {
        return documents.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** Whether a signing field has been put on a document by hand, or waits for its place there. */
    public boolean isPlaced(SigningField field) {
        return documents.stream()
                .flatMap(one -> one.places().stream())
                .anyMatch(place -> place.field().equals(field.name()));
    }
}
