package org.jalousie.core.agreement;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/** Why a part of a template's route is no part of an agreement's. */
public enum Absence {
    /** The rule with which it comes doesn't hold. */
    RULE,
    /** It is optional, and nobody has been named. */
    NOBODY,
    /** Its duty needs a place in the documents, and there is none: the passage that has it is left out. */
    NO_PLACE,
    /** It is optional, and the office went on without it. */
    SKIPPED;

    /** As catalogues of messages know it. */
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Those who are left out before the documents are made: they get no place there. */
    public static Map<PartyKey, Absence> before(List<Participant> participants) {
        Map<PartyKey, Absence> absent = new LinkedHashMap<>();
        for (Participant one : participants) {
            if (!one.leftOutBy().isEmpty()) absent.put(one.party(), RULE);
            else if (one.optional() && one.vacant()) absent.put(one.party(), NOBODY);
        }
        return absent;
    }

    /** Those who are left out of documents that are made. A signature and details need a place there, an approval needs none. */
    static Map<PartyKey, Absence> of(List<Participant> participants, List<Document> documents) {
        Map<PartyKey, Absence> absent = before(participants);
        if (documents.isEmpty()) return absent;
        for (Participant one : participants) {
            boolean needsPlace = one.duty() == Duty.SIGNS || one.duty() == Duty.COMPLETES;
            boolean placed = documents.stream()
                    .anyMatch(
                            document -> !document.pages().fieldsOf(one.party()).isEmpty());
            if (needsPlace && !placed) absent.putIfAbsent(one.party(), NO_PLACE);
        }
        return absent;
    }
}
