package org.jalousie.server.documents;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.ChangedWording;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.Meaning;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.Redline;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.edit.EditRefused;
import org.jalousie.core.wording.edit.Selection;
import org.jalousie.core.wording.edit.WordsEdit;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.FontFinder;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.template.WordingEditions;
import org.springframework.stereotype.Service;

/**
 * Changes words in one agreement alone, before it is sent. They change in a wording of the agreement's own, tags and all, so that
 * answers can be corrected after. No transaction is open while files are read.
 */
@Service
class ChangedWords {
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final WordingEditions editions;
    private final AgreedWordings wordings;
    private final DocumentMerge merge;
    private final FileStore files;
    private final FontFinder fonts;

    ChangedWords(
            Agreements agreements,
            UsableTemplates templates,
            WordingEditions editions,
            AgreedWordings wordings,
            DocumentMerge merge,
            FileStore files,
            FontFinder fonts) {
        this.agreements = agreements;
        this.templates = templates;
        this.editions = editions;
        this.wordings = wordings;
        this.merge = merge;
        this.files = files;
        this.fonts = fonts;
    }

    /**
     * @param at the words that change; none for a place between words
     * @param words that stand there then; none to strike the chosen ones out
     * @param paragraph whether words at a place are a paragraph of their own
     */
    record Change(Selection at, String words, boolean paragraph) {}

    private record Subject(UUID id, Agreement agreement, DocumentId document, UsableTemplate template) {}

    void change(AgreementNumber number, String name, Change change, Actor by) {
        Subject subject = subject(number, name);
        Agreement agreement = subject.agreement();
        UsableTemplate template = subject.template();
        WordingEditions.Edition before =
                wordings.edition(agreement, template, subject.document()).orElseThrow(ChangedWords::ofNoWording);
        Wording wording = wordings.of(agreement, template, subject.document()).orElseThrow();
        Map<String, String> shown =
                shown(subject, agreements.history(subject.id()).get(0), wording);
        WordingEditions.Edition after;
        try {
            after = edited(before, change, parties(template), shown);
        } catch (EditRefused e) {
            throw Refusal.invalid(e.said());
        }
        Wording now = editions.wording(template, after);
        now.diagnostics().stream().filter(Diagnostic::blocks).findFirst().ifPresent(fault -> {
            throw Refusal.invalid(fault.message());
        });
        fonts.unprintable(now.scripts()).stream().findFirst().ifPresent(script -> {
            throw Refusal.invalid(Message.of(
                    "edit.no-font",
                    "script",
                    script.replace('_', ' '),
                    "letters",
                    now.scripts().get(script)));
        });
        carryOut(subject, differing(subject, after), by);
    }

    /** All words of the document are the template's again. */
    void takeBack(AgreementNumber number, String name, Actor by) {
        Subject subject = subject(number, name);
        WordingEditions.Edition own =
                editions.ofTemplate(subject.template(), subject.document()).orElseThrow(ChangedWords::ofNoWording);
        carryOut(subject, new ChangedWording(own.file(), Map.of(), List.of()), by);
    }

    private void carryOut(Subject subject, ChangedWording wording, Actor by) {
        agreements.carryOut(
                subject.id(),
                by,
                new Command.ChangeWording(subject.agreement().revision(), subject.document(), wording));
    }

    /** Nothing is read or kept for an agreement that can't be changed any more. */
    private Subject subject(AgreementNumber number, String name) {
        UUID id = agreements.idOf(number);
        Agreement agreement = agreements.read(id);
        if (agreement.state() == State.GENERATING) throw Refusal.conflict(Message.of("send.being-made"));
        if (agreement.state() != State.CHECK) throw Refusal.conflict(Message.of("sent.documents"));
        Document document =
                agreement.documentNamed(name).orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
        if (document.kind() != Document.Kind.GENERATED) throw ofNoWording();
        return new Subject(id, agreement, document.id(), templates.version(agreements.templateVersion(id)));
    }

