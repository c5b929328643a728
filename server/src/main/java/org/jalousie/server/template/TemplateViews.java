package org.jalousie.server.template;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jalousie.core.access.GroupRight;
import org.jalousie.core.data.Field;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.template.DocumentTerms;
import org.jalousie.core.template.Obstacle;
import org.jalousie.core.template.PrintSamples;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.core.template.Specimen;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.Inclusion;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.jobs.LongWork;
import org.jalousie.server.web.DiagnosticView;
import org.jalousie.server.web.PrintedView;

/** Templates as the interface to the outside shows them. */
final class TemplateViews {
    private static final Pattern KEY = Pattern.compile("[a-z][a-z0-9_]{0,40}");

    private TemplateViews() {}

    /** @param publishedVersion 0 when none is published, {@code may} what whoever asks may do with it */
    record TemplateItem(
            UUID id,
            String name,
            int version,
            String state,
            int publishedVersion,
            int fields,
            List<String> parties,
            boolean retired,
            Instant changedAt,
            List<GroupRight> may) {}

    record TemplateSettings(
            String language,
            List<Field> fields,
            List<Party> parties,
            List<SigningField> signingFields,
            SendingSettings sending,
            List<Rule> rules,
            List<CaseChoice> choices,
            List<Specimen> specimens,
            FormLayout layout,
            List<TemplateDocument> documents,
            DocumentTerms bundle) {
        /** Programs that know nothing of rules, choices, specimens or the form's layout leave them out. */
        TemplateSettings {
            rules = rules == null ? List.of() : rules;
            choices = choices == null ? List.of() : choices;
            specimens = specimens == null ? List.of() : specimens;
            layout = layout == null ? FormLayout.NONE : layout;
            documents = documents == null ? List.of() : documents;
            bundle = bundle == null ? DocumentTerms.USUAL : bundle;
        }

        TemplateContent toCore() {
            return new TemplateContent(
                    language,
                    fields,
                    keyed(parties),
                    signingFields,
                    sending,
                    rules,
                    choices,
                    specimens,
                    Map.of(),
                    layout,
                    documents,
                    bundle);
        }
    }

    /** What stands in the way of publishing. @param name of the thing that it is about; empty where there is only one */
    @Schema(name = "Obstacle")
    record ObstacleView(Obstacle.Subject about, String name, String message) {
        static ObstacleView of(Obstacle obstacle) {
            return new ObstacleView(
                    obstacle.about(), obstacle.name(), obstacle.message().toString());
        }
    }

    /** How a field's value can be printed. @param used the prints that the wording has, without the usual one */
    record FieldPrints(List<PrintSamples.PrintSample> samples, List<String> used) {}

    /** @param specimens positions of those that print the passage */
    record PassageSpecimens(int number, List<Integer> specimens) {}

    /** What a rule gives, a text for each specimen in their order. */
    record RuleTrial(String rule, List<String> given) {}

    /**
     * @param singleUse whether it is for one agreement only, and no list offers it
     * @param advice what looks like a slip and does not stand in the way
     * @param undo what taking back the last change would undo; empty when there is nothing
     * @param redo what would be made again; empty when nothing was taken back
     */
    record TemplateDetail(
            UUID id,
            String name,
            int version,
            String state,
            boolean retired,
            boolean singleUse,
            int revision,
            TemplateSettings content,
            List<DiagnosticView> diagnostics,
            List<ObstacleView> obstacles,
            List<DiagnosticView> advice,
            List<WordingParts> wordings,
            List<RuleFaultView> ruleFaults,
            List<RuleTrial> trials,
            String undo,
            String redo,
            Instant changedAt) {}

    /**
     * What one of a template's wordings has.
     *
     * @param names of the fields, rules and choices that its tags name
     * @param signingFields names of those for which it keeps a place
     * @param includes the clauses that it includes
     */
    record WordingParts(
            String document,
            List<String> names,
            List<String> signingFields,
            List<Passage> passages,
            List<Inclusion> includes) {
        /** The template's first wording, then those that came as further documents. */
        static List<WordingParts> of(Wordings wordings) {
            return Stream.concat(
                            Stream.of(of(DocumentId.WORDING, wordings.own())),
                            wordings.further().stream().map(one -> of(one.id(), one.wording())))
                    .toList();
        }

        private static WordingParts of(DocumentId document, Wording wording) {
            return new WordingParts(
                    document.value(),
                    wording.found().fields(),
                    wording.found().signingFields().stream()
                            .map(SigningField::name)
                            .toList(),
                    wording.passages(),
                    wording.inclusions());
        }
    }

