package org.jalousie.server.documents;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.Blanks;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.Sealer;
import org.jalousie.core.evidence.SigningRecord;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.Verifier;
import org.jalousie.core.evidence.law.LawTable;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.ShownFields;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Finishes an agreement on which all have acted: long-term level, signing record, and it is filed. */
@Component
class FileDocuments {
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final FileStore files;
    private final Sealer sealer;
    private final Verifier verifier;
    private final Settings settings;
    private final Clock clock;

    FileDocuments(
            Agreements agreements,
            UsableTemplates templates,
            FileStore files,
            TrustService trust,
            Settings settings,
            Clock clock) {
        this.agreements = agreements;
        this.templates = templates;
        this.files = files;
        this.sealer = new Sealer(trust);
        this.verifier = new Verifier(trust);
        this.settings = settings;
        this.clock = clock;
    }

    void finish(UUID id, List<Entry> history) {
        Agreement agreement = Agreement.of(history);
        List<Revision> finished = new ArrayList<>();
        List<Verification> checked = new ArrayList<>();
        for (Document document : agreement.documents()) {
            if (!document.kind().sealed()) {
                finished.add(document.revision());
                continue;
            }
            byte[] pdf = sealer.longTerm(files.get(document.pdf()));
            Optional<Sha256> printed = agreement.paper().flatMap(paper -> paper.printedAs(document.id()));
            // what some have signed on the screen before it was printed is proven by the file that was printed
            if (printed.isPresent()) checked.add(verifier.verify(files.get(printed.get())));
            else Blanks.refuse(pdf, ofThoseWhoFill(agreement, document));
            finished.add(new Revision(document.id(), files.keep(pdf)));
            checked.add(verifier.verify(pdf));
        }
        List<EventChain.Link> links =
                agreements.filed(agreement.created().number()).links();
        byte[] printed = new SigningRecord(
                        settings.office().name(),
                        settings.office().zone(),
                        Catalogue.of(templates
                                .content(agreements.templateVersion(id))
                                .language()))
                .print(agreement, history, finished, links, LawTable.of(agreement, history, checked));
        Sha256 record = files.keep(sealer.sealRecord(printed, clock.instant()));
        agreements.carryOut(id, Actor.PROGRAM, new Command.Finish(agreement.revision(), finished, record));
    }

    private static List<PlacedField> ofThoseWhoFill(Agreement agreement, Document document) {
        return agreement.present().stream()
                .filter(one -> one.duty() == Duty.SIGNS || one.duty() == Duty.COMPLETES)
                .flatMap(one -> ShownFields.filledIn(
                        document.pages().fieldsOf(one.party()), agreement.fieldsOf(one.party()), agreement.values())
                        .stream())
                .toList();
    }
}
