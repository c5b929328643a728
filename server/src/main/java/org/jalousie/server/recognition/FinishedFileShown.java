package org.jalousie.server.recognition;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.account.Sight;
import org.jalousie.server.paper.Papers;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Shows files that were made elsewhere. */
@Component
class FinishedFileShown {
    private final UsableTemplates templates;
    private final Papers papers;
    private final Sight sight;

    FinishedFileShown(UsableTemplates templates, Papers papers, Sight sight) {
        this.sight = sight;
        this.templates = templates;
        this.papers = papers;
    }

    FinishedFileViews.FinishedFileRow row(FinishedFile file) {
        return rows(List.of(file)).get(0);
    }

    List<FinishedFileViews.FinishedFileRow> rows(Collection<FinishedFile> files) {
        Map<UUID, String> names = templates.namesOf(
                files.stream().flatMap(file -> file.templateVersion().stream()).collect(Collectors.toSet()));
        return files.stream().map(file -> row(file, names)).toList();
    }

    private FinishedFileViews.FinishedFileRow row(FinishedFile file, Map<UUID, String> names) {
        Optional<Understanding> understood = file.understood();
        Optional<TemplateContent> content = file.templateVersion().map(templates::content);
        return new FinishedFileViews.FinishedFileRow(
                file.id(),
                file.revision(),
                file.name(),
                file.state(),
                file.templateVersion().map(names::get).orElse(""),
                understood.map(one -> percent(one.likeness())).orElse(0),
                understood.map(Understanding::differences).orElse(0),
                understood.map(Understanding::missing).orElse(List.of()),
                understood.map(Understanding::unsure).orElse(List.of()),
                understood
                        .map(one -> one.without().stream()
                                .map(party -> label(party, content.orElseThrow()))
                                .toList())
                        .orElse(List.of()),
                file.state() == FinishedFile.State.READ
                        && understood.filter(Understanding::complete).isPresent(),
                file.reason(),
                file.template().orElse(null),
                file.agreement().map(AgreementNumber::value).orElse(""),
                file.createdBy(),
                file.createdAt());
    }

    private static String label(PartyKey key, TemplateContent content) {
        return content.parties().stream()
                .filter(party -> party.key().equals(key))
                .map(party -> party.label())
                .findFirst()
                .orElse(key.value());
    }

    /** Hundredths; only what is the same in every word is a hundred. */
    private static int percent(double likeness) {
        return (int) Math.floor(likeness * 100);
    }

    FinishedFileViews.FinishedFileDetail detail(FinishedFile file) {
        Optional<Understanding> understood = file.understood();
        Optional<TemplateContent> content = file.templateVersion().map(templates::content);
        return new FinishedFileViews.FinishedFileDetail(
                row(file),
                file.paper()
                        .map(paper -> new Pages(papers.sizes(paper.file()), List.of()))
                        .orElse(null),
                candidates(file),
                understood.map(Understanding::lines).orElse(List.of()).stream()
                        .map(FinishedFileViews.ReadLine::of)
                        .toList(),
                understood.map(Understanding::values).orElse(Map.of()),
                content.map(one -> read(one, understood.orElseThrow())).orElse(List.of()),
                content.map(one -> parties(one, understood.orElseThrow())).orElse(List.of()),
                content.map(one -> fields(one, understood.orElseThrow())).orElse(List.of()),
                file.paper().map(FinishedFile.Paper::notes).orElse(List.of()));
    }

    private static List<FinishedFileViews.ReadDatum> read(TemplateContent content, Understanding understood) {
        return understood.data().stream()
                .map(one -> new FinishedFileViews.ReadDatum(
                        one.field(),
                        content.fields().stream()
                                .filter(field -> field.name().equals(one.field()))
                                .map(field -> field.label())
                                .findFirst()
                                .orElse(""),
                        one.words(),
                        !one.raw().isEmpty(),
                        one.sure()))
                .toList();
    }

    private List<FinishedFileViews.LikelyTemplate> candidates(FinishedFile file) {
        List<FinishedFile.Candidate> candidates = file.candidates().stream()
                .filter(one -> sight.seesAll() || sight.sees(templates.templateOf(one.version())))
                .toList();
        Map<UUID, String> names = templates.namesOf(
                candidates.stream().map(FinishedFile.Candidate::version).collect(Collectors.toSet()));
        return candidates.stream()
                .map(one -> new FinishedFileViews.LikelyTemplate(
                        one.version(),
                        one.document().value(),
                        Objects.toString(names.get(one.version()), ""),
                        templates
                                .content(one.version())
                                .document(one.document())
                                .map(TemplateDocument::title)
                                .orElse(""),
                        one.begins(),
                        one.ends(),
                        percent(one.likeness()),
                        one.sure(),
                        file.templateVersion().equals(Optional.of(one.version()))
                                && file.document().equals(one.document())))
                .toList();
    }

    private static List<FinishedFileViews.PartyInFile> parties(TemplateContent content, Understanding understood) {
        Set<PartyKey> without = new HashSet<>(understood.without());
        return content.parties().stream()
                .map(party -> new FinishedFileViews.PartyInFile(
                        party.key().value(), party.label(), !without.contains(party.key())))
                .toList();
    }

    private static List<FinishedFileViews.FieldInFile> fields(TemplateContent content, Understanding understood) {
        return Stream.concat(
                        understood.places().stream()
                                .map(one -> field(
                                        one.field(), one.spot() instanceof Spot.OnPage on ? on.page() : 0, false)),
                        content.signingFields().stream()
                                .filter(field -> understood.gone().contains(field.name()))
                                .map(field -> field(field, 0, true)))
                .toList();
    }

    private static FinishedFileViews.FieldInFile field(SigningField field, int page, boolean gone) {
        return new FinishedFileViews.FieldInFile(
                field.name(), field.label(), field.party().value(), page, gone);
    }
}
