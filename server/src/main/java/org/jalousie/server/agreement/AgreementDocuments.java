package org.jalousie.server.agreement;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AddedDocument;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.Refusal;
import org.jalousie.server.paper.Papers;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;

/** Documents that come with a single agreement, and places that signing fields get in it alone; all before it is sent. */
@Service
class AgreementDocuments {
    private final AgreementService agreements;
    private final AgreementLog log;
    private final UsableTemplates templates;
    private final Papers papers;

    AgreementDocuments(AgreementService agreements, AgreementLog log, UsableTemplates templates, Papers papers) {
        this.agreements = agreements;
        this.log = log;
        this.templates = templates;
        this.papers = papers;
    }

    /**
     * How a file comes.
     *
     * @param forDocument the template's document that waits for it; empty for one more
     * @param attached whether it goes along untouched
     */
    record Bringing(String title, String forDocument, boolean plain, boolean attached) {}

    /** Takes a file in as a document of this agreement; returns what was done to it that a person should know. */
    List<String> bring(AgreementNumber number, Bringing bringing, byte[] file, Actor by) {
        beforeSending(number);
        Optional<TemplateDocument> awaited = awaited(number, bringing.forDocument());
        String title = awaited.map(TemplateDocument::title).orElse(Texts.bare(bringing.title()));
        if (title.isEmpty()) throw Refusal.invalid(Message.of("document.no-title"));
        DocumentId id = awaited.map(TemplateDocument::id)
                .orElseGet(() ->
                        // by chance, so that two that come at one moment are two
                        new DocumentId("own_" + UUID.randomUUID().toString().replace("-", "")));
        if (bringing.attached()) {
            Sha256 kept = papers.attach(file);
            carryOut(
                    number,
                    by,
                    new Command.BringDocument(new AddedDocument(id, title, Document.Kind.ATTACHED, kept, kept)));
            return List.of();
        }
        Papers.Paper paper = papers.take(file, title, bringing.plain());
        carryOut(
                number,
                by,
                new Command.BringDocument(
                        new AddedDocument(id, title, Document.Kind.FIXED, paper.file(), paper.brought())));
        return paper.notes().stream().map(Message::toString).toList();
    }

    void takeOut(AgreementNumber number, String name, Actor by) {
        carryOut(number, by, new Command.TakeOutDocument(id(name)));
    }

    /** A signing field that is put on a page: one of the template, by its name, or a new one of a party. */
    record Putting(
            String field,
            String party,
            String label,
            SigningFieldType type,
            int page,
            double x,
            double y,
            double width,
            double height) {}

    void put(AgreementNumber number, String name, Putting putting, Actor by) {
        Agreement agreement = beforeSending(number);
        DocumentId id = id(name);
        Sha256 file = fileOf(number, agreement, id);
        Spots spots = new Spots(papers.sizes(file), () -> papers.words(file));
        if (putting.page() < 1 || putting.page() > spots.pages())
            throw Refusal.notFound(Message.of("document.pages", "pages", spots.pages()));
        SigningField field = field(number, agreement, id, putting);
        Spot spot =
                spots.tied(new Spots.Box(putting.page(), putting.x(), putting.y(), putting.width(), putting.height()));
        carryOut(
                number,
                by,
                new Command.GivePlace(
                        id, new GivenPlace(field, spot), putting.field().isEmpty()));
    }

    void takeOff(AgreementNumber number, String name, String field, Actor by) {
        carryOut(number, by, new Command.TakePlace(id(name), field));
    }

    private SigningField field(AgreementNumber number, Agreement agreement, DocumentId id, Putting putting) {
        if (!putting.field().isEmpty()) {
            Optional<SigningField> given = agreement.given().getOrDefault(id, List.of()).stream()
                    .map(GivenPlace::field)
                    .filter(one -> one.name().equals(putting.field()))
                    .findFirst();
            return given.or(() -> content(number).signingFields().stream()
                            .filter(one -> one.name().equals(putting.field()))
                            .findFirst())
                    .orElseThrow(() -> Refusal.notFound(Message.of("field.none", "name", putting.field())));
        }
        PartyKey party = PartyKey.read(putting.party())
                .filter(key -> agreement.participant(key).isPresent())
                .orElseThrow(() -> Refusal.notFound(Message.of("party.none", "party", putting.party())));
        if (putting.type() == null || !putting.type().size().fitsAPage())
            throw Refusal.invalid(Message.of("field.no-size"));
        Set<String> taken =
                content(number).signingFields().stream().map(SigningField::name).collect(Collectors.toSet());
        agreement
                .given()
                .values()
                .forEach(all -> all.forEach(one -> taken.add(one.field().name())));
        String first = party.value() + "_" + putting.type().kind();
        String name = first;
        for (int i = 2; taken.contains(name); i++) name = first + "_p" + i;
        return new SigningField(name, party, Texts.bare(putting.label()), putting.type());
    }

    private Sha256 fileOf(AgreementNumber number, Agreement agreement, DocumentId id) {
        Optional<Sha256> own = agreement.added().stream()
                .filter(one -> one.id().equals(id) && one.kind() == Document.Kind.FIXED)
                .map(AddedDocument::file)
                .findFirst();
        return own.or(() -> content(number)
                        .document(id)
                        .filter(one -> one.kind() == TemplateDocument.Kind.FIXED)
                        .flatMap(TemplateDocument::file))
                .orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
    }

    private Optional<TemplateDocument> awaited(AgreementNumber number, String name) {
        if (name.isBlank()) return Optional.empty();
        return Optional.of(content(number)
                .document(id(name))
                .filter(one -> one.kind() == TemplateDocument.Kind.REQUESTED)
                .orElseThrow(() -> Refusal.notFound(Message.of("document.none"))));
    }

    private TemplateContent content(AgreementNumber number) {
        return templates.content(agreements.templateVersion(number));
    }

    /** Nothing is read or kept for an agreement that is out already. */
    private Agreement beforeSending(AgreementNumber number) {
        Agreement agreement = log.read(agreements.idOf(number));
        if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING)
            throw Refusal.conflict(Message.of("sent.documents"));
        return agreement;
    }

    private void carryOut(AgreementNumber number, Actor by, Command command) {
        log.carryOut(agreements.idOf(number), by, command);
    }

    private static DocumentId id(String name) {
        try {
            return new DocumentId(name);
        } catch (IllegalArgumentException e) {
            throw Refusal.notFound(Message.of("document.none"));
        }
    }
}
