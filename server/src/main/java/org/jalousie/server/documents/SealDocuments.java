package org.jalousie.server.documents;

import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.DocumentWork;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.PhoneNumber;
import org.jalousie.core.evidence.ActInFile;
import org.jalousie.core.evidence.Blanks;
import org.jalousie.core.evidence.Credential;
import org.jalousie.core.evidence.Sealer;
import org.jalousie.core.evidence.SignedDate;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.ShownFields;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Puts the office's seal and the parties' acts into the documents of an agreement. */
@Component
class SealDocuments {
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final FileStore files;
    private final TrustService trust;
    private final Sealer sealer;
    private final Settings settings;
    private final Clock clock;

    SealDocuments(
            Agreements agreements,
            UsableTemplates templates,
            FileStore files,
            TrustService trust,
            Settings settings,
            Clock clock) {
        this.agreements = agreements;
        this.templates = templates;
        this.files = files;
        this.trust = trust;
        this.sealer = new Sealer(trust);
        this.settings = settings;
        this.clock = clock;
    }

    void byOffice(UUID id, List<Entry> history) {
        Agreement agreement = Agreement.of(history);
        Credential office = trust.officeSeal();
        List<Revision> sealed = agreement.documents().stream()
                .filter(one -> one.kind().sealed())
                .map(one -> new Revision(
                        one.id(), files.keep(sealer.sealByOffice(files.get(one.pdf()), office, clock.instant()))))
                .toList();
        agreements.carryOut(id, Actor.PROGRAM, new Command.SealOffice(agreement.revision(), sealed, office.id()));
    }

    /** Returns whether the trust service was asked for anything. */
    boolean act(UUID id, List<Entry> history, DocumentWork.SealAct work) {
        Agreement agreement = Agreement.of(history);
        Participant participant = agreement.participant(work.party()).orElseThrow();
        Optional<Credential> credential = participant.duty() == Duty.SIGNS
                ? Optional.of(trust.credentialFor(signatory(agreement, participant, shownBy(work.act()))))
                : Optional.empty();
        Locale language = Locale.forLanguageTag(
                templates.content(agreements.templateVersion(id)).language());
        List<Revision> revisions = new ArrayList<>();
        for (Document document : agreement.documents()) {
            ActInFile act = inFile(document, participant, work.act(), language);
            if (act.isEmpty()) continue;
            byte[] sealed = sealer.put(files.get(document.pdf()), act, credential.orElse(null), clock.instant());
            List<PlacedField> places = document.pages().fieldsOf(work.party());
            Blanks.refuse(sealed, ShownFields.filledIn(places, agreement.fieldsOf(work.party()), answers(work.act())));
            revisions.add(new Revision(document.id(), files.keep(sealed)));
        }
        agreements.carryOut(
                id,
                Actor.PROGRAM,
                new Command.Seal(
                        agreement.revision(),
                        work.party(),
                        revisions,
                        credential.map(Credential::id).orElse(CertificateId.NONE)));
        return credential.isPresent();
    }

    private ActInFile inFile(Document document, Participant participant, Entry entry, Locale language) {
        if (entry.event() instanceof Event.Signed signed) {
            String date =
                    SignedDate.print(entry.at().atZone(settings.office().zone()).toLocalDate(), language);
            return ActInFile.of(
                    document.pages().fields(),
                    participant.party(),
                    signed.values(),
                    participant.name(),
                    date,
                    language,
                    Optional.of(new ActInFile.MarkWithCaption(
                            files.get(signed.markImage()),
                            caption(participant, entry),
                            shownBy(entry),
                            signed.initials().map(files::get))));
        }
        return ActInFile.of(
                document.pages().fields(),
                participant.party(),
                answers(entry),
                participant.name(),
                "",
                language,
                Optional.empty());
    }

    private static IdentityCheck shownBy(Entry act) {
        return act.actor() instanceof Actor.Participant by ? by.proof().check() : IdentityCheck.NONE;
    }

    private static TrustService.Signatory signatory(Agreement agreement, Participant one, IdentityCheck shownBy) {
        // the number stands with the part that asked for the code
        String phone = shownBy == IdentityCheck.TEXTED_CODE
                ? agreement
                        .participant(agreement.identifiedAs(one.party()))
                        .flatMap(part -> PhoneNumber.international(part.person().phone()))
                        .orElse("")
                : "";
        return new TrustService.Signatory(one.name(), one.mail(), phone, shownBy);
    }

    private static Map<String, String> answers(Entry entry) {
        return entry.event() instanceof Event.Signed signed
                ? signed.values()
                : ((Event.FieldsCompleted) entry.event()).values();
    }

    private static String caption(Participant participant, Entry entry) {
        return participant.name() + ", "
                + DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT)
                        .format(entry.at().truncatedTo(ChronoUnit.MINUTES).atOffset(ZoneOffset.UTC))
                + " UTC";
    }
}
