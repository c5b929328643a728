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
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.DocumentId;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;

/** The evidence document: what happened, who took part, when, and which file it is about. */
public final class SigningRecord {
    private static final String NUMBER = "AgreementNumber";
    private static final String DOCUMENTS = "DocumentsSHA256";
    private static final String ONE_DOCUMENT = "AgreementSHA256"; // until an agreement could have several
    private static final String CHAIN = "EventChainSHA256";
    private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");

    private final ZoneId zone;
    private final String office;

    /** @param zone the office's time zone, printed beside UTC */
    public SigningRecord(String office, ZoneId zone) {
        this.office = office;
        this.zone = zone;
    }

    /** @param finished the finished documents; {@code chainHash} the last hash of the event chain so far */
    public byte[] print(Agreement agreement, List<Entry> history, List<Revision> finished, String chainHash) {
        try (PDDocument document = new PDDocument()) {
            Archival.prepare(
                    document, "Signing record of " + agreement.created().number());
            document.getDocumentInformation()
                    .setCustomMetadataValue(NUMBER, agreement.created().number());
            document.getDocumentInformation().setCustomMetadataValue(DOCUMENTS, written(finished));
            document.getDocumentInformation().setCustomMetadataValue(CHAIN, chainHash);
            try (RecordPage page = new RecordPage(document)) {
                page.heading("Signing record", 20);
                page.row("Agreement", agreement.created().number() + ", " + agreement.title());
                page.row("Issued by", office);
                page.row(
                        "Template",
                        agreement.created().template() + ", version "
                                + agreement.created().templateVersion());
                for (Revision one : finished) {
                    String title =
                            agreement.document(one.document()).orElseThrow().title();
                    page.row("SHA-256 of \u201c" + title + "\u201d", one.pdf().hex());
                }
                page.row("SHA-256 of the event chain", chainHash);
                page.heading("Parties", 13);
                for (Participant one : agreement.participants()) {
                    page.row(
                            one.label(),
                            one.name() + ", " + one.mail() + "; " + duty(one)
                                    + (one.duty().acts() ? ", stage " + one.stage() : ""));
                }
                details(page, agreement);
                page.heading("Events", 13);
                page.row("Times", "UTC, and in brackets the time at " + zone.getId());
                for (Entry entry : history) {
                    String from = entry.actor().from().isEmpty()
                            ? ""
                            : " From " + entry.actor().from() + ".";
                    page.row(time(entry.at()), entry.sequence() + ". " + EventSentences.of(entry, agreement) + from);
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("the signing record can't be written", e);
        }
    }

    /** What the parties completed, as each kind of field tells it. */
    private static void details(RecordPage page, Agreement agreement) throws IOException {
        boolean headed = false;
        for (SigningField field : agreement.fields().stream()
                .map(PlacedField::field)
                .filter(SigningField::asked)
                .distinct()
                .toList()) {
            Optional<String> told = field.type().told(agreement.values().getOrDefault(field.name(), ""));
            if (told.filter(text -> !text.isBlank()).isEmpty()) continue;
            if (!headed) page.heading("Details", 13);
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
                    String.valueOf(information.getTitle()).replace("Signing record of ", ""),
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

    private static String duty(Participant one) {
        return switch (one.duty()) {
            case SIGNS -> "signs";
            case APPROVES -> "approves";
            case COMPLETES -> "completes details";
            case RECEIVES_COPY -> "gets a copy";
        };
    }
}
