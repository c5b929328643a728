package org.jalousie.core.agreement;

import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Named;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.ChasingTerms;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.Reminders;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;

/** What the lives of agreements in tests begin with. */
final class Sample {
    private Sample() {}

    static PlacedField placed(String name, String party, SigningFieldType type, double y) {
        return new PlacedField(new SigningField(name, new PartyKey(party), name, type), 1, 72, y, 170, 40);
    }

    static Participant party(String key, Duty duty, int stage) {
        return new Participant(new Person(key + " person", key + "@example.org"), new PartyKey(key), key, duty, stage);
    }

    /** Reminders of an office that works day and night. */
    static Chasing chasing(int first, int every) {
        return new Chasing(
                new ChasingTerms(Reminders.first(first, every), 0, false),
                new OfficeCalendar(
                        ZoneOffset.UTC, EnumSet.allOf(DayOfWeek.class), LocalTime.MIN, LocalTime.MAX, List.of()));
    }

    /** A file that is named by a word. */
    static Sha256 file(String word) {
        return Sha256.of(word.getBytes(StandardCharsets.UTF_8));
    }

    /** An agreement's one document. */
    static List<Document> document(String word, String pdf, Pages pages) {
        return List.of(new Document(
                DocumentId.WORDING, "Loan", Document.Kind.GENERATED, Optional.of(file(word)), file(pdf), pages));
    }

    static List<Revision> revision(String pdf) {
        return List.of(new Revision(DocumentId.WORDING, file(pdf)));
    }

    /** The first entry of an agreement with these participants. */
    static Entry created(Instant at, Participant... participants) {
        return new Entry(
                1,
                at,
                new Actor.Coordinator("nora@museum.example.org", "Nora"),
                new Event.Created(
                        new AgreementNumber("A-1"),
                        "Loan",
                        "Loan",
                        1,
                        "R-1",
                        Named.by(Map.of("a", "1")),
                        List.of(participants)));
    }
}
