package org.jalousie.core.evidence;

import java.util.List;
import java.util.Locale;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.PartyKey;

/** One event in words, for the record and for the trail on the screen. */
public final class EventSentences {
    private EventSentences() {}

    /** What is to be said of an event; several sentences when it is about several documents. */
    public static List<Message> of(Entry entry, Agreement agreement) {
        if (entry.event() instanceof Event.Generated generated)
            return generated.documents().stream().map(EventSentences::made).toList();
        Told told = new Told(agreement, entry.sequence());
        Message sentence = happened(entry, told);
        return List.of(
                entry.actor() instanceof Actor.OnBehalf behalf
                        ? Message.of("event.on-behalf", "sentence", sentence, "actor", actor(behalf.by(), told))
                        : sentence);
    }

    /** An event is told with the names that people had until it happened. */
    private record Told(Agreement agreement, int sequence) {}

    private static Message made(Document document) {
        return Message.of(
                "event.document-made",
                "titled",
                document.title().isEmpty() ? "no" : "yes",
                "title",
                document.title(),
                "pages",
                document.pages().sizes().size(),
                "fields",
                document.pages().fields().size());
    }

    private static Message happened(Entry entry, Told told) {
        Event event = entry.event();
        Object actor = actor(entry.actor(), told);
        if (event instanceof Event.Created created)
            return Message.of(
                    "event.created",
                    "actor",
                    actor,
                    "replaces",
                    created.replaces().isEmpty() ? "none" : created.replaces());
        if (event instanceof Event.DataCorrected) return Message.of("event.data-corrected", "actor", actor);
        if (event instanceof Event.ParticipantChanged changed) {
            return Message.of(
                    "event.participant-changed",
                    "party",
                    changed.participant().label(),
                    "name",
                    changed.participant().name(),
                    "mail",
                    changed.participant().mail(),
                    "actor",
                    actor);
        }
        if (event instanceof Event.DocumentBrought brought)
            return Message.of(
                    "event.document-brought",
                    "actor",
                    actor,
                    "title",
                    brought.document().title());
        if (event instanceof Event.DocumentTakenOut) return Message.of("event.document-taken-out", "actor", actor);
        if (event instanceof Event.PlacesGiven) return Message.of("event.places-given", "actor", actor);
        if (event instanceof Event.WordingChanged changed)
            return Message.of(
                    "event.wording-changed",
                    "actor",
                    actor,
                    "count",
                    changed.wording().paragraphs().size(),
                    "title",
                    told.agreement()
                            .document(changed.document())
                            .map(Document::title)
                            .orElse(told.agreement().created().template()));
        if (event instanceof Event.Sent) return Message.of("event.sent", "actor", actor);
        if (event instanceof Event.OfficeSealed) return Message.of("event.office-sealed");
        if (event instanceof Event.WordAgreed word)
            return Message.of("event.word-agreed", "actor", actor, "party", name(word.party(), told));
        if (event instanceof Event.LetGoOn on)
            return Message.of("event.let-go-on", "actor", actor, "party", name(on.party(), told));
        if (event instanceof Event.EndChanged changed)
            return Message.of("event.end-changed", "actor", actor, "end", changed.lastDay());
        if (event instanceof Event.ChasingChanged) return Message.of("event.chasing-changed", "actor", actor);
        if (event instanceof Event.LinkRenewed renewed)
            return Message.of("event.link-renewed", "actor", actor, "party", name(renewed.party(), told));
        if (event instanceof Event.PersonChanged changed) return personChanged(changed, actor, told);
        if (event instanceof Event.QuestionAnswered answered)
            return Message.of(
                    "event.question-answered",
                    "actor",
                    actor,
                    "party",
                    name(answered.party(), told),
                    "answer",
                    answered.answer());
        if (event instanceof Event.PartSkipped skipped)
            return Message.of(
                    "event.part-skipped",
                    "actor",
                    actor,
                    "party",
                    name(skipped.party(), told),
                    "given",
                    skipped.reason().isEmpty() ? "no" : "yes",
                    "reason",
                    skipped.reason());
        if (event instanceof Event.ReminderSent reminder && entry.actor() instanceof Actor.Office)
            return Message.of("event.reminded-by", "actor", actor, "party", name(reminder.party(), told));
        if (event instanceof Event.Withdrawn withdrawn)
            return Message.of("event.withdrawn", "actor", actor, "reason", withdrawn.reason());
        if (event instanceof Event.TakenToPaper taken)
            return Message.of(
                    "event.taken-to-paper",
                    "actor",
                    actor,
                    "count",
                    taken.printed().size());
        if (event instanceof Event.BackFromPaper) return Message.of("event.back-from-paper", "actor", actor);
        if (event instanceof Event.SignedOnPaper signed) return signedOnPaper(signed, actor, told);
        if (event instanceof Event.Expired) return Message.of("event.expired");
        return event instanceof Event.Completed ? Message.of("event.completed") : ofParty(event, told);
    }

