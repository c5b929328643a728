package org.jalousie.core.evidence;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.ChangedWording;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.OnPaper;
import org.jalousie.core.agreement.Readiness;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.law.LawAnswer;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.pdf.ArchivalForm;
import org.jalousie.core.pdf.Opened;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;

/** The evidence document: what happened, who took part, when, and which file it is about. */
public final class SigningRecord {
    private static final String NUMBER = "AgreementNumber";
    private static final String DOCUMENTS = "DocumentsSHA256";
    private static final String ONE_DOCUMENT = "AgreementSHA256"; // until an agreement could have several
    private static final String CHAIN = "EventChainSHA256";
    private static final String TITLE = "Signing record of "; // while records were in English only
    private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");

    private final ZoneId zone;
    private final String office;
    private final Catalogue words;

    /** @param zone the office's time zone, printed beside UTC; {@code words} of the language that the record is in */
    public SigningRecord(String office, ZoneId zone, Catalogue words) {
        this.words = words;
        this.office = office;
        this.zone = zone;
    }

    /**
     * @param finished the finished documents
     * @param links the event chain so far, {@code history} as it is stored
     * @param law what answers the laws
     */
    public byte[] print(
            Agreement agreement,
            List<Entry> history,
            List<Revision> finished,
            List<EventChain.Link> links,
            List<LawAnswer> law) {
        String chainHash = links.get(history.size() - 1).hash();
        try (PDDocument document = new PDDocument()) {
            ArchivalForm.declareWithFiles(
                    document,
                    words.say("record.title-of", "number", agreement.created().number()));
            document.getDocumentInformation()
                    .setCustomMetadataValue(NUMBER, agreement.created().number().value());
            document.getDocumentInformation().setCustomMetadataValue(DOCUMENTS, written(finished));
            document.getDocumentInformation().setCustomMetadataValue(CHAIN, chainHash);
            try (RecordPage page = new RecordPage(document)) {
                page.heading(words.say("record.title"), 20);
                page.row(words.say("record.agreement"), agreement.created().number() + ", " + agreement.title());
                page.row(words.say("record.issued-by"), office);
                page.row(
                        words.say("record.template"),
                        words.say(
                                "record.template-version",
                                "template",
                                agreement.created().template(),
                                "version",
                                String.valueOf(agreement.created().templateVersion())));
                for (Revision one : finished) {
                    String title =
                            agreement.document(one.document()).orElseThrow().title();
                    page.row(
                            words.say("record.hash-of", "title", title),
                            one.pdf().hex());
                }
                page.row(words.say("record.hash-of-chain"), chainHash);
                page.heading(words.say("record.parties"), 13);
                for (Participant one : agreement.present()) {
                    page.row(
                            one.label(),
                            words.say(
                                    "record.party",
                                    "name",
                                    one.name(),
                                    "mail",
                                    one.mail(),
                                    "duty",
                                    Message.of("duty." + one.duty().code()),
                                    "acts",
                                    one.duty().acts() ? "yes" : "no",
                                    "stage",
                                    one.stage()));
                }
                identities(page, agreement, history);
                for (Message absence : Readiness.absences(agreement))
                    page.row(words.say("record.left-out"), words.say(absence));
                changedWordings(page, agreement);
                details(page, agreement);
                law(page, law);
                if (history.stream().anyMatch(entry -> entry.event() instanceof Event.Signed)) onPaper(page, agreement);
                page.heading(words.say("record.events"), 13);
                page.row(words.say("record.times"), words.say("record.times-are", "zone", zone.getId()));
                for (Entry entry : history) {
                    String from = entry.actor().from().isEmpty()
                            ? ""
                            : " "
                                    + words.say(
                                            "record.from", "from", entry.actor().from());
                    String said = EventSentences.of(entry, agreement).stream()
                            .map(words::say)
                            .collect(Collectors.joining(" "));
                    page.row(time(entry.at()), entry.sequence() + ". " + said + from);
                }
                page.row(words.say("record.attached"), words.say("record.attached-says"));
            }
            RecordFiles.attach(document, history, links.subList(0, history.size()), law, words);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("the signing record can't be written", e);
        }
    }

    private void law(RecordPage page, List<LawAnswer> law) throws IOException {
        page.heading(words.say("law.title"), 13);
        for (LawAnswer one : law)
            page.row(
                    one.element().section(),
                    words.say(
                            "law.row",
                            "asks",
                            Message.of(one.element().asks()),
                            "standing",
                            Message.of(one.standing().code()),
                            "because",
                            one.because(),
                            "events",
                            one.events().isEmpty() ? "none" : "some",
                            "numbers",
                            one.events().stream().map(String::valueOf).collect(Collectors.joining(", "))));
        page.row("", words.say("law.note"));
    }

    /** The table is about acts on the screen; of those who signed on paper it says nothing. */
    private void onPaper(RecordPage page, Agreement agreement) throws IOException {
        List<PartyKey> parties = agreement
                .paper()
                .flatMap(OnPaper::signed)
                .map(Event.SignedOnPaper::parties)
                .orElse(List.of());
        String names = parties.stream()
                .flatMap(party -> agreement.participant(party).stream())
                .map(one -> one.name() + " (" + one.label() + ")")
                .collect(Collectors.joining(", "));
        if (!names.isEmpty()) page.row("", words.say("record.on-paper", "names", names));
    }

