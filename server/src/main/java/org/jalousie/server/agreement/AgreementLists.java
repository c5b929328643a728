package org.jalousie.server.agreement;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.SearchWords;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Agreements as lists show them, and as they are found. */
@Service
class AgreementLists {
    private static final ListOrder ORDER = new ListOrder(
            Map.of(
                    "changed", "changedAt",
                    "number", "number",
                    "title", "title",
                    "template", "templateName",
                    "since", "since"),
            "-changed");

    private final AgreementRows rows;
    private final StateRows states;
    private final WaitedFor waitedFor;

    AgreementLists(AgreementRows rows, StateRows states, WaitedFor waitedFor) {
        this.waitedFor = waitedFor;
        this.rows = rows;
        this.states = states;
    }

    /** Those in some states, newest first. @param find beginnings of words, all of which each has; empty for all */
    @Transactional(readOnly = true)
    public Page<AgreementViews.AgreementItem> list(Collection<State> states, String find, String sort, int page) {
        List<String> names = states.stream().map(State::name).toList();
        String words =
                SearchWords.of(find).stream().map(word -> "'" + word + "':*").collect(Collectors.joining(" & "));
        return list(names, words, ORDER.page(page, sort));
    }

    /** The newest of those in some states in which nobody waits for the office to let them go on or to mend an address. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<AgreementViews.AgreementItem> newest(Collection<State> states, int most) {
        PageRequest request = PageRequest.of(0, most, ORDER.page(0, "").getSort());
        List<String> names = states.stream().map(State::name).toList();
        return page(rows.findByStateInAndKeptOutFalseAndUndeliveredFalse(names, request), request);
    }

    /** The newest of those in which somebody waits for the office to let them go on. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<AgreementViews.AgreementItem> keptOut(int most) {
        PageRequest request = PageRequest.of(0, most, ORDER.page(0, "").getSort());
        return page(rows.findByKeptOutTrue(request), request);
    }

    /** The newest of those in which a mail came back. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<AgreementViews.AgreementItem> undelivered(int most) {
        PageRequest request = PageRequest.of(0, most, ORDER.page(0, "").getSort());
        return page(rows.findByUndeliveredTrue(request), request);
    }

    /** The newest of those in which somebody waits for an answer. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<AgreementViews.AgreementItem> asked(int most) {
        PageRequest request = PageRequest.of(0, most, ORDER.page(0, "").getSort());
        return page(rows.findByAskedTrue(request), request);
    }

    /** What waits for a mail address, longest first. @param most at most how many */
    @Transactional(readOnly = true)
    public Agreements.AllThatWaits waitingFor(String mail, int most) {
        List<WaitedFor.Waits> all = waitedFor.of(mail, most);
        Map<UUID, AgreementViews.AgreementItem> found =
                rows
                        .findAllById(all.stream()
                                .map(WaitedFor.Waits::agreement)
                                .distinct()
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(AgreementRow::id, AgreementViews::row));
        return new Agreements.AllThatWaits(
                all.stream()
                        .map(one -> new Agreements.Waits(new PartyKey(one.party()), found.get(one.agreement())))
                        .toList(),
                waitedFor.count(mail));
    }

    private Page<AgreementViews.AgreementItem> list(List<String> names, String words, PageRequest request) {
        return page(words.isEmpty() ? rows.findByStateIn(names, request) : rows.search(names, words, request), request);
    }

    private static Page<AgreementViews.AgreementItem> page(
            org.springframework.data.domain.Page<AgreementRow> found, PageRequest request) {
        return new Page<>(
                found.map(AgreementViews::row).getContent(),
                found.getTotalElements(),
                request.getPageNumber(),
                request.getPageSize());
    }

    /** The numbers by which people know agreements. */
    @Transactional(readOnly = true)
    public Map<UUID, AgreementNumber> numbersOf(Collection<UUID> ids) {
        return rows.numbered(ids).stream()
                .collect(Collectors.toMap(AgreementRows.Numbered::getId, one -> new AgreementNumber(one.getNumber())));
    }

    /** Whose a file is that has been in these states. @param hashes SHA-256 of each */
    @Transactional(readOnly = true)
    public Optional<AgreementNumber> numberWith(Collection<Sha256> hashes) {
        return states.agreementsWith(hashes.stream().map(Sha256::hex).toList()).stream()
                .findFirst()
                .map(id -> numbersOf(List.of(id)).get(id));
    }

    /** @param text of an agreement's documents, by whose words it is found from now on */
    @Transactional
    public void foundBy(UUID id, String text) {
        rows.foundByWords(id, Findable.words(text));
    }
}
