package org.jalousie.server.agreement;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Attention;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.server.account.Sight;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Agreements as lists show them, and as they are found. */
@Service
class AgreementLists {
    private final AgreementRows rows;
    private final StateRows states;
    private final WaitedFor waitedFor;
    private final AgreementFinder finder;
    private final FoundBy foundBy;
    private final Archived archived;
    private final Sight sight;

    AgreementLists(
            AgreementRows rows,
            StateRows states,
            WaitedFor waitedFor,
            AgreementFinder finder,
            FoundBy foundBy,
            Archived archived,
            Sight sight) {
        this.sight = sight;
        this.finder = finder;
        this.foundBy = foundBy;
        this.archived = archived;
        this.waitedFor = waitedFor;
        this.rows = rows;
        this.states = states;
    }

    /**
     * A page of them, with what they have in some columns of the archive.
     *
     * @param columns none for nothing
     */
    @Transactional(readOnly = true)
    public KeyedPage<AgreementViews.AgreementItem> list(
            AgreementsAsked asked, ListPlace place, List<ColumnKey> columns) {
        KeyedPage<UUID> found = finder.find(asked, place);
        Map<UUID, Map<String, String>> data = archived.texts(found.items(), columns);
        Map<UUID, AgreementViews.AgreementItem> items = new HashMap<>();
        rows.findAllById(found.items())
                .forEach(row -> items.put(row.id(), AgreementViews.row(row, data.getOrDefault(row.id(), Map.of()))));
        return new KeyedPage<>(
                found.items().stream().map(items::get).toList(),
                found.total(),
                found.more(),
                found.page(),
                found.size(),
                found.next(),
                found.previous());
    }

    /** The newest of those in some states that don't wait for the office. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<AgreementViews.AgreementItem> newest(Collection<State> states, int most) {
        List<String> names = states.stream().map(State::name).toList();
        PageRequest request = newest(most);
        return page(
                sight.seesAll()
                        ? rows.findByStateInAndAttentionNull(names, request)
                        : rows.findByStateInAndAttentionNullAndTemplateIdNotIn(names, sight.hidden(), request),
                request);
    }

    /** The newest of those that wait for the office, for this reason. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<AgreementViews.AgreementItem> needing(Attention attention, int most) {
        PageRequest request = newest(most);
        return page(
                sight.seesAll()
                        ? rows.findByAttention(attention.name(), request)
                        : rows.findByAttentionAndTemplateIdNotIn(attention.name(), sight.hidden(), request),
                request);
    }

    private static PageRequest newest(int most) {
        return PageRequest.of(0, most, Sort.by(Sort.Direction.DESC, "changedAt", "id"));
    }

    /** What waits for a mail address, longest first. @param page from 0 */
    @Transactional(readOnly = true)
    public Page<Agreements.Waits> waitingFor(String mail, int page) {
        PageRequest request = Page.request(page);
        List<WaitedFor.Waits> all = waitedFor.of(mail, request);
        Map<UUID, AgreementViews.AgreementItem> found = new HashMap<>();
        rows.findAllById(all.stream().map(WaitedFor.Waits::agreement).toList())
                .forEach(row -> found.put(row.id(), AgreementViews.row(row)));
        return new Page<>(
                all.stream()
                        .map(one -> new Agreements.Waits(one.party(), found.get(one.agreement())))
                        .toList(),
                waitedFor.count(mail),
                page,
                Page.SIZE);
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
        foundBy.words(id, text);
    }
}
