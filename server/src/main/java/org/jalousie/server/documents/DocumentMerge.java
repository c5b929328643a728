package org.jalousie.server.documents;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.ValueFrom;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Settings;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** Puts an agreement's data into its template's wordings; the same data make the same file, whenever it is done. */
@Component
class DocumentMerge {
    private final FileStore files;
    private final Settings settings;

    DocumentMerge(FileStore files, Settings settings) {
        this.files = files;
        this.settings = settings;
    }

    /**
     * @param created the agreement's first entry
     * @param wording one of the template's
     * @throws NotPossible when a value can't be printed, saying which and why
     */
    Wording.Merged merged(Agreement agreement, Entry created, UsableTemplate template, Wording wording) {
        return wording.merge(
                values(agreement, created, template),
                Locale.forLanguageTag(template.content().language()),
                files::picture);
    }

    /** The places of a document, each with the datum that stands in it at first or is shown by it. */
    Pages holding(Pages pages, Agreement agreement, Entry created, UsableTemplate template) {
        if (pages.fields().stream().allMatch(one -> one.field().from().kind() != ValueFrom.Kind.DATUM)) return pages;
        Map<String, Value> values = values(agreement, created, template);
        Printer printer = Printer.in(Locale.forLanguageTag(template.content().language()));
        List<PlacedField> fields = pages.fields().stream()
                .map(placed -> {
                    ValueFrom from = placed.field().from();
                    if (from.kind() != ValueFrom.Kind.DATUM) return placed;
                    Value value = values.get(from.name());
                    ValueFrom held =
                            value == null ? from.holding("", "") : from.holding(value.raw(), printer.print(value, ""));
                    return placed.of(placed.field().from(held));
                })
                .toList();
        return new Pages(pages.sizes(), fields);
    }

    /** Everything that can be printed in an agreement, by name. */
    Map<String, Value> values(Agreement agreement, Entry created, UsableTemplate template) {
        LocalDate generatedOn =
                LocalDate.ofInstant(created.at(), settings.office().zone());
        AgreementNumber number = agreement.created().number();
        RuleSet.Outcome outcome = template.values(agreement.data(), generatedOn, number.value());
        Map<String, Value> values = new LinkedHashMap<>(outcome.values());
        values.put(BuiltIn.FILE_NAME, new Value.Text(FileNames.of(number, agreement.title(), "", "pdf")));
        return values;
    }
}
