package org.jalousie.core.filing.people;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;

/**
 * What an agreement keeps of one person, and of nobody else: what is to be found and given out when they ask for it (GDPR
 * Art. 15 and 20; of others only where it is theirs, Art. 15(4)).
 *
 * @param parts that they have or had in it
 * @param acts what they did, as it is kept
 * @param data those of the agreement's data in which they are named
 */
public record PersonIn(List<Part> parts, List<Entry> acts, Map<FieldName, String> data) {
    /**
     * A part that they have or had.
     *
     * @param now whether it is still theirs
     */
    public record Part(PartyKey party, String label, Person person, boolean now) {}

    /** Whether they have or had a part; others are only named. */
    public boolean takesPart() {
        return !parts.isEmpty();
    }

    /** @return empty when nothing of them is in it */
    public static Optional<PersonIn> of(List<Entry> history, Who who) {
        // most agreements have nothing of them, which is soon seen
        if (history.stream().noneMatch(entry -> who.isIn(spoken(entry)))) return Optional.empty();
        Set<Part> parts = new LinkedHashSet<>();
        List<Entry> acts = new ArrayList<>();
        Agreement last = Agreement.of(history);
        for (int i = 1; i <= history.size(); i++) {
            Agreement then = Agreement.of(history.subList(0, i));
            then.participants().stream()
                    .filter(one -> who.is(one.person()))
                    .forEach(one -> parts.add(new Part(one.party(), one.label(), one.person(), has(last, one))));
            Entry entry = history.get(i - 1);
            // who acts has had the part before
            Agreement before = i == 1 ? then : Agreement.of(history.subList(0, i - 1));
            if (isTheirs(entry.actor(), before, who)) acts.add(entry);
        }
        Set<Who> called = new HashSet<>(Set.of(who));
        for (Part part : parts)
            for (String name : List.of(part.person().name(), part.person().mail()))
                if (new Who(name).isSomebody()) called.add(new Who(name));
        Map<FieldName, String> data = new TreeMap<>();
        last.data().forEach((name, value) -> {
            if (called.stream().anyMatch(one -> one.isIn(value))) data.put(name, value);
        });
        return Optional.of(new PersonIn(List.copyOf(parts), acts, data));
    }

    /** An event as text in which names stand as they are said. */
    private static String spoken(Entry entry) {
        // JSON's marks end words; what it writes for a line's end or a quotation mark does, too
        return Json.canonical(entry).replace("\\n", " ").replace("\\t", " ").replace("\\\"", "\"");
    }

    private static boolean has(Agreement agreement, Participant part) {
        return agreement.participants().stream()
                .anyMatch(
                        one -> one.party().equals(part.party()) && one.person().equals(part.person()));
    }

    private static boolean isTheirs(Actor actor, Agreement before, Who who) {
        if (actor instanceof Actor.OnBehalf other) return isTheirs(other.by(), before, who);
        if (actor instanceof Actor.Coordinator of) return who.is(of.account()) || who.is(of.name());
        return actor instanceof Actor.Participant one
                && before.participants().stream()
                        .anyMatch(part -> part.party().equals(one.party()) && who.is(part.person()));
    }
}