    /** One version in a template's history. @param publishedAt null for a draft */
    record VersionItem(
            int number,
            String state,

            @Schema(
                    types = {"string", "null"},
                    format = "date-time")
            Instant publishedAt,

            String publishedBy,
            int fields,
            int rules) {}

    /** @param settings what differs besides the words, a sentence each */
    record VersionDifference(List<RedlineView> lines, List<String> settings) {}

    /** A clause as a template draws it in. @param newest the number of its newest version */
    record ClauseText(
            UUID clause,
            int version,
            int newest,
            String note,
            String changedBy,
            Instant changedAt,
            List<RedlineView> lines) {}

    /** What a changed Word file would bring. @param file its name in the store, for accepting it */
    record WordingComparison(
            String file,
            List<String> added,
            List<String> gone,
            List<RenameProposal> renames,
            List<DiagnosticView> diagnostics) {}

    /** A name that is gone and one that is new, and look alike. */
    record RenameProposal(String from, String to) {}

    /** A document that was brought in. @param notes what was done to its file on the way, a sentence each */
    record DocumentTaken(TemplateDetail template, String document, List<String> notes) {}

    static List<String> said(List<Message> notes) {
        return notes.stream().map(Message::toString).toList();
    }

    /** Where the words of an act stand; see the core's selection. */
    record WordsOnPage(String text, String before, String after) {
        WordsOnPage {
            text = text == null ? "" : text;
            before = before == null ? "" : before;
            after = after == null ? "" : after;
        }
    }

    /** What an act on the pages came to. @param further places where the same words stand and were left */
    record WordingEdited(TemplateDetail template, int places, int further) {}

    /** @param lines upright and level lines that the pages draw, to which places are sized */
    record Preview(Pages pages, List<PrintedView> printed, List<RuledLines.Line> lines) {}

    /**
     * Work that takes long, which can be left and come back to.
     *
     * @param done how much of {@code total} is done
     * @param reason why it failed
     * @param current whether it is about the template as it is now
     */
    record Work(LongWork.State state, int done, int total, String reason, boolean current) {}

    /**
     * @param work null when no proof was ever asked for; {@code proof} null while there is none
     * @param drawing how far the drawing up of specimens is that was asked for last; null when there was none
     */
    record ProofView(
            @Schema(types = {"object", "null"}) Work work,
            @Schema(types = {"object", "null"}) Proof proof,
            @Schema(types = {"object", "null"}) Work drawing) {}

    static Work work(LongWork work, boolean current) {
        return new Work(work.state(), work.done(), work.total(), work.reason(), current);
    }

    /** @param published the number of the newest published version, 0 for none */
    static TemplateItem row(Template template, TemplateVersion newest, int published, Set<GroupRight> may) {
        TemplateContent content = newest.content();
        return new TemplateItem(
                template.id(),
                template.name(),
                newest.number(),
                newest.published() ? "PUBLISHED" : "DRAFT",
                published,
                content.fields().size(),
                content.parties().stream().map(Party::label).toList(),
                template.retired(),
                template.changedAt(),
                may.stream().sorted().toList());
    }

    static VersionItem version(TemplateVersion version) {
        TemplateContent content = version.content();
        return new VersionItem(
                version.number(),
                version.published() ? "PUBLISHED" : "DRAFT",
                version.publishedAt().orElse(null),
                version.publishedBy(),
                content.fields().size(),
                content.rules().size() + content.choices().size());
    }

    static TemplateSettings settings(TemplateContent content) {
        return new TemplateSettings(
                content.language(),
                content.fields(),
                content.parties(),
                content.signingFields(),
                content.sending(),
                content.rules(),
                content.choices(),
                content.specimens(),
                content.layout(),
                content.documents(),
                content.bundle());
    }

    private static List<Party> keyed(List<Party> parties) {
        parties.forEach(party -> key(party.key() == null ? "" : party.key().value()));
        return parties;
    }

    private static void key(String typed) {
        if (!KEY.matcher(typed).matches()) throw Refusal.invalid(Message.of("party.key", "key", typed));
    }
}
