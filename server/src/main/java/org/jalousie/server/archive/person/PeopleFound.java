package org.jalousie.server.archive.person;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.filing.people.PersonIn;
import org.jalousie.core.filing.people.Who;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Person;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.agreement.NamedAgreements;
import org.jalousie.server.intake.PersonsRequests;
import org.jalousie.server.people.PersonsAccounts;
import org.jalousie.server.postroom.SentMails;
import org.jalousie.server.registers.PersonsRows;
import org.springframework.stereotype.Service;

/** Finds what is kept of a person in all rooms. What may be about them is looked for by words, and then read. */
@Service
class PeopleFound {
    /** How many of each kind are looked through; somebody with more is given out in parts, by a narrower name. */
    private static final int MOST = 1000;

    private final NamedAgreements named;
    private final Agreements agreements;
    private final PersonsRequests requests;
    private final PersonsRows rows;
    private final SentMails mails;
    private final PersonsAccounts accounts;

    PeopleFound(
            NamedAgreements named,
            Agreements agreements,
            PersonsRequests requests,
            PersonsRows rows,
            SentMails mails,
            PersonsAccounts accounts) {
        this.named = named;
        this.agreements = agreements;
        this.requests = requests;
        this.rows = rows;
        this.mails = mails;
        this.accounts = accounts;
    }

    /** An agreement with what is theirs in it. */
    record Own(UUID id, Agreement agreement, PersonIn person) {}

    /**
     * All that was found.
     *
     * @param called everybody who has or had a part by this name or address
     * @param more whether there are more than were looked through
     */
    record Found(
            Who who,
            List<Own> agreements,
            List<PersonsRequests.PersonsRequest> requests,
            List<PersonsRows.PersonsRow> rows,
            long mails,
            List<PersonsAccounts.PersonsAccount> accounts,
            List<Person> called,
            boolean more) {
        /** Whether they are of the office. */
        boolean colleague() {
            return !accounts.isEmpty();
        }

        /** Whether it may be the name of several people, who must not be given one another's data. */
        boolean isDoubtful() {
            return called.stream()
                            .filter(one -> who.is(one.name()))
                            .map(one -> new Who(one.mail()))
                            .distinct()
                            .count()
                    > 1;
        }
    }

    /** @throws Refusal for what is too short to be somebody */
    Found of(String text) {
        Who who = new Who(text);
        if (!who.isSomebody())
            throw Refusal.invalid(Message.of("person.too-short", "fewest", Who.SHORTEST, "most", Who.LONGEST));
        Set<UUID> ids = new TreeSet<>(named.with(who.text(), MOST + 1));
        // who had a part before somebody else is not found by words any more
        ids.addAll(mails.agreementsTo(who.text(), MOST + 1));
        List<Own> own = new ArrayList<>();
        for (UUID id : ids.stream().limit(MOST).toList()) own(id, who).ifPresent(own::add);
        own.sort((one, other) -> other.agreement()
                .created()
                .number()
                .value()
                .compareTo(one.agreement().created().number().value()));
        List<PersonsRequests.PersonsRequest> waiting = requests.of(who, MOST);
        List<PersonsRows.PersonsRow> standing = rows.of(who, MOST);
        List<PersonsAccounts.PersonsAccount> kept = accounts.of(who);
        return new Found(
                who,
                own,
                waiting,
                standing,
                mailsTo(who, own),
                kept,
                Stream.concat(
                                own.stream()
                                        .flatMap(one -> one.person().parts().stream())
                                        .map(PersonIn.Part::person),
                                kept.stream().map(one -> new Person(one.name(), one.mail())))
                        .map(one -> new Person(one.name(), one.mail()))
                        .distinct()
                        .toList(),
                ids.size() > MOST || waiting.size() == MOST || standing.size() == MOST);
    }

    /** Also to the addresses that they have or had as who was asked for by name. */
    private long mailsTo(Who who, List<Own> own) {
        Set<String> addresses = new TreeSet<>(Set.of(who.text()));
        for (Own one : own)
            one.person()
                    .parts()
                    .forEach(part -> addresses.add(new Who(part.person().mail()).text()));
        return addresses.stream().mapToLong(mails::countTo).sum();
    }

    private Optional<Own> own(UUID id, Who who) {
        List<Entry> history = agreements.history(id);
        // it may have been destroyed just now
        if (history.isEmpty()) return Optional.empty();
        return PersonIn.of(history, who).map(person -> new Own(id, Agreement.of(history), person));
    }
}
