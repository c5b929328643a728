package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.LookAlike;
import org.jalousie.core.data.Names;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
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
    private final Preparations preparations;
    private final FileStore files;
    private final FontFinder fonts;

    WordingService(Drafts drafts, Preparations preparations, FileStore files, FontFinder fonts) {
        this.fonts = fonts;
        this.drafts = drafts;
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
        drafts.remember(draft, "the wording brought back", by);
        TemplateContent content = draft.content();
        TemplateContent kept = Renaming.of(content, renames);
        draft.change(
                brought, Proposal.renewed(preparations.wording(brought, kept).found(), kept));
        return drafts.changed(id, draft);
    }

    @Transactional
    TemplateViews.WordingEdited edit(
            UUID id, int revision, Act act, Selection at, String name, boolean everywhere, String by) {
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
                    take(id, draft, edited, words(act, name), by), edited.places(), further);
        } catch (EditRefused e) {
            throw Refusal.invalid(e.said());
        }
    }

    private static String words(Act act, String name) {
        return switch (act) {
            case MARK_FIELD -> "the field " + name;
            case MARK_PASSAGE, MARK_INVERTED_PASSAGE -> "the passage for " + name;
            case INSERT -> "the insertion of " + name;
            case INSERT_CLAUSE -> "the clause " + name;
        };
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
        return take(id, draft, edited, "the tidying", by);
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
        drafts.remember(draft, "the renaming of " + from, by);
        TemplateContent kept =
                Renaming.of(content.with(fields, content.parties(), content.signingFields()), Map.of(from, renamed));
        Sha256 file = files.keep(edited.file().bytes());
        draft.change(file, Proposal.renewed(preparations.wording(file, kept).found(), kept));
        return drafts.changed(id, draft);
    }

    private TemplateViews.TemplateDetail take(
            UUID id, TemplateVersion draft, WordingEdit.Edited edited, String what, String by) {
        drafts.remember(draft, what, by);
        Sha256 file = files.keep(edited.file().bytes());
        draft.change(
                file,
                Proposal.renewed(preparations.wording(file, draft.content()).found(), draft.content()));
        return drafts.changed(id, draft);
    }

    /** Takes the last change of the wording back; settings made since then stay, fields that only it brought go. */
    @Transactional
    TemplateViews.TemplateDetail undo(UUID id, int revision) {
        TemplateVersion draft = drafts.draft(id, revision);
        TemplateStep step =
                drafts.lastStep(draft).orElseThrow(() -> Refusal.conflict(Message.of("wording.nothing-to-undo")));
        TemplateContent now = draft.content();
        TemplateContent then = step.content();
        Set<String> before = new HashSet<>();
        then.fields().forEach(field -> before.add(field.name().value()));
        before.addAll(preparations.wording(step.wordFile(), now).found().fields());
        List<Field> fields = now.fields().stream()
                .filter(field -> before.contains(field.name().value()))
                .toList();
        List<Field> all = new ArrayList<>(fields);
        then.fields().stream()
                .filter(field -> fields.stream().noneMatch(one -> one.name().equals(field.name())))
                .forEach(all::add);
        draft.change(step.wordFile(), now.with(all, now.parties(), then.signingFields()));
        drafts.forget(step);
        return drafts.changed(id, draft);
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