    private static Message signedOnPaper(Event.SignedOnPaper signed, Object actor, Told told) {
        return Message.of(
                "event.signed-on-paper",
                "actor",
                actor,
                "parties",
                Message.list(signed.parties().stream()
                        .map(party -> Message.of("event.one-of", "party", name(party, told)))
                        .toList()),
                "pages",
                signed.pages().size(),
                "brought",
                signed.broughtBy(),
                "day",
                signed.receivedOn(),
                "doubts",
                signed.inDoubt(),
                "given",
                signed.note().isEmpty() ? "no" : "yes",
                "note",
                signed.note());
    }

    /** Who was there before is named by the part; the new one by name and address. */
    private static Message personChanged(Event.PersonChanged changed, Object actor, Told told) {
        return Message.of(
                "event.person-changed",
                "how",
                changed.how().name().toLowerCase(Locale.ROOT),
                "actor",
                actor,
                "before",
                name(changed.party(), new Told(told.agreement(), told.sequence() - 1)),
                "name",
                changed.person().name(),
                "mail",
                changed.person().mail(),
                "given",
                changed.reason().isEmpty() ? "no" : "yes",
                "reason",
                changed.reason());
    }

    private static Message ofParty(Event event, Told told) {
        if (event instanceof Event.Invited invited) return about("event.invited", invited.party(), told);
        if (event instanceof Event.CodeSent sent) {
            String check = sent.check().name().toLowerCase(Locale.ROOT);
            return Message.of("event.code-sent", "check", check, "party", name(sent.party(), told));
        }
        if (event instanceof Event.IdentityShown shown)
            return Message.of(
                    "event.identity-shown", "party", name(shown.party(), told), "check", check(shown.check()));
        if (event instanceof Event.IdentityDoubted doubted)
            return Message.of(
                    "event.identity-doubted",
                    "party",
                    name(doubted.party(), told),
                    "locked",
                    doubted.locked() ? "yes" : "no");
        if (event instanceof Event.Viewed viewed) return about("event.viewed", viewed.party(), told);
        if (event instanceof Event.Approved approved) return about("event.approved", approved.party(), told);
        if (event instanceof Event.Sealed sealed) return about("event.sealed", sealed.party(), told);
        if (event instanceof Event.ReminderSent reminder) return about("event.reminder-sent", reminder.party(), told);
        if (event instanceof Event.WarningSent warning) return about("event.warning-sent", warning.party(), told);
        if (event instanceof Event.QuestionAsked asked)
            return Message.of("event.question-asked", "party", name(asked.party(), told), "question", asked.question());
        if (event instanceof Event.ConsentWithdrawn withdrawn)
            return about("event.consent-withdrawn", withdrawn.party(), told);
        if (event instanceof Event.MailReturned returned)
            return Message.of(
                    "event.mail-returned",
                    "party",
                    name(returned.party(), told),
                    "mail",
                    returned.mail(),
                    "status",
                    returned.status());
        if (event instanceof Event.ConsentGiven consent) {
            return Message.of(
                    "event.consent-given",
                    "party",
                    name(consent.party(), told),
                    "wording",
                    consent.wording(),
                    "hash",
                    consent.wordingHash().hex().substring(0, 16));
        }
        if (event instanceof Event.FieldsCompleted completed) {
            return Message.of(
                    "event.fields-completed",
                    "party",
                    name(completed.party(), told),
                    "count",
                    completed.values().size());
        }
        if (event instanceof Event.Signed signed)
            return Message.of("event.signed", "party", name(signed.party(), told), "mark", signed.mark());
        Event.Declined declined = (Event.Declined) event;
        return Message.of("event.declined", "party", name(declined.party(), told), "reason", declined.reason());
    }

    /** How somebody shows who they are, as a part of a sentence. */
    public static Message check(IdentityCheck check) {
        return Message.of("check." + check.code());
    }

    private static Message about(String code, PartyKey party, Told told) {
        return Message.of(code, "party", name(party, told));
    }

    private static Object name(PartyKey party, Told told) {
        return told.agreement()
                .participant(party)
                .<Object>map(one -> Message.of(
                        "party",
                        "name",
                        told.agreement().nameAt(party, told.sequence()).orElse(""),
                        "label",
                        one.label()))
                .orElse(party);
    }

    private static Object actor(Actor actor, Told told) {
        if (actor instanceof Actor.Coordinator coordinator) return coordinator.name();
        if (actor instanceof Actor.Participant one) return name(one.party(), told);
        if (actor instanceof Actor.OtherProgram other) return Message.of("actor.other-program", "name", other.name());
        if (actor instanceof Actor.OnBehalf behalf) return actor(behalf.by(), told);
        return actor instanceof Actor.Unknown unknown ? unknown.said() : Message.of("actor.program");
    }
}
