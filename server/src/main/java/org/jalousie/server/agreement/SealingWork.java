package org.jalousie.server.agreement;

import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.evidence.Act;
import org.jalousie.core.evidence.Blanks;
import org.jalousie.core.evidence.Credential;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.Sealer;
import org.jalousie.core.evidence.SignedDate;
import org.jalousie.core.evidence.SigningRecord;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.FieldKind;
import org.jalousie.core.placement.Glyphs;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.server.Settings;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.template.TemplateService;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The jobs that put seals and signatures into the document. Each looks first whether its work is done already. */
@Configuration
class SealingWork {
    private final AgreementLog log;
    private final AgreementRows rows;
    private final TemplateService templates;
    private final FileStore files;
    private final TrustService trust;
    private final Sealer sealer;
    private final Settings settings;
    private final Clock clock;

    SealingWork(
            AgreementLog log,
            AgreementRows rows,
            TemplateService templates,
            FileStore files,
            TrustService trust,
            Settings settings,
            Clock clock) {
        this.log = log;
        this.rows = rows;
        this.templates = templates;
        this.files = files;
        this.trust = trust;
        this.sealer = new Sealer(trust);
        this.settings = settings;
        this.clock = clock;
    }

    private interface Work {
        boolean run(String instance);
    }

    private static JobWork work(JobKind kind, Work work) {
        return new JobWork() {
            @Override
            public JobKind kind() {
                return kind;
            }

            @Override
            public boolean run(String instance) {
                return work.run(instance);
            }
        };
    }

    @Bean
    JobWork sealOfficeWork() {
        return work(JobKind.SEAL_OFFICE, this::sealOffice);
    }

    @Bean
    JobWork sealPartyWork() {
        return work(JobKind.SEAL_PARTY, this::sealParty);
    }

    @Bean
    JobWork finishWork() {
        return work(JobKind.FINISH, this::finish);
    }

    private boolean sealOffice(String instance) {
        UUID id = UUID.fromString(instance);
        Agreement agreement = log.read(id);
        if (agreement.state() != State.OUT || agreement.houseSealed()) return false;
        Credential office = trust.officeSeal();
        String pdf = files.keep(sealer.sealByOffice(files.get(agreement.pdf()), office, clock.instant()));
        log.carryOut(id, Actor.PROGRAM, new Command.SealHouse(agreement.pdf(), pdf, office.id()));
        return true;
    }

    private boolean sealParty(String instance) {
        UUID id = UUID.fromString(instance.substring(0, 36));
        String party = instance.substring(37);
        // when another party's seal comes in between, it is made once more on the newer document; nothing has failed
        // then
        Optional<Credential> credential = Optional.empty();
        Locale language = Locale.forLanguageTag(templates
                .content(rows.findById(id).orElseThrow().templateVersionId())
                .language());
        for (List<Entry> history = log.history(id); waits(history, party); history = log.history(id)) {
            Agreement agreement = Agreement.of(history);
            if (credential.isEmpty()) credential = credential(agreement, party);
            byte[] sealed = sealed(history, agreement, party, credential.orElse(null), language);
            log.carryOut(
                    id,
                    Actor.PROGRAM,
                    new Command.Seal(
                            party,
                            agreement.pdf(),
                            files.keep(sealed),
                            credential.map(Credential::id).orElse(CertificateId.NONE)));
        }
        return credential.isPresent();
    }

    /** Nothing is sealed, and no certificate asked for, in an agreement that has ended or run out. */
    private boolean waits(List<Entry> history, String party) {
        Agreement agreement = Agreement.of(history);
        return (agreement.state() == State.OUT || agreement.state() == State.SEALING)
                && agreement.standing(party) == Standing.SEALING;
    }

    private Optional<Credential> credential(Agreement agreement, String party) {
        Participant participant = agreement.participant(party).orElseThrow();
        return participant.duty() == Duty.SIGNS
                ? Optional.of(trust.credentialFor(participant.name(), participant.mail()))
                : Optional.empty();
    }

    private byte[] sealed(
            List<Entry> history, Agreement agreement, String party, Credential credential, Locale language) {
        Participant participant = agreement.participant(party).orElseThrow();
        Entry act = history.stream()
                .filter(entry -> isActOf(entry.event(), party))
                .findFirst()
                .orElseThrow();
        byte[] sealed = sealer.put(
                files.get(agreement.pdf()), act(agreement, participant, act, language), credential, clock.instant());
        List<PlacedField> own = agreement.pages().fields().stream()
                .filter(placed -> placed.field().party().equals(party))
                .toList();
        Blanks.refuse(sealed, own);
        return sealed;
    }

    private static boolean isActOf(Event event, String party) {
        return event instanceof Event.Signed signed && signed.party().equals(party)
                || event instanceof Event.FieldsCompleted completed
                        && completed.party().equals(party);
    }

    private Act act(Agreement agreement, Participant participant, Entry entry, Locale language) {
        if (entry.event() instanceof Event.FieldsCompleted completed) {
            return new Act(
                    Act.everywhere(completed.values(), agreement.pages().fields()),
                    Set.of(),
                    Optional.empty(),
                    Optional.empty(),
                    "");
        }
        Event.Signed signed = (Event.Signed) entry.event();
        String date =
                SignedDate.print(entry.at().atZone(settings.office().zone()).toLocalDate(), language);
        Map<String, String> values =
                new HashMap<>(Act.everywhere(signed.values(), agreement.pages().fields()));
        Set<String> marked = new HashSet<>();
        Optional<String> place = Optional.empty();
        for (PlacedField placed : agreement.pages().fields()) {
            if (!placed.field().party().equals(participant.party())) continue;
            String name = placed.field().name();
            FieldKind kind = placed.field().kind();
            if (kind == FieldKind.DATE_SIGNED) values.put(name, date);
            if (kind == FieldKind.FULL_NAME) values.put(name, Glyphs.printable(participant.name()));
            if (kind == FieldKind.INITIALS) marked.add(name);
            if (kind == FieldKind.SIGNATURE && place.isEmpty()) {
                place = Optional.of(name);
            } else if (kind == FieldKind.SIGNATURE) {
                marked.add(name);
            }
        }
        String caption = participant.name() + ", "
                + DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT)
                        .format(entry.at().truncatedTo(ChronoUnit.MINUTES).atOffset(ZoneOffset.UTC))
                + " UTC";
        return new Act(values, marked, place, Optional.of(files.get(signed.markImage())), caption);
    }

    private static List<PlacedField> ofThoseWhoFill(Agreement agreement) {
        return agreement.pages().fields().stream()
                .filter(placed -> agreement
                        .participant(placed.field().party())
                        .filter(one -> one.duty() == Duty.SIGNS || one.duty() == Duty.COMPLETES)
                        .isPresent())
                .toList();
    }

    private boolean finish(String instance) {
        UUID id = UUID.fromString(instance);
        List<Entry> history = log.history(id);
        Agreement agreement = Agreement.of(history);
        if (agreement.state() != State.SEALING) return false;
        byte[] finished = sealer.longTerm(files.get(agreement.pdf()));
        Blanks.refuse(finished, ofThoseWhoFill(agreement));
        String pdf = files.keep(finished);
        List<EventChain.Link> links = log.links(id);
        SigningRecord record =
                new SigningRecord(settings.office().name(), settings.office().zone());
        byte[] printed = record.print(
                agreement, history, pdf, links.get(links.size() - 1).hash());
        String recordFile = files.keep(sealer.sealRecord(printed, clock.instant()));
        log.carryOut(id, Actor.PROGRAM, new Command.Finish(agreement.length(), pdf, recordFile));
        return true;
    }
}