    /** How it is known of each who has acted that it was they. */
    private void identities(RecordPage page, Agreement agreement, List<Entry> history) throws IOException {
        Set<String> told = new LinkedHashSet<>();
        for (Entry entry : history) {
            if (!(entry.actor() instanceof Actor.Participant by) || !acts(entry.event())) continue;
            String name =
                    agreement.participant(by.party()).map(Participant::name).orElse("");
            Message check = switch (by.proof()) {
                case SENT_FORM -> Message.of("check.sent-form");
                case SIGNED_IN -> Message.of("check.signed-in");
                default -> EventSentences.check(by.proof().check());
            };
            told.add(words.say("record.identity-of", "party", name, "check", check));
        }
        for (String one : told) page.row(words.say("record.identity"), one);
    }

    private static boolean acts(Event event) {
        return event instanceof Event.Signed
                || event instanceof Event.FieldsCompleted
                || event instanceof Event.Approved;
    }

    /** What was agreed on in other words than the template's, paragraph by paragraph. */
    private void changedWordings(RecordPage page, Agreement agreement) throws IOException {
        if (agreement.changed().isEmpty()) return;
        page.heading(words.say("record.changed-wording"), 13);
        for (Document document : agreement.documents()) {
            ChangedWording changed = agreement.changed().get(document.id());
            if (changed == null) continue;
            for (ChangedWording.ChangedParagraph paragraph : changed.paragraphs())
                page.row(
                        document.title(),
                        paragraph.pieces().stream().map(this::told).collect(Collectors.joining()));
        }
    }

    private String told(ChangedWording.ChangedPiece piece) {
        return switch (piece.fate()) {
            case KEPT -> piece.text();
            case STRUCK -> words.say("record.struck", "words", piece.text());
            case PUT_IN -> words.say("record.put-in", "words", piece.text());
        };
    }

    /** What the parties completed, as each kind of field tells it. */
    private void details(RecordPage page, Agreement agreement) throws IOException {
        boolean headed = false;
        for (SigningField field : agreement.fields().stream()
                .map(PlacedField::field)
                .filter(field -> field.sameAs().isEmpty())
                .distinct()
                .toList()) {
            Optional<String> told = field.type().told(agreement.values().getOrDefault(field.name(), ""));
            if (told.filter(text -> !text.isBlank()).isEmpty()) continue;
            if (!headed) page.heading(words.say("record.details"), 13);
            headed = true;
            page.row(field.title(), told.get());
        }
    }

    private static String written(List<Revision> revisions) {
        return revisions.stream().map(one -> one.document() + " " + one.pdf()).collect(Collectors.joining(", "));
    }

    private static List<Revision> read(String written) {
        return Arrays.stream(written.split(", "))
                .map(one -> one.split(" "))
                .map(one -> new Revision(new DocumentId(one[0]), new Sha256(one[1])))
                .toList();
    }

    /**
     * What a record says it is about.
     *
     * @param documents the finished documents, {@code chainHash} of the events before the completion; empty when the record
     *     can't be read
     */
    public record Subject(String number, List<Revision> documents, String chainHash) {}

    /** Whether a file says that it is a signing record; nothing of its pages is read. */
    public static boolean isOne(byte[] pdf) {
        if (Opened.tooLarge(pdf)) return false;
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDDocumentInformation information = document.getDocumentInformation();
            return information.getCustomMetadataValue(NUMBER) != null
                    || String.valueOf(information.getTitle()).startsWith(TITLE);
        } catch (IOException | RuntimeException e) {
            return false;
        }
    }

    /** Reads what a record is about; records of earlier versions say it in print only. */
    public static Subject subject(byte[] record) {
        try (PDDocument document = Loader.loadPDF(record)) {
            PDDocumentInformation information = document.getDocumentInformation();
            String number = information.getCustomMetadataValue(NUMBER);
            String chain = information.getCustomMetadataValue(CHAIN);
            String several = information.getCustomMetadataValue(DOCUMENTS);
            if (number != null && several != null) return new Subject(number, read(several), chain);
            if (number != null)
                return new Subject(number, one(information.getCustomMetadataValue(ONE_DOCUMENT)), chain);
            Matcher hash = HASH.matcher(new PDFTextStripper().getText(document).replaceAll("\\s", ""));
            String first = hash.find() ? hash.group() : "";
            return new Subject(
                    String.valueOf(information.getTitle()).replace(TITLE, ""),
                    one(first),
                    hash.find() ? hash.group() : "");
        } catch (IOException | RuntimeException e) {
            return new Subject("", List.of(), "");
        }
    }

    /** Records of earlier versions are about the one document that an agreement had. */
    private static List<Revision> one(String hash) {
        return Sha256.read(hash).stream()
                .map(pdf -> new Revision(DocumentId.WORDING, pdf))
                .toList();
    }

    private String time(Instant at) {
        Instant seconds = at.truncatedTo(ChronoUnit.SECONDS);
        DateTimeFormatter full = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss", Locale.ROOT);
        return full.format(seconds.atOffset(ZoneOffset.UTC)) + "Z ("
                + DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT).format(seconds.atZone(zone)) + ")";
    }
}
