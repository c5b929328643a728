package org.jalousie.core.evidence;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.parties.Participant;

/** The evidence document: what happened, who took part, when, and which file it is about. */
public final class SigningRecord {
    private static final String NUMBER = "AgreementNumber";
    private static final String AGREEMENT = "AgreementSHA256";
    private static final String CHAIN = "EventChainSHA256";
    private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");

    private final ZoneId zone;
    private final String office;

    /** @param zone the office's time zone, printed beside UTC */
    public SigningRecord(String office, ZoneId zone) {
        this.office = office;
        this.zone = zone;
    }

    /** @param agreementHash SHA-256 of the finished agreement; {@code chainHash} the last hash of the event chain so far */
    public byte[] print(Agreement agreement, List<Entry> history, String agreementHash, String chainHash) {
        try (PDDocument document = new PDDocument()) {
            Archival.prepare(
                    document, "Signing record of " + agreement.created().number());
            document.getDocumentInformation()
                    .setCustomMetadataValue(NUMBER, agreement.created().number());
            document.getDocumentInformation().setCustomMetadataValue(AGREEMENT, agreementHash);
            document.getDocumentInformation().setCustomMetadataValue(CHAIN, chainHash);
            try (RecordPage page = new RecordPage(document)) {
                page.heading("Signing record", 20);
                page.row("Agreement", agreement.created().number() + ", " + agreement.title());
                page.row("Issued by", office);
                page.row(
                        "Template",
                        agreement.created().template() + ", version "
                                + agreement.created().templateVersion());
                page.row("SHA-256 of the agreement", agreementHash);
                page.row("SHA-256 of the event chain", chainHash);
                page.heading("Parties", 13);
                for (Participant one : agreement.participants()) {
                    page.row(
                            one.label(),
                            one.name() + ", " + one.mail() + "; " + duty(one)
                                    + (one.duty().acts() ? ", stage " + one.stage() : ""));
                }
                page.heading("Events", 13);
                page.row("Times", "UTC, and in brackets the time at " + zone.getId());
                for (Entry entry : history) {
                    String from = entry.actor().from().isEmpty()
                            ? ""
                            : " From " + entry.actor().from() + ".";
                    page.row(time(entry.at()), entry.sequence() + ". " + Sentences.of(entry, agreement) + from);
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("the signing record can't be written", e);
        }
    }

    /**
     * What a record says it is about.
     *
     * @param agreementHash SHA-256 of the agreement's file, {@code chainHash} of the events before its completion; empty when
     *     the record can't be read
     */
    public record Subject(String number, String agreementHash, String chainHash) {}

    /** Reads what a record is about; records of earlier versions say it in print only. */
    public static Subject subject(byte[] record) {
        try (PDDocument document = Loader.loadPDF(record)) {
            PDDocumentInformation information = document.getDocumentInformation();
            String number = information.getCustomMetadataValue(NUMBER);
            if (number != null)
                return new Subject(
                        number,
                        information.getCustomMetadataValue(AGREEMENT),
                        information.getCustomMetadataValue(CHAIN));
            Matcher hash = HASH.matcher(new PDFTextStripper().getText(document).replaceAll("\\s", ""));
            String first = hash.find() ? hash.group() : "";
            return new Subject(
                    String.valueOf(information.getTitle()).replace("Signing record of ", ""),
                    first,
                    hash.find() ? hash.group() : "");
        } catch (IOException | RuntimeException e) {
            return new Subject("", "", "");
        }
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

    /** One event as a sentence, for the record and for the trail on the screen. */
    public static final class Sentences {
        private Sentences() {}

        public static String of(Entry entry, Agreement agreement) {
            Event event = entry.event();
            if (event instanceof Event.Created) return "The agreement was created by " + actor(entry, agreement) + ".";
            if (event instanceof Event.DataCorrected)
                return "The data were corrected by " + actor(entry, agreement) + ".";
            if (event instanceof Event.Generated generated)
                return "The document was made: "
                        + count(generated.pages().sizes().size(), "page") + ", "
                        + count(generated.pages().fields().size(), "signing field") + ".";
            if (event instanceof Event.ParticipantChanged changed)
                return changed.participant().label() + " was set to "
                        + changed.participant().name() + ", "
                        + changed.participant().mail() + ", by " + actor(entry, agreement) + ".";
            if (event instanceof Event.Sent) return "The agreement was sent by " + actor(entry, agreement) + ".";
            if (event instanceof Event.HouseSealed) return "The office's seal was put on the document.";
            if (event instanceof Event.Invited invited)
                return name(invited.party(), agreement) + " was invited by mail.";
            if (event instanceof Event.Viewed viewed) return name(viewed.party(), agreement) + " opened the document.";
            if (event instanceof Event.ConsentGiven consent)
                return name(consent.party(), agreement) + " agreed to sign electronically (wording " + consent.wording()
                        + ", SHA-256 " + consent.wordingHash().substring(0, 16) + "\u2026).";
            if (event instanceof Event.FieldsCompleted completed)
                return name(completed.party(), agreement) + " completed "
                        + completed.values().size() + " details.";
            if (event instanceof Event.Approved approved) return name(approved.party(), agreement) + " approved.";
            if (event instanceof Event.Signed signed)
                return name(signed.party(), agreement) + " signed (" + signed.mark() + ").";
            if (event instanceof Event.Sealed sealed)
                return "The act of " + name(sealed.party(), agreement) + " was sealed into the document.";
            if (event instanceof Event.Declined declined)
                return name(declined.party(), agreement) + " declined: " + declined.reason();
            if (event instanceof Event.Withdrawn withdrawn)
                return "The agreement was withdrawn by " + actor(entry, agreement) + ": " + withdrawn.reason();
            if (event instanceof Event.Expired) return "The time for the agreement ran out.";
            if (event instanceof Event.ReminderSent reminder)
                return name(reminder.party(), agreement) + " was reminded by mail.";
            return "The agreement was completed and filed.";
        }

        private static String count(int number, String noun) {
            return number + " " + noun + (number == 1 ? "" : "s");
        }

        private static String name(String party, Agreement agreement) {
            return agreement
                    .participant(party)
                    .map(one -> one.name() + " (" + one.label() + ")")
                    .orElse(party);
        }

        private static String actor(Entry entry, Agreement agreement) {
            if (entry.actor() instanceof Actor.Coordinator coordinator) return coordinator.name();
            return entry.actor() instanceof Actor.Participant one ? name(one.party(), agreement) : "the program";
        }
    }
}
