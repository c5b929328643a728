package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.State;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.server.Settings;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.postroom.Mail;
import org.jalousie.server.postroom.Postroom;
import org.springframework.stereotype.Component;

/** What follows from an event outside of the agreement: jobs and mail, asked for in the same transaction. */
@Component
class Reactions {
    private final Jobs jobs;
    private final Postroom postroom;
    private final Links links;
    private final Settings settings;

    Reactions(Jobs jobs, Postroom postroom, Links links, Settings settings) {
        this.jobs = jobs;
        this.postroom = postroom;
        this.links = links;
        this.settings = settings;
    }

    void to(UUID id, Agreement agreement, List<Event> happened) {
        for (Event event : happened) {
            boolean remade = event instanceof Event.ParticipantChanged changed && changed.remake();
            if (event instanceof Event.Created || event instanceof Event.DataCorrected || remade) {
                jobs.soon(JobKind.GENERATE, id + ":" + agreement.length());
            } else if (event instanceof Event.Sent) {
                jobs.soon(JobKind.SEAL_OFFICE, id.toString());
            } else if (event instanceof Event.Invited invited) {
                toParty(id, agreement, Mail.Kind.INVITATION, invited.party());
            } else if (event instanceof Event.ReminderSent reminder) {
                toParty(id, agreement, Mail.Kind.REMINDER, reminder.party());
            } else if (event instanceof Event.Signed signed) {
                jobs.soon(JobKind.SEAL_PARTY, id + ":" + signed.party());
            } else if (event instanceof Event.FieldsCompleted completed) {
                jobs.soon(JobKind.SEAL_PARTY, id + ":" + completed.party());
            } else if (event instanceof Event.Sealed || event instanceof Event.Approved) {
                finishWhenDone(id, agreement);
            } else if (event instanceof Event.Completed) {
                completed(id, agreement);
            } else if (event instanceof Event.Declined declined) {
                ended(id, agreement, Mail.Kind.DECLINED, declined.party());
            } else if (event instanceof Event.Withdrawn) {
                ended(id, agreement, Mail.Kind.WITHDRAWN, "");
            } else if (event instanceof Event.Expired) {
                ended(id, agreement, Mail.Kind.EXPIRED, "");
            }
        }
    }

    private void finishWhenDone(UUID id, Agreement agreement) {
        boolean sealed = agreement.acting().stream()
                .allMatch(one -> agreement.standing(one.party()) == org.jalousie.core.agreement.Standing.DONE);
        if (agreement.state() == State.SEALING && sealed) jobs.soon(JobKind.FINISH, id.toString());
    }

    private void toParty(UUID id, Agreement agreement, Mail.Kind kind, String party) {
        Participant one = agreement.participant(party).orElseThrow();
        postroom.queue(id, kind, party, one.mail(), Letters.subject(kind, agreement));
    }

    /** Signers and copy recipients get the signed copy; who only completed details or approved does not (common practice, no source). */
    private void completed(UUID id, Agreement agreement) {
        agreement.participants().stream()
                .filter(one -> one.duty() == Duty.SIGNS || one.duty() == Duty.RECEIVES_COPY)
                .forEach(one -> postroom.queue(
                        id,
                        Mail.Kind.COMPLETED,
                        one.party(),
                        one.mail(),
                        Letters.subject(Mail.Kind.COMPLETED, agreement)));
        links.end(id);
    }

    /** The office is told, and everybody who had been invited. */
    private void ended(UUID id, Agreement agreement, Mail.Kind kind, String by) {
        if (kind != Mail.Kind.WITHDRAWN)
            postroom.queue(id, kind, "", settings.office().mail(), Letters.subject(kind, agreement));
        agreement.acting().stream()
                .filter(one -> agreement.turnSince().containsKey(one.party())
                        && !one.party().equals(by))
                .forEach(one -> postroom.queue(id, kind, one.party(), one.mail(), Letters.subject(kind, agreement)));
    }
}
