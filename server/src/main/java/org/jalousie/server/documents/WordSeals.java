package org.jalousie.server.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.evidence.SignedDate;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.word.SealWords;
import org.jalousie.core.evidence.word.WordSeal;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.filing.FilingRule;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.Letter;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.trail.Trail;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Word files of agreements that go out under the office's signature. */
@Service
class WordSeals {
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final FileStore files;
    private final WordSeal seal;
    private final Trail trail;
    private final JdbcClient sql;
    private final TransactionTemplate transactions;
    private final Settings settings;
    private final Clock clock;

    WordSeals(
            Agreements agreements,
            UsableTemplates templates,
            FileStore files,
            TrustService trust,
            Trail trail,
            JdbcClient sql,
            TransactionTemplate transactions,
            Settings settings,
            Clock clock) {
        this.agreements = agreements;
        this.templates = templates;
        this.files = files;
        this.seal = new WordSeal(trust);
        this.trail = trail;
        this.sql = sql;
        this.transactions = transactions;
        this.settings = settings;
        this.clock = clock;
    }

    /** A file that goes out. */
    record Sealed(byte[] file, String name) {}

    /** What was said last of an agreement of the same template. */
    SealWords kept(AgreementNumber number) {
        UUID version = agreements.templateVersion(agreements.idOf(number));
        return sql.sql("select words from word_seal_words where template_id = ?")
                .param(templates.templateOf(version))
                .query((row, at) -> Json.MAPPER.readValue(row.getString(1), SealWords.class))
                .optional()
                .orElse(SealWords.USUAL);
    }

    /**
     * Signs a document's Word file.
     *
     * @param words with tags, which are kept for the next one
     * @throws Refusal when there is no Word file of it, or the words can't be said
     */
    Sealed seal(AgreementNumber number, String document, SealWords words) {
        UUID id = agreements.idOf(number);
        Agreement agreement = agreements.read(id);
        Document of = agreement.documents().stream()
                .filter(one -> one.id().value().equals(document))
                .findFirst()
                .filter(one -> one.word().isPresent())
                .orElseThrow(() -> Refusal.notFound(Message.of("word-seal.no-word")));
        UUID version = agreements.templateVersion(id);
        TemplateContent content = templates.content(version);
        LocalDate today = LocalDate.ofInstant(clock.instant(), settings.office().zone());
        Map<String, Value> values =
                FilingRule.values(agreement, Intake.stored(content.fields(), agreement.data()), today);
        Set<String> known = new HashSet<>(values.keySet());
        content.fields().forEach(field -> known.add(field.name().value()));
        Map<String, Message> faults = words.faults(known);
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        Locale language = Locale.forLanguageTag(content.language());
        SealWords said = said(words, values, Printer.in(language));
        byte[] sealed =
                seal.seal(files.get(of.word().orElseThrow()), said, SignedDate.print(today, language), clock.instant());
        // the trust service was asked outside of any transaction: it may take its time
        transactions.executeWithoutResult(status -> note(templates.templateOf(version), words, number, of));
        return new Sealed(sealed, FileNames.of(agreement, new DocumentId(document), "sealed.docx"));
    }

    private void note(UUID template, SealWords words, AgreementNumber number, Document of) {
        sql.sql("insert into word_seal_words (template_id, words) values (?, cast(? as jsonb))"
                        + " on conflict (template_id) do update set words = excluded.words")
                .params(template, Json.canonical(words))
                .update();
        trail.note(Message.of("act.word.sealed", "number", number, "document", of.title()));
    }

    private static SealWords said(SealWords words, Map<String, Value> values, Printer printer) {
        return new SealWords(
                said(words.role(), values, printer),
                said(words.place(), values, printer),
                said(words.comment(), values, printer),
                words.line());
    }

    private static String said(String text, Map<String, Value> values, Printer printer) {
        // what a datum says may have several lines and characters that no XML has
        return new Letter(text)
                .filled(values, printer)
                .replaceAll("[\\p{Cntrl}\\s]+", " ")
                .replaceAll("[\\uFFFE\\uFFFF\\p{Cs}]", "")
                .strip();
    }
}
