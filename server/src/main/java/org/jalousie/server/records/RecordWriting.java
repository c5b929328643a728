package org.jalousie.server.records;

import java.net.URI;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.OneArchive;
import org.jalousie.core.messages.Message;
import org.jalousie.core.records.RecordChange;
import org.jalousie.core.records.RecordFileName;
import org.jalousie.core.records.RecordStep;
import org.jalousie.core.template.Letter;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.intake.RowIntake;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Writes steps back into records. Written twice, a record is as if it had been once. */
@Component
class RecordWriting {
    private static final int MOST_MEETINGS = 5;

    private final RecordClient client;
    private final Agreements agreements;
    private final RowIntake intake;
    private final UsableTemplates templates;
    private final FileStore files;
    private final Settings settings;

    RecordWriting(
            RecordClient client,
            Agreements agreements,
            RowIntake intake,
            UsableTemplates templates,
            FileStore files,
            Settings settings) {
        this.client = client;
        this.agreements = agreements;
        this.intake = intake;
        this.templates = templates;
        this.files = files;
        this.settings = settings;
    }

    /** @throws RecordsUnread when it can't be written now */
    void write(RecordSystem system, RecordSteps.Due step) {
        RecordClient.Access access = new RecordClient.Access(system.terms(), system.credential());
        if (step.step() == RecordStep.COMPLETED && !access.terms().back().file().isEmpty()) putFiles(access, step);
        String link = step.agreement().isEmpty() ? "" : settings.address() + "/agreements/" + step.agreement();
        RecordChange change = RecordChange.of(access.terms(), step.step(), step.agreement(), link, step.said());
        if (change.values().isEmpty()) return;
        for (int meeting = 0; meeting < MOST_MEETINGS; meeting++) {
            RecordClient.Fetched now =
                    client.one(access, step.key()).orElseThrow(() -> RecordsUnread.of(Message.of("records.gone")));
            // an answer may have been lost on its way here
            if (change.isIn(now.record()) || client.change(access, step.key(), change, now)) return;
        }
        throw RecordsUnread.of(Message.of("records.changing"));
    }

    private void putFiles(RecordClient.Access access, RecordSteps.Due step) {
        UUID id = agreements.idOf(new AgreementNumber(step.agreement()));
        String request = agreements.read(id).created().request();
        Map<String, Sha256> all = new LinkedHashMap<>();
        for (AgreementNumber one : intake.whole(request).agreements()) named(access, one, all);
        all.forEach((name, file) -> {
            URI address = access.terms().back().fileAddress(access.place(), step.key(), name);
            client.put(access, address, files.get(file));
        });
    }

    /** The signed files of an agreement by the names that the rule gives them. */
    private void named(RecordClient.Access access, AgreementNumber number, Map<String, Sha256> all) {
        Agreements.Filed filed = agreements.filed(number);
        Agreement agreement = filed.agreement();
        UnaryOperator<String> filledIn = filledIn(number, filed);
        String rule = access.terms().back().name();
        for (Document one : agreement.documents()) {
            String title = all.isEmpty() ? "" : one.title();
            String name = RecordFileName.of(rule, filledIn, title, number.value());
            all.put(OneArchive.free(name, all.keySet()), one.pdf());
        }
        Optional<Sha256> record = access.terms().back().signingRecord() ? agreement.record() : Optional.empty();
        record.ifPresent(file -> all.put(
                OneArchive.free(RecordFileName.of(rule, filledIn, "signing record", number.value()), all.keySet()),
                file));
    }

    private UnaryOperator<String> filledIn(AgreementNumber number, Agreements.Filed filed) {
        UUID version = agreements.templateVersion(number);
        LocalDate made = LocalDate.ofInstant(
                filed.history().get(0).at(), settings.office().zone());
        Map<String, Value> values = templates
                .version(version)
                .values(filed.agreement().data(), made, number.value())
                .values();
        Printer printer =
                Printer.in(Locale.forLanguageTag(templates.content(version).language()));
        return text -> new Letter(text).filled(values, printer);
    }
}
