package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.LookAlike;
import org.jalousie.core.data.Names;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.template.PrintSamples;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.Renaming;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.edit.EditRefused;
import org.jalousie.core.wording.edit.Selection;
import org.jalousie.core.wording.edit.WordingEdit;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.FontFinder;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.web.DiagnosticView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The wording of a draft: its pages, acts on them, and the way out to a word processor and back. */
@Service
class WordingService {
    private final Drafts drafts;
    private final DraftHistory history;
    private final Preparations preparations;
    private final FileStore files;
    private final FontFinder fonts;

    WordingService(Drafts drafts, DraftHistory history, Preparations preparations, FileStore files, FontFinder fonts) {
        this.fonts = fonts;
        this.drafts = drafts;
        this.history = history;
        this.preparations = preparations;
        this.files = files;
    }

    /** What a person does on the pages. */
    enum Act {
        MARK_FIELD,
        MARK_PASSAGE,
        MARK_INVERTED_PASSAGE,
        INSERT,
        INSERT_CLAUSE
    }

    /** What a Word file changed elsewhere would bring; nothing is taken over yet. */
    TemplateViews.WordingComparison compare(UUID id, byte[] file) {
        TemplateVersion version = drafts.newest(id);
        FoundTags before =
                preparations.wording(version.wordFile(), version.content()).found();
        WordFile.open(file);
        Sha256 kept = files.keep(file);
        Wording wording = preparations.wording(kept, version.content());
        fonts.learn(wording);
        List<String> added = without(names(wording.found()), names(before));
        List<String> gone = without(names(before), names(wording.found()));
        List<TemplateViews.RenameProposal> renames = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (String from : gone) {
            LookAlike.of(from, without(added, List.copyOf(taken))).ifPresent(to -> {
                taken.add(to);
                renames.add(new TemplateViews.RenameProposal(from, to));
            });
        }
        return new TemplateViews.WordingComparison(
                kept.hex(), added, gone, renames, DiagnosticView.of(wording.diagnostics()));
    }

    private static List<String> names(FoundTags found) {
        List<String> names = new ArrayList<>(found.fields());
        found.parties().stream().map(party -> party + " (party)").forEach(names::add);
        return names;
    }

    private static List<String> without(List<String> from, List<String> those) {
        return from.stream().filter(name -> !those.contains(name)).toList();
    }

    /** @param renames confirmed by the person: settings under the first name go on under the second */
    @Transactional
    TemplateViews.TemplateDetail accept(UUID id, int revision, String file, Map<String, String> renames, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        Sha256 brought = Sha256.read(file).orElseThrow(() -> Refusal.notFound(Message.of("wording.file-gone")));
        WordFile.open(files.get(brought));
        renames.values().stream().filter(to -> !to.endsWith(" (party)")).forEach(WordingService::required);
        history.remember(draft, Message.of("step.brought-back"), by);
        TemplateContent content = draft.content();
        TemplateContent kept = Renaming.of(content, renames);
        draft.change(
                brought, Proposal.renewed(preparations.wording(brought, kept).found(), kept));
        return drafts.changed(id, draft);
    }

    /** @param label of a field that is new with it; blank for what its name says */
    record Doing(Act act, Selection at, String name, String label, boolean everywhere) {}

