package org.jalousie.server.scans;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.OnPaper;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.paper.PaperPrint;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.FilePlace;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;

/** The documents of agreements as they are printed to be signed on paper; each is made once and kept. */
@Component
class PrintedPapers {
    private final FileStore files;
    private final JdbcClient sql;

    PrintedPapers(FileStore files, JdbcClient sql) {
        this.files = files;
        this.sql = sql;
    }

    /** The documents that are signed on paper, in their order. */
    static List<Document> documents(Agreement agreement) {
        OnPaper paper = agreement.paper().orElseThrow(() -> Refusal.conflict(Message.of("paper.not-on-paper")));
        return agreement.documents().stream()
                .filter(one -> paper.printedAs(one.id()).isPresent())
                .toList();
    }

    /** One of them, by its id. */
    static Document document(Agreement agreement, String id) {
        return documents(agreement).stream()
                .filter(one -> one.id().value().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("agreement.no-document")));
    }

    /** Who signs on paper, or has. */
    static List<Participant> signers(Agreement agreement) {
        Optional<List<PartyKey>> signed =
                agreement.paper().flatMap(OnPaper::signed).map(one -> one.parties());
        return agreement.acting().stream()
                .filter(one -> signed.map(all -> all.contains(one.party()))
                        .orElse(agreement.standing(one.party()) != Standing.DONE))
                .toList();
    }

    /** The state of a document that is on paper. */
    static Sha256 stateOf(Agreement agreement, DocumentId document) {
        return agreement.paper().orElseThrow().printedAs(document).orElseThrow();
    }

    PaperPrint.Printed of(UUID id, Agreement agreement, Document document) {
        Sha256 state = stateOf(agreement, document.id());
        return kept(id, document.id(), state).orElseGet(() -> make(id, agreement, document, state));
    }

    private Optional<PaperPrint.Printed> kept(UUID id, DocumentId document, Sha256 state) {
        return sql.sql(
                        "select file, places::text, pages from paper_print where agreement_id = ? and document = ? and state = ?")
                .params(id, document.value(), state.hex())
                .query((row, number) -> new PaperPrint.Printed(
                        files.get(new Sha256(row.getString(1))),
                        Json.MAPPER.readValue(row.getString(2), new TypeReference<List<PaperPrint.Place>>() {}),
                        row.getInt(3)))
                .optional();
    }

    private PaperPrint.Printed make(UUID id, Agreement agreement, Document document, Sha256 state) {
        PaperPrint.Printed printed = PaperPrint.of(
                agreement.created().number(),
                new PaperPrint.Sheet(state, files.get(state), places(agreement, document)));
        sql.sql(
                        "insert into paper_print (agreement_id, document, state, file, places, pages) values (?, ?, ?, ?, ?::jsonb, ?) on conflict do nothing")
                .params(
                        id,
                        document.id().value(),
                        state.hex(),
                        files.keep(printed.pdf()).hex(),
                        Json.canonical(printed.places()),
                        printed.pages())
                .update();
        return kept(id, document.id(), state).orElse(printed);
    }

    /** Where those who sign on paper write by hand. */
    private static List<PaperPrint.Place> places(Agreement agreement, Document document) {
        Set<PartyKey> signers =
                signers(agreement).stream().map(Participant::party).collect(Collectors.toSet());
        return document.pages().fields().stream()
                .filter(one -> signers.contains(one.field().party())
                        && byHand(one.field().type()))
                .map(one -> place(agreement, one))
                .toList();
    }

    private static boolean byHand(SigningFieldType type) {
        return !(type instanceof FilePlace);
    }

    /** What nobody can leave blank, whatever else they answer. */
    private static boolean needed(SigningField field) {
        return field.asked()
                && field.type().required()
                && field.when().equals(ShownWhen.ALWAYS)
                && field.requiredWhen().equals(ShownWhen.ALWAYS);
    }

    private static PaperPrint.Place place(Agreement agreement, PlacedField placed) {
        PartyKey party = placed.field().party();
        boolean signature = placed.field().type().signs();
        String name = agreement.participant(party).map(Participant::name).orElse("");
        return new PaperPrint.Place(
                placed.page(),
                placed.x(),
                placed.y(),
                placed.width(),
                placed.height(),
                party.value(),
                signature
                        ? placed.field().title() + ": " + name
                        : placed.field().title(),
                signature);
    }
}
