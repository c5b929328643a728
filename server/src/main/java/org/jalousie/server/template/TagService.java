package org.jalousie.server.template;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.template.PrintSamples;
import org.jalousie.core.template.Renaming;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.edit.TagEdit;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a draft's tags say: their names, how their values print, whose fields they are. */
@Service
class TagService {
    private final Drafts drafts;
    private final DraftWording wordings;
    private final Preparations preparations;

    TagService(Drafts drafts, DraftWording wordings, Preparations preparations) {
        this.drafts = drafts;
        this.wordings = wordings;
        this.preparations = preparations;
    }

    /** Gives a field, rule or list another name in the wording and in the settings. */
    @Transactional
    TemplateViews.TemplateDetail rename(UUID id, int revision, String from, String to, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        String renamed = TagNames.name(to);
        if (renamed.equals(from)) return drafts.detail(drafts.template(id), draft);
        DraftWording.Edited edited = wordings.everywhere(draft, file -> TagEdit.rename(file, Map.of(from, renamed)));
        TemplateContent content = draft.content();
        boolean merges = content.fields().stream().anyMatch(field -> field.isCalled(renamed));
        List<Field> fields = content.fields().stream()
                .filter(field -> !merges || !field.isCalled(from))
                .toList();
        TemplateContent kept =
                Renaming.of(content.with(fields, content.parties(), content.signingFields()), Map.of(from, renamed));
        if (edited.places() == 0 && kept.equals(content))
            throw Refusal.notFound(Message.of("field.none", "name", from));
        return wordings.take(id, draft, edited, kept, Message.of("step.renaming", "from", from), by);
    }

    /** Prints a value in another way wherever the wording has it. @param print empty for the usual one */
    @Transactional
    TemplateViews.TemplateDetail print(UUID id, int revision, String name, String print, String by) {
        TemplateVersion draft = drafts.draft(id, revision);
        if (!print.isEmpty() && !FieldType.isPrint(print)) throw TagNames.bad();
        DraftWording.Edited edited =
                wordings.everywhere(draft, file -> TagEdit.print(file, TagNames.name(name), print));
        if (edited.places() == 0) throw Refusal.conflict(Message.of("wording.tag-not-found", "field", name));
        return wordings.take(id, draft, edited, draft.content(), Message.of("step.print", "name", name), by);
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
        DraftWording.Edited edited = wordings.everywhere(
                draft, file -> TagEdit.handOver(file, field.party().value(), word, to.value()));
        if (edited.places() == 0) throw Refusal.conflict(Message.of("wording.tag-not-found", "field", field.label()));
        List<SigningField> fields = content.signingFields().stream()
                .map(one -> one == field ? moved : one)
                .toList();
        return wordings.take(
                id,
                draft,
                edited,
                content.with(content.fields(), content.parties(), fields),
                Message.of("step.hand-over", "field", field.title()),
                by);
    }

    /** How a field's value can be printed, with examples in the template's language, and how the wording prints it. */
    TemplateViews.FieldPrints prints(UUID id, String name) {
        TemplateVersion version = drafts.newest(id);
        TemplateContent content = version.content();
        Field field = all(content.fields())
                .filter(one -> one.isCalled(name))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("field.none", "name", name)));
        FoundTags found = preparations.wordings(version).found();
        return new TemplateViews.FieldPrints(
                PrintSamples.of(field, Locale.forLanguageTag(content.language())),
                List.copyOf(new TreeSet<>(found.prints().getOrDefault(name, Set.of()))));
    }

    /** With those of lists' items, however deep. */
    private static Stream<Field> all(List<Field> fields) {
        return fields.stream().flatMap(one -> Stream.concat(Stream.of(one), all(one.items())));
    }
}
