package org.jalousie.server.postroom;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.core.template.TemplateContent;

/**
 * The words of mails about one agreement.
 *
 * @param sending of its template
 * @param language of the agreement; a participant may have another one
 */
record Letters(Agreement agreement, SendingSettings sending, String language, String office, ZoneId zone) {
    static Letters of(Agreement agreement, TemplateContent template, String office, ZoneId zone) {
        return new Letters(agreement, template.sending(), template.language(), office, zone);
    }

    /** @param to empty for the office itself */
    String subject(Mail.Kind kind, Optional<Participant> to) {
        boolean asks = kind == Mail.Kind.INVITATION || kind == Mail.Kind.REMINDER;
        String own = asks ? sending.subject().strip() : "";
        String title = (own.isEmpty() ? agreement.title() : own) + " ("
                + agreement.created().number() + ")";
        if (kind == Mail.Kind.INVITATION && !own.isEmpty()) return title;
        return words(to).say("mail.subject." + kind.name().toLowerCase(Locale.ROOT), "title", title);
    }

    /** @param link the participant's own link; empty in mails that ask for nothing */
    String text(Mail.Kind kind, Optional<Participant> to, String link) {
        Catalogue words = words(to);
        Message title = Message.of(
                "mail.title",
                "title",
                agreement.title(),
                "number",
                agreement.created().number());
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(to.map(one -> words.say("mail.hello", "name", one.name()))
                .orElseGet(() -> words.say("mail.hello-office")));
        switch (kind) {
            case INVITATION, REMINDER -> asking(kind, to.orElseThrow(), link, words, title, paragraphs);
            case COMPLETED -> paragraphs.add(words.say("mail.completed", "title", title));
            case DECLINED -> paragraphs.add(words.say("mail.declined", "title", title));
            case WITHDRAWN -> paragraphs.add(words.say("mail.withdrawn", "title", title, "office", office));
            case EXPIRED -> paragraphs.add(words.say("mail.expired", "title", title));
        }
        if (!agreement.endReason().isEmpty()) paragraphs.add(words.say("mail.reason", "reason", agreement.endReason()));
        paragraphs.add(office);
        return String.join("\n\n", paragraphs) + "\n";
    }

    private void asking(
            Mail.Kind kind, Participant to, String link, Catalogue words, Message title, List<String> paragraphs) {
        String asks = words.say("mail.asks." + to.duty().code(), "office", office, "title", title);
        paragraphs.add(kind == Mail.Kind.REMINDER ? words.say("mail.reminder") + " " + asks : asks);
        if (!sending.message().isBlank()) paragraphs.add(sending.message().strip());
        paragraphs.add(words.say("mail.link"));
        paragraphs.add(link);
        agreement
                .expiresAt()
                .map(end -> end.atZone(zone).toLocalDate())
                .ifPresent(until -> paragraphs.add(words.say("mail.until", "until", until)));
    }

    /** The office reads English. */
    private Catalogue words(Optional<Participant> to) {
        return to.map(one -> one.person().language())
                .map(own -> Catalogue.of(own.isEmpty() ? language : own))
                .orElse(Catalogue.ENGLISH);
    }
}
