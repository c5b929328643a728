package org.jalousie.core.evidence;

import eu.europa.esig.dss.enumerations.Indication;
import eu.europa.esig.dss.evidencerecord.asn1.validation.ASN1EvidenceRecordValidator;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.simplereport.SimpleReport;
import eu.europa.esig.dss.validation.reports.Reports;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.messages.Message;

/** Checks an evidence record (RFC 4998) against the file that it is about, by the rules of ETSI EN 319 102-1 §5.6. */
public final class EvidenceRecordCheck {
    private static final DateTimeFormatter MINUTES = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm 'UTC'", Locale.ROOT);

    private final TrustService trust;
    private final Clock clock;

    public EvidenceRecordCheck(TrustService trust, Clock clock) {
        this.trust = trust;
        this.clock = clock;
    }

    /**
     * Since when it is proven that the file was as it is.
     *
     * @param file as it is now
     * @param record DER
     * @return empty when the record doesn't hold, is about another file, or none
     */
    public Optional<Instant> provenSince(byte[] file, byte[] record) {
        try {
            ASN1EvidenceRecordValidator validator = new ASN1EvidenceRecordValidator(document(record));
            validator.setDetachedContents(List.of(new InMemoryDocument(file, "file")));
            validator.setCertificateVerifier(DssParts.verifier(trust));
            validator.setValidationTime(Date.from(clock.instant()));
            Reports reports = validator.validateDocument(
                    new ByteArrayInputStream(Verifier.POLICY.getBytes(StandardCharsets.UTF_8)));
            SimpleReport simple = reports.getSimpleReport();
            String id = simple.getFirstEvidenceRecordId();
            if (id == null || simple.getIndication(id) != Indication.PASSED) return Optional.empty();
            return Optional.ofNullable(simple.getEvidenceRecordPOE(id)).map(Date::toInstant);
        } catch (RuntimeException | StackOverflowError e) {
            return Optional.empty();
        }
    }

    /** Says to a person what a record proves. @param since as {@link #provenSince} gives it */
    public static Message proves(Instant since) {
        return Message.of("stamps.proves", "at", MINUTES.format(since.atOffset(ZoneOffset.UTC)));
    }

    static InMemoryDocument document(byte[] record) {
        return new InMemoryDocument(record, "file.ers");
    }
}
