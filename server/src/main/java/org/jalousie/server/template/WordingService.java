package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.LookAlike;
import org.jalousie.core.data.Names;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.Renaming;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.edit.EditRefused;
import org.jalousie.core.wording.edit.EveryPage;
import org.jalousie.core.wording.edit.Selection;
import org.jalousie.core.wording.edit.SigningBlocks;
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
    private final DraftWording wordings;
    private final Preparations preparations;
    private final FileStore files;
    private final FontFinder fonts;

    WordingService(Drafts drafts, DraftWording wordings, Preparations preparations, FileStore files, FontFinder fonts) {
        this.drafts = drafts;
        this.wordings = wordings;
        this.preparations = preparations;
        this.files = files;
        this.fonts = fonts;
    }

    /** What a person does on the pages. */
    enum Act {
        MARK_FIELD,
        MARK_PASSAGE,
        MARK_INVERTED_PASSAGE,
        INSERT,
        INSERT_CLAUSE,
        /** A table of all answers. */
        INSERT_ANSWERS,
        /** The usual set of the party that is named. */
        INSERT_SIGNING_SET,
        /** Blocks for all parties that sign. */
        INSERT_SIGNING_BLOCKS,
        /** The initials of the party that is named, at the foot of every page. */
        INITIALS_ON_EVERY_PAGE
    }

    /** What a Word file changed elsewhere would bring; nothing is taken over yet. */
    TemplateViews.WordingComparison compare(UUID id, DocumentId document, byte[] file) {
        TemplateVersion version = drafts.newest(id);
        FoundTags before = preparations
                .wording(wordings.file(version, document), version.content())
                .found();
        WordFile.open(file);
        Sha256 kept = files.keep(file);
        Wording wording = preparations.wording(kept, version.content());
        fonts.learn(Wordings.only(wording));
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

    /**
     * @param file as the comparison named it
     * @param renames confirmed by the person: settings under the first name go on under the second
     */
    record Accepted(DocumentId document, String file, Map<String, String> renames) {}

    @Transactional
    TemplateViews.TemplateDetail accept(UUID id, int revision, Accepted accepted, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        Sha256 brought =
                Sha256.read(accepted.file()).orElseThrow(() -> Refusal.notFound(Message.of("wording.file-gone")));
        WordFile.open(files.get(brought));
        // what is no wording of the draft has no file that another could replace
        wordings.file(draft, accepted.document());
        Map<String, String> renames = accepted.renames();
        renames.values().stream().filter(to -> !to.endsWith(" (party)")).forEach(TagNames::name);
        return wordings.take(
                id,
                draft,
                new DraftWording.Edited(Map.of(accepted.document(), brought), 1),
                Renaming.of(draft.content(), renames),
                Message.of("step.brought-back"),
                by);
    }

    /** @param label of a field that is new with it; blank for what its name says */
    record Doing(Act act, DocumentId document, Selection at, String name, String label, boolean everywhere) {}

    @Transactional
    TemplateViews.WordingEdited edit(UUID id, int revision, Doing doing, String by) {
        Act act = doing.act();
        Selection at = doing.at();
        String name = doing.name();
        boolean everywhere = doing.everywhere();
        TemplateVersion draft = drafts.draft(id, revision);
        WordFile file = wordings.open(draft, doing.document());
        Map<String, String> shown = shown(draft.content());
        try {
            int further = act == Act.MARK_FIELD && !everywhere ? WordingEdit.furtherOccurrences(file, at, shown) : 0;
            WordingEdit.Edited edited = switch (act) {
                case MARK_FIELD -> WordingEdit.markField(file, at, fieldName(draft.content(), name), everywhere, shown);
                case MARK_PASSAGE -> WordingEdit.markPassage(file, at, TagNames.dotted(name), false, shown);
                case MARK_INVERTED_PASSAGE -> WordingEdit.markPassage(file, at, TagNames.dotted(name), true, shown);
                case INSERT -> WordingEdit.insert(file, at, "{{" + TagNames.dotted(name) + "}}", shown);
                case INSERT_CLAUSE ->
                    WordingEdit.insertParagraph(file, at, "{{>" + TagNames.clause(name) + "}}", shown);
                case INSERT_ANSWERS ->
                    WordingEdit.insertParagraph(file, at, "{{" + Clauses.ANSWERS_TAG + ".block}}", shown);
                case INSERT_SIGNING_SET -> SigningBlocks.set(file, at, TagNames.name(name), shown);

                case INITIALS_ON_EVERY_PAGE -> EveryPage.initials(file, TagNames.name(name));
                case INSERT_SIGNING_BLOCKS -> SigningBlocks.blocks(file, at, signing(draft.content()), shown);
            };
            List<Field> before = draft.content().fields();
            Map<String, String> labels = Map.of(Names.normal(name), doing.label());
            TemplateViews.TemplateDetail template = wordings.take(
                    id,
                    draft,
                    wordings.edited(doing.document(), edited),
                    draft.content(),
                    done(act, name),
                    by,
                    after -> after.with(
                            labelled(after.fields(), before, labels), after.parties(), after.signingFields()));
            return new TemplateViews.WordingEdited(template, edited.places(), further);
        } catch (EditRefused e) {
            throw Refusal.invalid(e.said());
        }
    }

    /** A datum's name, or the dotted one of a party's signing field. */
    private static String fieldName(TemplateContent content, String typed) {
        boolean ofParty = content.parties().stream().anyMatch(party -> typed.startsWith(party.key() + "."));
        return ofParty ? TagNames.dotted(typed) : TagNames.name(typed);
    }

    private static List<SigningBlocks.Signing> signing(TemplateContent content) {
        List<SigningBlocks.Signing> parties = content.parties().stream()
                .filter(party -> party.duty() == Duty.SIGNS)
                .sorted(Comparator.comparing(Party::stage))
                .map(party -> new SigningBlocks.Signing(
                        party.key().value(),
                        // what reads like a tag would become one
                        party.label().contains("{{") ? party.key().value() : party.label()))
                .toList();
        if (parties.isEmpty()) throw Refusal.invalid(Message.of("edit.nobody-signs"));
        return parties;
    }

    private static Message done(Act act, String name) {
        String code = switch (act) {
            case MARK_FIELD -> "step.field";
            case MARK_PASSAGE, MARK_INVERTED_PASSAGE -> "step.passage";
            case INSERT -> "step.insertion";
            case INSERT_CLAUSE -> "step.clause";
            case INSERT_ANSWERS -> "step.answers";
            case INITIALS_ON_EVERY_PAGE -> "step.initials";
            case INSERT_SIGNING_SET -> "step.signing-set";
            case INSERT_SIGNING_BLOCKS -> "step.signing-blocks";
        };
        return Message.of(code, "name", name);
    }

    /** Accepts tracked changes and deletes comments that the drafting left behind. */
    @Transactional
    TemplateViews.TemplateDetail tidy(UUID id, int revision, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        DraftWording.Edited edited = wordings.everywhere(draft, WordingEdit::tidied);
        return wordings.take(id, draft, edited, draft.content(), Message.of("step.tidying"), by);
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
    static Map<String, String> shown(TemplateContent content) {
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
