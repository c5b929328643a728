package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/** What has changed on a route since it was sent, as far as it is kept beside who stands where. */
final class RouteChanges {
    private final Map<PartyKey, Agreement.Undelivered> undelivered = new LinkedHashMap<>();
    private final Map<PartyKey, List<Agreement.Formerly>> formerly = new LinkedHashMap<>();
    private final Map<PartyKey, Integer> linksFrom = new LinkedHashMap<>();
    private final List<Agreement.Question> questions = new ArrayList<>();
    private Optional<Event.ChasingChanged> chasing = Optional.empty();

    void add(Entry entry) {
        if (entry.event() instanceof Event.ChasingChanged changed) {
            chasing = Optional.of(changed);
        } else if (entry.event() instanceof Event.MailReturned returned) {
            undelivered.put(
                    returned.party(),
                    new Agreement.Undelivered(returned.mail(), returned.status(), returned.said(), entry.at()));
        } else if (entry.event() instanceof Event.LinkRenewed renewed) {
            newLinks(renewed.party(), entry);
        } else if (entry.event() instanceof Event.PersonChanged changed) {
            newLinks(changed.party(), entry);
        } else if (entry.event() instanceof Event.PartSkipped skipped) {
            newLinks(skipped.party(), entry);
        }
    }

    private void newLinks(PartyKey party, Entry entry) {
        linksFrom.put(party, entry.sequence());
        undelivered.remove(party);
    }

    /** Whoever has opened it got the mail. */
    void reached(PartyKey party) {
        undelivered.remove(party);
    }

    void formerly(Participant before, int until, Event.PersonChanged.Change how) {
        formerly.computeIfAbsent(before.party(), party -> new ArrayList<>())
                .add(new Agreement.Formerly(before.person(), until, how));
    }

    void asked(Entry entry, Event.QuestionAsked asked, List<Participant> participants) {
        String name = participants.stream()
                .filter(one -> one.party().equals(asked.party()))
                .map(Participant::name)
                .findFirst()
                .orElse("");
        questions.add(new Agreement.Question(
                entry.sequence(), asked.party(), name, asked.question(), entry.at(), Optional.empty()));
    }

    void answered(Event.QuestionAnswered answered) {
        questions.replaceAll(one -> one.number() != answered.question()
                ? one
                : new Agreement.Question(
                        one.number(),
                        one.party(),
                        one.name(),
                        one.question(),
                        one.at(),
                        Optional.of(answered.answer())));
    }

    List<Agreement.Question> questions() {
        return List.copyOf(questions);
    }

    /** @param waitedFor whether a party is asked now */
    Map<PartyKey, Agreement.Undelivered> undelivered(Predicate<PartyKey> waitedFor) {
        Map<PartyKey, Agreement.Undelivered> now = new LinkedHashMap<>(undelivered);
        now.keySet().removeIf(waitedFor.negate());
        return Map.copyOf(now);
    }

    Map<PartyKey, List<Agreement.Formerly>> formerly() {
        Map<PartyKey, List<Agreement.Formerly>> all = new LinkedHashMap<>();
        formerly.forEach((party, persons) -> all.put(party, List.copyOf(persons)));
        return Map.copyOf(all);
    }

    Map<PartyKey, Integer> linksFrom() {
        return Map.copyOf(linksFrom);
    }

    Optional<Event.ChasingChanged> chasing() {
        return chasing;
    }
}