    @Transactional
    TemplateViews.WordingEdited edit(UUID id, int revision, Doing doing, String by) {
        Act act = doing.act();
        Selection at = doing.at();
        String name = doing.name();
        boolean everywhere = doing.everywhere();
        TemplateVersion draft = drafts.draft(id, revision);
        WordFile file = WordFile.open(files.get(draft.wordFile()));
        Map<String, String> shown = shown(draft.content());
        try {
            int further = act == Act.MARK_FIELD && !everywhere ? WordingEdit.furtherOccurrences(file, at, shown) : 0;
            WordingEdit.Edited edited = switch (act) {
                case MARK_FIELD -> WordingEdit.markField(file, at, required(name), everywhere, shown);
                case MARK_PASSAGE -> WordingEdit.markPassage(file, at, tagged(name), false, shown);
                case MARK_INVERTED_PASSAGE -> WordingEdit.markPassage(file, at, tagged(name), true, shown);
                case INSERT -> WordingEdit.insert(file, at, "{{" + tagged(name) + "}}", shown);
                case INSERT_CLAUSE -> WordingEdit.insertParagraph(file, at, "{{>" + clause(name) + "}}", shown);
            };
            return new TemplateViews.WordingEdited(
                    take(id, draft, edited, done(act, name), Map.of(Names.normal(name), doing.label()), by),
                    edited.places(),
                    further);
        } catch (EditRefused e) {
            throw Refusal.invalid(e.said());
        }
    }

    private static Message done(Act act, String name) {
        String code = switch (act) {
            case MARK_FIELD -> "step.field";
            case MARK_PASSAGE, MARK_INVERTED_PASSAGE -> "step.passage";
            case INSERT -> "step.insertion";
            case INSERT_CLAUSE -> "step.clause";
        };
        return Message.of(code, "name", name);
    }

    /** A name alone, as a field has it. */
    private static String required(String name) {
        if (Names.isName(Names.normal(name))) return Names.normal(name);
        throw badName();
    }

    /** What a tag may say: a name, with a print, a case or a party's field after a full stop. */
    private static String tagged(String name) {
        if (Names.isDotted(Names.normal(name))) return Names.normal(name);
        throw badName();
    }

    private static String clause(String name) {
        boolean dynamic = name.startsWith("*");
        return (dynamic ? "*" : "") + required(dynamic ? name.substring(1) : name);
    }

    private static Refusal badName() {
        return Refusal.invalid(Message.of("name.letters"), Map.of("name", Message.of("name.example")));
    }

    /** Accepts tracked changes and deletes comments that the drafting left behind. */
    @Transactional
    TemplateViews.TemplateDetail tidy(UUID id, int revision, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        WordingEdit.Edited edited = WordingEdit.tidied(WordFile.open(files.get(draft.wordFile())));
        return take(id, draft, edited, Message.of("step.tidying"), Map.of(), by);
    }

    /** Gives a field, rule or list another name in the wording and in the settings. */
    @Transactional
    TemplateViews.TemplateDetail rename(UUID id, int revision, String from, String to, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        String renamed = required(to);
        WordingEdit.Edited edited =
                WordingEdit.rename(WordFile.open(files.get(draft.wordFile())), Map.of(from, renamed));
        TemplateContent content = draft.content();
        boolean merges = content.fields().stream().anyMatch(field -> field.isCalled(renamed));
        List<Field> fields = content.fields().stream()
                .filter(field -> !merges || !field.isCalled(from))
                .toList();
        history.remember(draft, Message.of("step.renaming", "from", from), by);
        TemplateContent kept =
                Renaming.of(content.with(fields, content.parties(), content.signingFields()), Map.of(from, renamed));
        Sha256 file = files.keep(edited.file().bytes());
        draft.change(file, Proposal.renewed(preparations.wording(file, kept).found(), kept));
        return drafts.changed(id, draft);
    }

    /** @param labels of fields that are new, by their names; a blank one says nothing */
    /** Prints a value in another way wherever the wording has it. @param print empty for the usual one */
    @Transactional
    TemplateViews.TemplateDetail print(UUID id, int revision, String name, String print, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        if (!print.isEmpty() && !FieldType.isPrint(print)) throw badName();
        WordingEdit.Edited edited =
                WordingEdit.print(WordFile.open(files.get(draft.wordFile())), required(name), print);
        return take(id, draft, edited, Message.of("step.print", "name", name), Map.of(), by);
    }

