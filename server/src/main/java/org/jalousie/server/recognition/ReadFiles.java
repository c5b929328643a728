package org.jalousie.server.recognition;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.agreement.Agreements;

/** Files that were made elsewhere, as other rooms use them. */
public interface ReadFiles {
    /**
     * A file that an agreement can be made about.
     *
     * @param version of the template that it was made from
     * @param values that were read back, as they are stored
     * @param sure names of those that can be nothing else
     * @param complete whether nothing is missing, unsure, or other than in the template
     * @param agreement the one that was made about it already
     */
    record Ready(
            UUID version,
            Map<FieldName, String> values,
            Set<FieldName> sure,
            Agreements.Finished finished,
            boolean complete,
            Optional<AgreementNumber> agreement) {}

    /**
     * What a person has said about a file.
     *
     * @param revision as it was shown to them
     * @param keep parties that stay though it has no place for them
     * @param seen whether they have looked at what differs from the template
     */
    record Confirmation(int revision, Set<PartyKey> keep, boolean seen) {}

    /** The version of the template that a file is taken for. */
    UUID versionOf(UUID file);

    /**
     * What a file is taken for; one at a time, until the end of the transaction.
     *
     * @param said what a person has said who saw it
     */
    Ready ready(UUID file, Confirmation said);

    /** There is an agreement about it now. */
    void became(UUID file, AgreementNumber agreement);
}
