package org.jalousie.core.evidence;

import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;

/** One event as a sentence, for the record and for the trail on the screen. */
public final class EventSentences {
    private EventSentences() {}

    public static String of(Entry entry, Agreement agreement) {
        String sentence = happened(entry, agreement);
        return entry.actor() instanceof Actor.OnBehalf behalf
                ? sentence + " Done on their behalf by " + actor(behalf.by(), agreement) + "."
                : sentence;
    }

    private static String happened(Entry entry, Agreement agreement) {
        Event event = entry.event();
        if (event instanceof Event.Created) return "The agreement was created by " + actor(entry, agreement) + ".";
        if (event instanceof Event.DataCorrected) return "The data were corrected by " + actor(entry, agreement) + ".";
        if (event instanceof Event.Generated generated)
            return generated.documents().stream()
                    .map(one -> "The document" + (one.title().isEmpty() ? "" : " \u201c" + one.title() + "\u201d")
                            + " was made: " + count(one.pages().sizes().size(), "page") + ", "
                            + count(one.pages().fields().size(), "signing field") + ".")
                    .collect(Collectors.joining(" "));
        if (event instanceof Event.ParticipantChanged changed)
            return changed.participant().label() + " was set to "
                    + changed.participant().name() + ", "
                    + changed.participant().mail() + ", by " + actor(entry, agreement) + ".";
        if (event instanceof Event.Sent) return "The agreement was sent by " + actor(entry, agreement) + ".";
        if (event instanceof Event.OfficeSealed) return "The office's seal was put on the document.";
        if (event instanceof Event.Invited invited) return name(invited.party(), agreement) + " was invited by mail.";
        if (event instanceof Event.Viewed viewed) return name(viewed.party(), agreement) + " opened the document.";
        if (event instanceof Event.ConsentGiven consent)
            return name(consent.party(), agreement) + " agreed to sign electronically (wording " + consent.wording()
                    + ", SHA-256 " + consent.wordingHash().hex().substring(0, 16) + "\u2026).";
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
        return actor(entry.actor(), agreement);
    }

    private static String actor(Actor actor, Agreement agreement) {
        if (actor instanceof Actor.Coordinator coordinator) return coordinator.name();
        if (actor instanceof Actor.Participant one) return name(one.party(), agreement);
        if (actor instanceof Actor.OtherProgram other) return "the program \u201c" + other.name() + "\u201d";
        if (actor instanceof Actor.OnBehalf behalf) return actor(behalf.by(), agreement);
        return actor instanceof Actor.Unknown unknown ? unknown.said() : "the program";
    }
}