    /** Gives a signing field to another party, in the wording and with its settings. */
    @Transactional
    TemplateViews.TemplateDetail handOver(UUID id, int revision, String name, String party, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        TemplateContent content = draft.content();
        SigningField field = content.signingFields().stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("field.none", "name", name)));
        PartyKey to = content.parties().stream()
                .map(Party::key)
                .filter(key -> key.value().equals(party))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("party.unknown", "key", party == null ? "" : party)));
        String word = name.substring(field.party().value().length() + 1);
        SigningField moved = field.handedTo(to, to + "_" + word);
        if (content.signingFields().stream().anyMatch(one -> one.name().equals(moved.name())))
            throw Refusal.conflict(Message.of("party.has-field", "field", field.label()));
        WordingEdit.Edited edited = WordingEdit.handOver(
                WordFile.open(files.get(draft.wordFile())), field.party().value(), word, to.value());
        if (edited.places() == 0) throw Refusal.conflict(Message.of("party.field-not-found", "field", field.label()));
        history.remember(draft, Message.of("step.hand-over", "field", field.title()), by);
        List<SigningField> fields = content.signingFields().stream()
                .map(one -> one == field ? moved : one)
                .toList();
        TemplateContent kept = content.with(content.fields(), content.parties(), fields);
        Sha256 file = files.keep(edited.file().bytes());
        draft.change(file, Proposal.renewed(preparations.wording(file, kept).found(), kept));
        return drafts.changed(id, draft);
    }

    /** How a field's value can be printed, with examples in the template's language, and how the wording prints it. */
    TemplateViews.FieldPrints prints(UUID id, String name) {
        TemplateVersion version = drafts.newest(id);
        TemplateContent content = version.content();
        Field field = content.fields().stream()
                .flatMap(one -> Stream.concat(Stream.of(one), one.items().stream()))
                .filter(one -> one.isCalled(name))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("field.none", "name", name)));
        FoundTags found = preparations.wording(version.wordFile(), content).found();
        return new TemplateViews.FieldPrints(
                PrintSamples.of(field, Locale.forLanguageTag(content.language())),
                List.copyOf(new TreeSet<>(found.prints().getOrDefault(name, Set.of()))));
    }

    private TemplateViews.TemplateDetail take(
            UUID id,
            TemplateVersion draft,
            WordingEdit.Edited edited,
            Message what,
            Map<String, String> labels,
            String by) {
        history.remember(draft, what, by);
        Sha256 file = files.keep(edited.file().bytes());
        TemplateContent before = draft.content();
        TemplateContent after =
                Proposal.renewed(preparations.wording(file, before).found(), before);
        draft.change(
                file,
                after.with(labelled(after.fields(), before.fields(), labels), after.parties(), after.signingFields()));
        return drafts.changed(id, draft);
    }

    /** Fields, in lists too, with labels for those that were not there before. */
    private static List<Field> labelled(List<Field> fields, List<Field> before, Map<String, String> labels) {
        return fields.stream()
                .map(field -> {
                    Optional<Field> known = before.stream()
                            .filter(one -> one.name().equals(field.name()))
                            .findFirst();
                    String label = labels.getOrDefault(field.name().value(), "");
                    Field named = known.isPresent() || label.isBlank() ? field : field.labelled(label);
                    return named.withItems(
                            labelled(named.items(), known.map(Field::items).orElse(List.of()), labels));
                })
                .toList();
    }

    /** What the pages show for each field's tag. */
    private static Map<String, String> shown(TemplateContent content) {
        Map<String, String> shown = new LinkedHashMap<>();
        shownIn(content.fields(), shown);
        content.rules().forEach(rule -> shown.put(rule.name(), "[" + rule.label() + "]"));
        shown.put("generated_on", "[Day of generation]");
        shown.put("agreement_number", "[Agreement number]");
        return shown;
    }

    private static void shownIn(List<Field> fields, Map<String, String> shown) {
        for (Field field : fields) {
            shown.put(field.name().value(), "[" + field.label() + "]");
            shownIn(field.items(), shown);
        }
    }
}
