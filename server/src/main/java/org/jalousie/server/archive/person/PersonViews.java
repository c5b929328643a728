package org.jalousie.server.archive.person;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;

/** What is kept of a person, as it is shown. */
final class PersonViews {
    private PersonViews() {}

    /**
     * @param agreements in which they have or had a part, or are named
     * @param requests of which nothing was made yet
     * @param rows of registers
     * @param mails how many went to them
     * @param colleague whether they are of the office
     * @param called everybody who has or had a part by this name or address
     * @param doubtful whether it may be the name of several people, so that nothing is given out by it
     * @param more whether there are more agreements, requests or rows than are listed
     */
    record PersonKept(
            String who,
            List<PersonsAgreement> agreements,
            List<PersonsRequestView> requests,
            List<PersonsRowView> rows,
            long mails,
            boolean colleague,
            List<PersonCalled> called,
            boolean doubtful,
            boolean more) {}

    /**
     * @param parts what the parts are called that they have or had; none where they are only named
     * @param acts how many things they did in it
     * @param data how many of its data name them
     */
    record PersonsAgreement(
            AgreementNumber number,
            String title,
            String template,
            State state,
            Instant since,
            List<String> parts,
            int acts,
            int data) {}

    record PersonCalled(String name, String mail) {}

    record PersonsRequestView(String number, Instant at, boolean asked) {}

    /** @param gone whether it was taken out of its register */
    record PersonsRowView(UUID registerId, String register, UUID id, String label, boolean gone) {}
}
