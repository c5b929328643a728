package org.jalousie.server.webhooks;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.programs.CloudEvent;
import org.jalousie.core.programs.NoticeKind;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.intake.AfterRequests;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Writes notices down in the transaction of what they tell of. */
@Component
@Order(2)
class NoticeWriting implements AfterEvents, AfterRequests {
    private final Webhooks webhooks;
    private final Notices notices;
    private final ObjectProvider<Agreements> agreements;
    private final UsableTemplates templates;
    private final Settings settings;

    NoticeWriting(
            Webhooks webhooks,
            Notices notices,
            ObjectProvider<Agreements> agreements,
            UsableTemplates templates,
            Settings settings) {
        this.webhooks = webhooks;
        this.notices = notices;
        this.agreements = agreements;
        this.templates = templates;
        this.settings = settings;
    }

    @Override
    public void received(Received request) {
        Map<String, Object> data = new LinkedHashMap<>();
        data.put("number", request.number());
        data.put("template", request.template().toString());
        data.put("address", address("/api/v1/requests/" + request.number()));
        for (Webhook one : webhooks.findByEndedAtIsNullOrderById())
            if (one.terms().wants(NoticeKind.REQUEST_RECEIVED, request.template()))
                write(one, NoticeKind.REQUEST_RECEIVED, request.number(), request.at(), data);
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        List<Webhook> all = webhooks.findByEndedAtIsNullOrderById();
        if (all.isEmpty()) return;
        UUID template = null;
        for (Entry entry : happened) {
            Optional<NoticeKind> kind = NoticeKind.of(entry.event());
            if (kind.isEmpty()) continue;
            // who wants none of it doesn't cost a look at the template
            if (all.stream().noneMatch(one -> one.terms().kinds().contains(kind.get()))) continue;
            if (template == null) template = template(id);
            for (Webhook one : all)
                if (one.terms().wants(kind.get(), template))
                    write(
                            one,
                            kind.get(),
                            agreement.created().number().value(),
                            entry.at(),
                            data(agreement, template, entry));
        }
    }

    private UUID template(UUID agreement) {
        return templates
                .version(agreements.getObject().templateVersion(agreement))
                .templateId();
    }

    void write(Webhook webhook, NoticeKind kind, String subject, Instant at, Map<String, Object> data) {
        notices.write(webhook.id(), new CloudEvent(UUID.randomUUID(), settings.address(), kind, subject, at, data));
    }

    private Map<String, Object> data(Agreement agreement, UUID template, Entry entry) {
        String number = agreement.created().number().value();
        String at = "/api/v1/agreements/" + number;
        Map<String, Object> data = new LinkedHashMap<>();
        data.put("number", number);
        data.put("request", agreement.created().request());
        data.put("template", template.toString());
        data.put("state", agreement.state().name());
        // events of one agreement are told apart and put in order by it
        data.put("sequence", entry.sequence());
        party(entry.event()).ifPresent(party -> data.put("party", party.value()));
        data.put("address", address(at));
        if (entry.event() instanceof Event.Completed) {
            List<Map<String, Object>> documents = new ArrayList<>();
            agreement
                    .documents()
                    .forEach(one -> documents.add(Map.of(
                            "title",
                            one.title(),
                            "sha256",
                            one.pdf().hex(),
                            "address",
                            address(at + "/documents/" + one.id().value() + ".pdf"))));
            data.put("documents", documents);
            data.put("record", address(at + "/record.pdf"));
        }
        return data;
    }

    private static Optional<PartyKey> party(Event event) {
        if (event instanceof Event.Invited one) return Optional.of(one.party());
        if (event instanceof Event.Viewed one) return Optional.of(one.party());
        if (event instanceof Event.FieldsCompleted one) return Optional.of(one.party());
        if (event instanceof Event.Approved one) return Optional.of(one.party());
        if (event instanceof Event.Signed one) return Optional.of(one.party());
        if (event instanceof Event.Declined one) return Optional.of(one.party());
        return Optional.empty();
    }

    private String address(String path) {
        return settings.address() + path;
    }
}
