package org.jalousie.core.agreement;

import java.util.Map;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.Pages;

/** Something that a person or the program wants to happen to an agreement. */
public sealed interface Command {
    record Generate(String word, String pdf, Pages pages) implements Command {}

    record CorrectData(Map<String, String> data, java.util.List<Participant> participants) implements Command {}

    record ChangeParticipant(Participant participant) implements Command {}

    /** @param blanks labels of required data that are blank; sending is refused while there are any */
    record Send(int expiryDays, java.util.List<String> blanks) implements Command {}

    record SealHouse(String pdf) implements Command {}

    record View(String party) implements Command {}

    record Consent(String party, String wording, String wordingHash) implements Command {}

    record Complete(String party, Map<String, String> values) implements Command {}

    record Approve(String party) implements Command {}

    record Sign(String party, Map<String, String> values, String mark, String markImage) implements Command {}

    /** Puts a party's act into the document; {@code basedOn} is the document it was put into. */
    record Seal(String party, String basedOn, String pdf) implements Command {}

    record Decline(String party, String reason) implements Command {}

    record Withdraw(String reason) implements Command {}

    /** Time has passed: expire or remind where that is due. */
    record Tick(int firstReminderDays, int everyDays) implements Command {}

    record Finish(String pdf, String record) implements Command {}
}
