package org.jalousie.server.postroom;

import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.template.Telling;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Colleagues;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Queues the mails to whom a template tells besides how far its agreements have come. */
@Component
@Order(2)
class Tellings implements AfterEvents {
    private final Postroom postroom;
    private final ObjectProvider<Agreements> agreements;
    private final UsableTemplates templates;
    private final LetterDesk wording;
    private final Colleagues colleagues;
    private final Settings settings;

    Tellings(
            Postroom postroom,
            ObjectProvider<Agreements> agreements,
            UsableTemplates templates,
            LetterDesk wording,
            Colleagues colleagues,
            Settings settings) {
        this.postroom = postroom;
        this.agreements = agreements;
        this.templates = templates;
        this.wording = wording;
        this.colleagues = colleagues;
        this.settings = settings;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        // of what nobody was told is told no end either
        boolean wasOut = history.stream()
                .anyMatch(one -> one.event() instanceof Event.Sent || one.event() instanceof Event.TakenToPaper);
        if (!wasOut) return;
        // details and a signature in one act are one moment
        Map<Telling.Moment, Entry> moments = new EnumMap<>(Telling.Moment.class);
        happened.forEach(entry -> Telling.Moment.of(entry.event()).ifPresent(moment -> moments.put(moment, entry)));
        moments.forEach((moment, entry) -> tell(id, agreement, history, moment, entry));
    }

    private void tell(UUID id, Agreement agreement, List<Entry> history, Telling.Moment moment, Entry entry) {
        UUID version = agreements.getObject().templateVersion(id);
        List<Telling> all = templates.content(version).sending().tellings();
        if (all.stream().noneMatch(one -> one.moments().contains(moment))) return;
        String subject = wording.of(agreement, history.get(0).at(), version).subject(moment);
        for (int i = 0; i < all.size(); i++) {
            if (!all.get(i).moments().contains(moment)) continue;
            for (String recipient : recipients(all.get(i), agreement))
                postroom.queueTelling(id, i, recipient, subject, entry.sequence());
        }
    }

    /** Where a team has nobody any more, the office is told: what nobody gets is told to nobody. */
    private Set<String> recipients(Telling telling, Agreement agreement) {
        Set<String> all = new LinkedHashSet<>();
        for (UUID team : telling.teams()) {
            List<String> people = colleagues.team(team);
            if (people.isEmpty()) all.add(small(settings.office().mail()));
            people.forEach(one -> all.add(small(one)));
        }
        telling.mails().forEach(one -> all.add(small(one)));
        for (FieldName field : telling.fields())
            Optional.ofNullable(agreement.data().get(field))
                    .map(String::strip)
                    // an answer that may be left out may be, and then nobody is named
                    .filter(ValueReader::isMail)
                    .ifPresent(one -> all.add(small(one)));
        return all;
    }

    private static String small(String mail) {
        return mail.toLowerCase(Locale.ROOT);
    }
}
