package org.jalousie.core.evidence.law;

import java.util.List;
import java.util.Locale;
import org.jalousie.core.messages.Message;

/**
 * What answers an element of a law in one agreement.
 *
 * @param events numbers of the events that prove it; none where a property of the files does
 * @param because what proves it, or what is lacking
 */
public record LawAnswer(LawElement element, Standing standing, List<Integer> events, Message because) {
    /** How far it is answered. This says what is there, not what a court makes of it. */
    public enum Standing {
        MET,
        /** It is there, but weaker than it could be. */
        PARTLY,
        UNMET,
        /** The agreement has nothing that the law would ask it of. */
        NOT_ASKED;

        /** As catalogues of messages know it. */
        public String code() {
            return "law.standing." + name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
