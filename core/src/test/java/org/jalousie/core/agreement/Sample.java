package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.FieldKind;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;

/** What the lives of agreements in tests begin with. */
final class Sample {
    private Sample() {}

    static PlacedField placed(String name, String party, FieldKind kind, double y) {
        return new PlacedField(new SigningField(name, party, kind, name, true), 1, 72, y, 170, 40);
    }

    static Participant party(String key, Duty duty, int stage) {
        return new Participant(key, key, duty, stage, key + " person", key + "@example.org");
    }

    /** The first entry of an agreement with these participants. */
    static Entry created(Instant at, Participant... participants) {
        return new Entry(
                1,
                at,
                new Actor.Coordinator("nora@museum.example.org", "Nora"),
                new Event.Created("A-1", "Loan", "Loan", 1, "R-1", Map.of("a", "1"), List.of(participants)));
    }
}