    /** In the file, or in the clause, where the words stand as they do on the page. */
    private WordingEditions.Edition edited(
            WordingEditions.Edition before, Change change, Set<String> parties, Map<String, String> shown) {
        WordFile own = WordFile.open(files.get(before.file()));
        Map<String, WordFile> clauses = new TreeMap<>();
        before.clauses().forEach((name, file) -> clauses.put(name, WordFile.open(files.get(file))));
        int best = WordsEdit.fit(own, change.at(), shown);
        String where = "";
        boolean tie = false;
        for (Map.Entry<String, WordFile> clause : clauses.entrySet()) {
            int fit = WordsEdit.fit(clause.getValue(), change.at(), shown);
            if (fit < 0 || fit < best) continue;
            tie = fit == best;
            if (tie) continue;
            best = fit;
            where = clause.getKey();
        }
        if (tie) throw new EditRefused(Message.of("edit.several-alike"));
        if (where.isEmpty())
            return new WordingEditions.Edition(keep(edited(own, change, parties, shown)), before.clauses());
        Map<String, Sha256> changed = new HashMap<>(before.clauses());
        changed.put(where, keep(edited(clauses.get(where), change, parties, shown)));
        return new WordingEditions.Edition(before.file(), changed);
    }

    private static WordFile edited(WordFile file, Change change, Set<String> parties, Map<String, String> shown) {
        return change.at().text().isBlank()
                ? WordsEdit.insert(file, change.at(), change.words(), change.paragraph(), shown)
                : WordsEdit.replace(file, change.at(), change.words(), parties, shown);
    }

    private Sha256 keep(WordFile file) {
        return files.keep(file.bytes());
    }

    /** What differs from the template now, clause by clause after the wording itself. */
    private ChangedWording differing(Subject subject, WordingEditions.Edition now) {
        WordingEditions.Edition template =
                editions.ofTemplate(subject.template(), subject.document()).orElseThrow(ChangedWords::ofNoWording);
        TemplateContent content = subject.template().content();
        List<ChangedWording.ChangedParagraph> paragraphs =
                new ArrayList<>(paragraphs(template.file(), now.file(), content));
        Map<String, Sha256> clauses = new TreeMap<>();
        new TreeMap<>(now.clauses()).forEach((name, file) -> {
            Sha256 before = template.clauses().get(name);
            if (file.equals(before)) return;
            List<ChangedWording.ChangedParagraph> ofClause = paragraphs(before, file, content);
            if (ofClause.isEmpty()) return;
            clauses.put(name, file);
            paragraphs.addAll(ofClause);
        });
        return new ChangedWording(now.file(), clauses, paragraphs);
    }

    private List<ChangedWording.ChangedParagraph> paragraphs(Sha256 before, Sha256 now, TemplateContent content) {
        if (now.equals(before)) return List.of();
        return Redline.between(WordFile.open(files.get(before)), WordFile.open(files.get(now))).stream()
                .filter(Redline.Line::changed)
                .map(line -> ChangedWording.ChangedParagraph.of(line.pieces().stream()
                        .map(piece -> piece(piece, content))
                        .toList()))
                .toList();
    }

    private static ChangedWording.ChangedPiece piece(Redline.Piece piece, TemplateContent content) {
        ChangedWording.Fate fate = switch (piece.fate()) {
            case SAME -> ChangedWording.Fate.KEPT;
            case WENT -> ChangedWording.Fate.STRUCK;
            case CAME -> ChangedWording.Fate.PUT_IN;
        };
        String text = piece.mention()
                .map(mention -> "["
                        + Meaning.of(content, mention)
                                .map(Meaning::label)
                                .orElse(mention.name().replace('_', ' ').replace('.', ' '))
                        + "]")
                .orElse(piece.text());
        return new ChangedWording.ChangedPiece(fate, text);
    }

    private static Set<String> parties(UsableTemplate template) {
        return template.content().parties().stream()
                .map(party -> party.key().value())
                .collect(Collectors.toSet());
    }

    /** What stands on this agreement's pages for each value's tag, by its name, and by its name and print. */
    private Map<String, String> shown(Subject subject, Entry created, Wording wording) {
        Printer printer =
                Printer.in(Locale.forLanguageTag(subject.template().content().language()));
        Map<String, String> shown = new LinkedHashMap<>();
        merge.values(subject.agreement(), created, subject.template()).forEach((name, value) -> {
            if (value == null) return;
            for (String print : wording.found().prints().getOrDefault(name, Set.of("")))
                if (!print.isEmpty()) shown.put(name + "." + print, printer.print(value, print));
            shown.put(name, printer.print(value, ""));
        });
        return shown;
    }

    private static Refusal ofNoWording() {
        return Refusal.conflict(Message.of("wording.not-of-template"));
    }
}
