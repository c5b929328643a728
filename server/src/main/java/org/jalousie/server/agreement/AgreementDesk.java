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
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.proof.LayoutRisk;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;

/** Hands what other rooms ask on to those who do it here. */
@Service
class AgreementDesk implements Agreements {
    private final AgreementService service;
    private final AgreementLog log;
    private final AgreementLists lists;
    private final FinishedLayout layout;

    AgreementDesk(AgreementService service, AgreementLog log, AgreementLists lists, FinishedLayout layout) {
        this.service = service;
        this.log = log;
        this.lists = lists;
        this.layout = layout;
    }

    @Override
    public AgreementNumber create(
            UUID templateVersion,
            String request,
            int attempt,
            Answers answers,
            Optional<Finished> finished,
            Optional<AgreementNumber> replaces,
            Actor by) {
        return service.create(templateVersion, request, attempt, answers, finished, replaces, by);
    }

    @Override
    public void correct(AgreementNumber number, Answers before, Answers now, Actor by) {
        service.correct(number, before, now, by);
    }

    @Override
    public Map<AgreementNumber, State> states(Collection<AgreementNumber> numbers) {
        return service.states(numbers);
    }

    @Override
    public State state(AgreementNumber number) {
        return service.state(number);
    }

    @Override
    public Agreement read(UUID id) {
        return log.read(id);
    }

    @Override
    public List<Entry> history(UUID id) {
        return log.history(id);
    }

    @Override
    public Filed filed(AgreementNumber number) {
        return service.filed(number);
    }

    @Override
    public List<Entry> historyForChange(UUID id) {
        return log.historyForChange(id);
    }

    @Override
    public Outcome carryOut(UUID id, Actor actor, Command command) {
        return log.carryOut(id, actor, command);
    }

    @Override
    public Optional<AgreementNumber> known(AgreementNumber number) {
        return service.known(number) ? Optional.of(number) : Optional.empty();
    }

    @Override
    public UUID idOf(AgreementNumber number) {
        return service.idOf(number);
    }

    @Override
    public UUID templateVersion(UUID id) {
        return service.templateVersion(id);
    }

    @Override
    public UUID templateVersion(AgreementNumber number) {
        return service.templateVersion(number);
    }

    @Override
    public UUID template(AgreementNumber number) {
        return service.template(number);
    }

    @Override
    public void lookedThrough(Document document, List<LayoutRisk> risks) {
        layout.lookedThrough(document, risks);
    }

    @Override
    public void foundBy(UUID id, String text) {
        lists.foundBy(id, text);
    }

    @Override
    public KeyedPage<AgreementViews.AgreementItem> list(Collection<State> states, String find, ListPlace place) {
        return lists.list(AgreementsAsked.of(states, find), place, List.of());
    }

    @Override
    public Page<AgreementViews.AgreementItem> newest(Collection<State> states, int most) {
        return lists.newest(states, most);
    }

    @Override
    public Page<AgreementViews.AgreementItem> needing(Attention attention, int most) {
        return lists.needing(attention, most);
    }

    @Override
    public Page<Waits> waitingFor(String mail, int page) {
        return lists.waitingFor(mail, page);
    }

    @Override
    public Map<UUID, AgreementNumber> numbersOf(Collection<UUID> ids) {
        return lists.numbersOf(ids);
    }

    @Override
    public Optional<AgreementNumber> numberWith(Collection<Sha256> hashes) {
        return lists.numberWith(hashes);
    }
}
