package org.jalousie.core.reports;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.parties.Participant;

/**
 * Why an agreement came to nothing.
 *
 * @param part the label of the part that declined, or of those that were waited for; empty where it had not been sent
 * @param by who declined or withdrew it; empty for one that expired
 * @param reason in their words; may be empty
 */
public record InVain(String part, String by, String reason) {

    /** @return nothing for an agreement that goes on or is completed */
    public static Optional<InVain> of(List<Entry> history) {
        Agreement agreement = Agreement.of(history);
        for (int i = history.size() - 1; i >= 0; i--) {
            Entry entry = history.get(i);
            if (entry.event() instanceof Event.Declined declined) {
                String label = agreement
                        .participant(declined.party())
                        .map(Participant::label)
                        .orElse(declined.party().value());
                String name =
                        agreement.nameAt(declined.party(), entry.sequence()).orElse("");
                return Optional.of(new InVain(label, name, declined.reason()));
            }
            if (entry.event() instanceof Event.Withdrawn withdrawn)
                return Optional.of(new InVain(waitedFor(agreement), office(entry.actor()), withdrawn.reason()));
            if (entry.event() instanceof Event.Expired) return Optional.of(new InVain(waitedFor(agreement), "", ""));
        }
        return Optional.empty();
    }

    private static String office(Actor actor) {
        return actor instanceof Actor.Office office ? office.name() : "";
    }

    private static String waitedFor(Agreement agreement) {
        return agreement.participants().stream()
                .filter(one -> {
                    Standing standing = agreement.standings().get(one.party());
                    return standing == Standing.TURN || standing == Standing.BROKEN;
                })
                .map(Participant::label)
                .distinct()
                .collect(Collectors.joining(", "));
    }
}
