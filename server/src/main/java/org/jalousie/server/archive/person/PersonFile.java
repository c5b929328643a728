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
            boolean colleague,
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
            List<String> files) {}

    /** Writes it as ZIP. @throws FileStore.Damaged when a file can't be given out as it was kept */
    void write(PeopleFound.Found found, OutputStream to) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(to, StandardCharsets.UTF_8)) {
            List<OfAgreement> agreements = new ArrayList<>();
            for (PeopleFound.Own own : found.agreements()) {
                Map<String, Document> copies = copies(own);
                for (Map.Entry<String, Document> copy : copies.entrySet())
                    put(zip, copy.getKey(), files.get(copy.getValue().pdf()));
                agreements.add(of(own, found, List.copyOf(copies.keySet())));
            }
            Whole whole = new Whole(
                    found.who().text(),
                    clock.instant(),
                    found.colleague(),
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

    private OfAgreement of(PeopleFound.Own own, PeopleFound.Found found, List<String> copies) {
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
                copies);
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }
}
