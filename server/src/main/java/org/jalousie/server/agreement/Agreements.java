package org.jalousie.server.agreement;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Attention;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.proof.LayoutRisk;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;

/** Agreements as other rooms speak to them. What follows from their events outside is told to {@link AfterEvents}. */
public interface Agreements {
    /** What a request says: its answers, and the people chosen with it. */
    record Answers(Map<FieldName, String> data, Map<PartyKey, Person> people) {}

    /**
     * A finished file that stands in for one of the template's documents.
     *
     * @param file its pages, {@code brought} as it came
     * @param places of the signing fields in it
     * @param without parties that have no part in it, so that nobody is named for them
     */
    record Finished(
            DocumentId document,
            String title,
            Sha256 file,
            Sha256 brought,
            List<GivenPlace> places,
            List<PartyKey> without) {}

    /** An agreement with all that is known of it, for checking its files. */
    record Filed(Agreement agreement, List<Entry> history, List<EventChain.Link> links) {}

    /**
     * What a command came to.
     *
     * @param history all of it now
     * @param events none when there was nothing left to do, or when it came too late
     */
    record Outcome(Agreement agreement, List<Entry> history, List<Event> events) {}

    /**
     * Makes an agreement from a request, in the request's own transaction. Returns its number.
     *
     * @param attempt which agreement of the request it is, from 1
     * @param finished a file that was made elsewhere; empty where all is made here
     * @param replaces the agreement that came to nothing and whose place it takes; words that were others there are so here
     */
    AgreementNumber create(
            UUID templateVersion,
            String request,
            int attempt,
            Answers answers,
            Optional<Finished> finished,
            Optional<AgreementNumber> replaces,
            Actor by);

    /** Gives an agreement corrected data; its documents are made again. People who were named since stay unless corrected. */
    void correct(AgreementNumber number, Answers before, Answers now, Actor by);

    State state(AgreementNumber number);

    /** Of several at once; what there is none of is left out. */
    Map<AgreementNumber, State> states(Collection<AgreementNumber> numbers);

    Agreement read(UUID id);

    List<Entry> history(UUID id);

    Filed filed(AgreementNumber number);

    /** The history as it stays until the end of the transaction, for a change that depends on it. */
    List<Entry> historyForChange(UUID id);

    /**
     * Carries out a command, one at a time for each agreement.
     *
     * @throws Refusal with the rules' reason when it can't be done now
     */
    Outcome carryOut(UUID id, Actor actor, Command command);

    /** The same number; empty when there is no agreement of it. */
    Optional<AgreementNumber> known(AgreementNumber number);

    /** @throws Refusal when there is none of this number */
    UUID idOf(AgreementNumber number);

    /** The version of the template that it was made from. */
    UUID templateVersion(UUID id);

    UUID templateVersion(AgreementNumber number);

    /** The template that it was made from. @throws Refusal when there is none of this number */
    UUID template(AgreementNumber number);

    /** Keeps what was seen of a new document while its pages were open, so that nothing that locks the agreement has to look. */
    void lookedThrough(Document document, List<LayoutRisk> risks);

    /** @param text of its documents' pages, by whose words it is found from now on */
    void foundBy(UUID id, String text);

    /**
     * Those in some states.
     *
     * @param find beginnings of words, all of which each has; empty for all
     * @param place sorted by changed, number, title, template or since, turned round by a minus before it; by nothing for the newest first
     */
    KeyedPage<AgreementViews.AgreementItem> list(Collection<State> states, String find, ListPlace place);

    /** The newest of those in some states that don't wait for the office. @param most at most how many */
    Page<AgreementViews.AgreementItem> newest(Collection<State> states, int most);

    /** The newest of those that wait for the office, for this reason. @param most at most how many */
    Page<AgreementViews.AgreementItem> needing(Attention attention, int most);

    /** Something that waits for somebody. @param party the key of the part, the one that leads what is done in one act */
    record Waits(PartyKey party, AgreementViews.AgreementItem row) {}

    /** What waits for a mail address, longest first. @param page from 0 */
    Page<Waits> waitingFor(String mail, int page);

    /** The numbers by which people know agreements. */
    Map<UUID, AgreementNumber> numbersOf(Collection<UUID> ids);

    /** Whose a file is that has been in these states. @param hashes SHA-256 of each */
    Optional<AgreementNumber> numberWith(Collection<Sha256> hashes);
}
