package org.jalousie.core.agreement;

import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.Pages;

/** Something that a person or the program wants to happen to an agreement. */
public sealed interface Command {
    /** The document is made. @param basedOn the event whose data it was made from, {@link Agreement#madeFrom()} */
    record Generate(int basedOn, String word, String pdf, Pages pages) implements Command {}

    record CorrectData(Map<String, String> data, List<Participant> participants, String title) implements Command {}

    /** @param remake whether the document says something that changes with the person, so that it is made again */
    record ChangeParticipant(Participant participant, String title, boolean remake) implements Command {}

    /**
     * @param blanks labels of required data that are blank; sending is refused while there are any
     * @param seen how many events there were when the sender looked
     */
    record Send(int expiryDays, List<String> blanks, int seen) implements Command {}

    /** @param basedOn the document that was sealed */
    record SealHouse(String basedOn, String pdf, CertificateId certificate) implements Command {}

    record View(String party) implements Command {}

    record Consent(String party, String wording, String wordingHash) implements Command {}

    record Complete(String party, Map<String, String> values) implements Command {}

    record Approve(String party) implements Command {}

    record Sign(String party, Map<String, String> values, String mark, String markImage) implements Command {}

    /** Puts a party's act into the document; {@code basedOn} is the document it was put into. */
    record Seal(String party, String basedOn, String pdf, CertificateId certificate) implements Command {}

    record Decline(String party, String reason) implements Command {}

    record Withdraw(String reason) implements Command {}

    /** Time has passed: expire or remind where that is due. */
    record Tick(Reminders reminders) implements Command {}

    /** @param basedOn how many events the signing record tells of */
    record Finish(int basedOn, String pdf, String record) implements Command {}
}
