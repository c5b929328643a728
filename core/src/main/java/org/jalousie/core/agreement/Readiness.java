package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.FieldKind;

/** What still stands in the way of sending, a sentence each. */
public final class Readiness {
    private Readiness() {}

    /** @param blanks labels of required data that are blank in this agreement */
    public static List<String> obstacles(Agreement agreement, List<String> blanks) {
        List<String> obstacles = new ArrayList<>();
        blanks.forEach(label -> obstacles.add(label + " is blank. Correct the request."));
        for (Participant one : agreement.participants()) {
            if (one.name().isBlank()) obstacles.add(one.label() + " has no name yet. Name the person.");
            try {
                ValueReader.mail(one.mail());
            } catch (ValueReader.Unreadable e) {
                obstacles.add(one.label()
                        + (one.mail().isBlank()
                                ? " has no mail address yet."
                                : " has a mail address that can't be right: " + one.mail() + ".")
                        + " Correct it.");
            }
            boolean signature =
                    agreement.fieldsOf(one.party()).stream().anyMatch(field -> field.kind() == FieldKind.SIGNATURE);
            if (one.duty() == Duty.SIGNS && !signature)
                obstacles.add(one.label() + " signs, but the wording keeps no place for the signature.");
        }
        agreement.pages().fields().stream()
                .map(placed -> placed.field().party())
                .distinct()
                .filter(party -> agreement
                        .participant(party)
                        .filter(one -> one.duty().acts())
                        .isEmpty())
                .forEach(party ->
                        obstacles.add("The fields of " + party + " belong to nobody who acts in this agreement."));
        if (agreement.acting().stream().noneMatch(one -> one.duty() == Duty.SIGNS)) obstacles.add("Nobody signs.");
        obstacles.addAll(agreement.pages().faults());
        return obstacles;
    }
}
