package org.jalousie.server.agreement;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.placement.ErrorTexts;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.HiddenFields;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.CannotBeDone;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.template.TemplateService;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes the document of an agreement: merge, conversion, signing fields. */
@Component
class GenerateWork implements JobWork {
    private final AgreementLog log;
    private final AgreementRows rows;
    private final TemplateService templates;
    private final Converter converter;
    private final FileStore files;
    private final TransactionTemplate transaction;
    private final Settings settings;

    GenerateWork(
            AgreementLog log,
            AgreementRows rows,
            TemplateService templates,
            Converter converter,
            FileStore files,
            TransactionTemplate transaction,
            Settings settings) {
        this.log = log;
        this.rows = rows;
        this.templates = templates;
        this.converter = converter;
        this.files = files;
        this.transaction = transaction;
        this.settings = settings;
    }

    @Override
    public JobKind kind() {
        return JobKind.GENERATE;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance.substring(0, 36));
        Agreement agreement = log.read(id);
        if (agreement.state() != State.GENERATING) return false;
        UsableTemplate template =
                templates.version(rows.findById(id).orElseThrow().templateVersionId());
        LocalDate generatedOn = LocalDate.ofInstant(
                log.history(id).get(0).at(), settings.office().zone());
        RuleSet.Outcome outcome = template.values(
                agreement.data(), generatedOn, agreement.created().number());
        // a version that was published before the program knew what stands in it wrongly
        template.wording().diagnostics().stream()
                .filter(Diagnostic::blocks)
                .findFirst()
                .ifPresent(fault -> {
                    throw new CannotBeDone(
                            "This version of the template can't be used: " + fault.message() + " " + fault.cure()
                                    + " Then publish it as a new version.",
                            null);
                });
        Map<String, Value> values = new LinkedHashMap<>(outcome.values());
        values.put(
                BuiltIn.FILE_NAME,
                new Value.Text(FileNames.of(agreement.created().number(), agreement.title(), "", "pdf")));
        Wording.Merged merged;
        try {
            merged = template.wording()
                    .merge(values, Locale.forLanguageTag(template.content().language()), files::get);
        } catch (IllegalArgumentException e) {
            throw new CannotBeDone(e.getMessage(), e);
        }
        Converter.Made made = converter.convert(merged.file());
        String text = PagesText.of(made.pdf());
        ErrorTexts.in(text).ifPresent(error -> {
            throw new CannotBeDone(error, null);
        });
        FieldPlacer.Placed placed = FieldPlacer.place(
                made.pdf(), labelled(template), template.wording().onEachPage(), agreement.participants());
        HiddenFields.among(merged.fields(), template.wording().boxes(), placed.pages())
                .ifPresent(hidden -> {
                    throw new CannotBeDone(hidden, null);
                });
        String wordFile = files.keep(FieldResults.put(merged.file(), made.results(), made.lists()));
        String pdfFile = files.keep(placed.pdf());
        String words = Findable.words(text);
        transaction.executeWithoutResult(status -> {
            Agreement now = log.carryOut(
                    id, Actor.PROGRAM, new Command.Generate(agreement.madeFrom(), wordFile, pdfFile, placed.pages()));
            if (now.madeFrom() == agreement.madeFrom() && now.pdf().equals(pdfFile)) rows.foundByWords(id, words);
        });
        return true;
    }

    /** The boxes with the labels and duties that the coordinator has settled. */
    private static Map<Integer, SigningField> labelled(UsableTemplate template) {
        Map<Integer, SigningField> boxes =
                new LinkedHashMap<>(template.wording().boxes());
        boxes.replaceAll((number, box) -> template.content().signingFields().stream()
                .filter(settled -> settled.name().equals(box.name()))
                .findFirst()
                .orElse(box));
        return boxes;
    }
}
