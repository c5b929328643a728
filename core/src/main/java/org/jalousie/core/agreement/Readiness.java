package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.Glyphs;

/** What still stands in the way of sending, a sentence each. */
public final class Readiness {
    private static final String OF_TEMPLATE =
            " Change it in the template, publish it, and fill a new form with these answers.";

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
            Glyphs.unprintable(one.label() + "\u2019s name " + one.name(), one.name())
                    .ifPresent(obstacles::add);
            Glyphs.unprintable("The label of the party " + one.label(), one.label())
                    .map(said -> said + OF_TEMPLATE)
                    .ifPresent(obstacles::add);
            boolean signature = agreement.fieldsOf(one.party()).stream()
                    .anyMatch(field -> field.type().signs());
            if (one.duty() == Duty.SIGNS && !signature)
                obstacles.add(one.label() + " signs, but the wording keeps no place for the signature.");
        }
        String template = agreement.created().template();
        Glyphs.unprintable("The template\u2019s name " + template, template)
                .map(said -> said + OF_TEMPLATE)
                .ifPresent(obstacles::add);
        agreement.fields().stream()
                .map(placed -> placed.field().party())
                .distinct()
                .filter(party -> agreement
                        .participant(party)
                        .filter(one -> one.duty().acts())
                        .isEmpty())
                .forEach(party ->
                        obstacles.add("The fields of " + party + " belong to nobody who acts in this agreement."));
        if (agreement.acting().stream().noneMatch(one -> one.duty() == Duty.SIGNS)) obstacles.add("Nobody signs.");
        int firstSignature = agreement.acting().stream()
                .filter(one -> one.duty() == Duty.SIGNS)
                .mapToInt(Participant::stage)
                .min()
                .orElse(Integer.MAX_VALUE);
        agreement.acting().stream()
                .filter(one -> one.duty() == Duty.COMPLETES && one.stage() >= firstSignature)
                .forEach(one -> obstacles.add(one.label()
                        + " completes details and would be asked only when somebody has signed or may have. Put "
                        + one.label() + " before all who sign, in a new version of the template."));
        agreement
                .documents()
                .forEach(document -> obstacles.addAll(document.pages().faults()));
        return obstacles;
    }
}
