package org.jalousie.server.archive.person;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.filing.people.PersonIn;
import org.jalousie.core.json.Json;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.intake.PersonsRequests;
import org.jalousie.server.people.PersonsAccounts;
import org.jalousie.server.postroom.SentMails;
import org.jalousie.server.registers.PersonsRows;
import org.springframework.stereotype.Component;

/**
 * What is kept of a person as one file: JSON that machines read (GDPR Art. 20), and copies of the completed agreements in which
 * they have a part. Nothing that others did or are is in it (Art. 15(4)) but in those copies, which they were given anyway.
 */
@Component
class PersonFile {
    private final FileStore files;
    private final SentMails mails;
    private final Clock clock;

    PersonFile(FileStore files, SentMails mails, Clock clock) {
        this.files = files;
        this.mails = mails;
        this.clock = clock;
    }

    private record Whole(
            String who,
            Instant at,
            List<PersonsAccounts.PersonsAccount> accounts,
            boolean more,
            List<OfAgreement> agreements,
            List<PersonsRequests.PersonsRequest> requests,
            List<PersonsRows.PersonsRow> registerRows) {}

    private record OfAgreement(
            String number,
            String title,
            String template,
            State state,
            Instant since,
            List<PersonIn.Part> parts,
            Map<FieldName, String> data,
            List<Entry> acts,
            List<SentMails.SentMail> mails,
            List<String> files,
            List<String> damaged) {}

    /** Writes it as ZIP. */
    void write(PeopleFound.Found found, OutputStream to) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(to, StandardCharsets.UTF_8)) {
            List<OfAgreement> agreements = new ArrayList<>();
            for (PeopleFound.Own own : found.agreements()) {
                Map<String, Document> copies = copies(own);
                List<String> given = new ArrayList<>();
                List<String> damaged = new ArrayList<>();
                for (Map.Entry<String, Document> copy : copies.entrySet()) {
                    Optional<byte[]> bytes = whole(copy.getValue());
                    bytes.ifPresentOrElse(whole -> given.add(copy.getKey()), () -> damaged.add(copy.getKey()));
                    if (bytes.isPresent()) put(zip, copy.getKey(), bytes.get());
                }
                agreements.add(of(own, found, given, damaged));
            }
            Whole whole = new Whole(
                    found.who().text(),
                    clock.instant(),
                    found.accounts(),
                    found.more(),
                    agreements,
                    found.requests(),
                    found.rows());
            put(zip, "person.json", Json.canonical(whole).getBytes(StandardCharsets.UTF_8));
        }
    }

    private static Map<String, Document> copies(PeopleFound.Own own) {
        Map<String, Document> copies = new LinkedHashMap<>();
        Agreement agreement = own.agreement();
        boolean given = agreement.state() == State.COMPLETED
                && own.person().parts().stream().anyMatch(PersonIn.Part::now);
        if (given)
            for (Document one : agreement.documents())
                copies.put(
                        agreement.created().number() + "/" + copies.size() + " "
                                + FileNames.of(agreement, one.id(), "pdf"),
                        one);
        return copies;
    }

    /** One that isn't as it was kept keeps nobody from the rest; the file says so, and the archive's check tells the office. */
    private Optional<byte[]> whole(Document document) {
        try {
            return Optional.of(files.get(document.pdf()));
        } catch (FileStore.Damaged e) {
            return Optional.empty();
        }
    }

    private OfAgreement of(PeopleFound.Own own, PeopleFound.Found found, List<String> copies, List<String> damaged) {
        Agreement agreement = own.agreement();
        List<SentMails.SentMail> sent = mails.about(own.id()).stream()
                .filter(one -> found.who().is(one.to())
                        || own.person().parts().stream()
                                .anyMatch(part -> part.person().mail().equalsIgnoreCase(one.to())))
                .toList();
        return new OfAgreement(
                agreement.created().number().value(),
                // it may name somebody else, which is no business of who is only named in it
                own.person().takesPart() ? agreement.title() : "",
                agreement.created().template(),
                agreement.state(),
                agreement.since(),
                own.person().parts(),
                own.person().data(),
                own.person().acts(),
                sent,
                copies,
                damaged);
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }
}
