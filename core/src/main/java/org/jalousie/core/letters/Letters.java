package org.jalousie.core.letters;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Together;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.template.Letter;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.core.template.Telling;

/**
 * The words of mails about one agreement.
 *
 * @param sending of its template
 * @param values of the agreement's data and of what follows from them, for the fields in the words of one's own
 * @param language of the agreement; a participant may have another one
 * @param office what it is called
 * @param zone in which days begin and end
 * @param ownWords what the office says instead of the usual words
 */
public record Letters(
        Agreement agreement,
        SendingSettings sending,
        Map<String, Value> values,
        String language,
        String office,
        ZoneId zone,
        OwnWords ownWords) {

    /** @param to empty for the office itself */
    public String subject(Occasion occasion, Optional<Participant> to) {
        String own = occasion.asks() ? line(filled(sending.subject(), to)) : "";
        String title = (own.isEmpty() ? agreement.title() : own) + " ("
                + agreement.created().number() + ")";
        if (occasion == Occasion.INVITATION && !own.isEmpty()) return title;
        Optional<String> office = to.flatMap(one ->
                ownWords.subject(occasion, words(to).language(), fields(one)).map(Letters::line));
        return office.filter(words -> own.isEmpty())
                .map(words -> words + " (" + agreement.created().number() + ")")
                .orElseGet(() -> words(to).say("mail.subject." + occasion.code(), "title", title));
    }

    /**
     * @param link the participant's own link, or for the office the way to the agreement; empty in mails that have none
     * @param linkEnds until when a link to the signed copy holds; empty where the copy is attached
     * @param happened what the office is told of, in a sentence; empty where the occasion says it
     */
    public LetterText text(
            Occasion occasion,
            Optional<Participant> to,
            String link,
            Optional<Instant> linkEnds,
            Optional<Message> happened) {
        Catalogue words = words(to);
        Message title = title();
        LetterText.Draft draft = new LetterText.Draft();
        draft.say(to.map(one -> words.say("mail.hello", "name", one.name()))
                .orElseGet(() -> words.say("mail.hello-office")));
        switch (occasion) {
            case INVITATION, REMINDER, WARNING, NEW_LINK, NEW_END ->
                asking(occasion, to.orElseThrow(), link, words, title, draft);
            case ANSWER -> {
                draft.say(words.say("mail.answer", "office", office, "title", title));
                happened.ifPresent(answer -> draft.say(words.say(answer)));
                draft.way(link, words.say("mail.open"));
            }
            case COMPLETED -> copy(own(occasion, to), link, linkEnds, words, title, draft);
            case DECLINED, WITHDRAWN, EXPIRED, SKIPPED ->
                draft.say(own(occasion, to)
                        .orElseGet(() -> words.say("mail." + occasion.code(), "title", title, "office", office)));
            case LOCKED -> draft.say(words.say("mail.locked", "title", title, "name", locked()));
            case HANDED_OVER, RETURNED, CONSENT_WITHDRAWN, QUESTION -> {
                happened.ifPresent(
                        sentence -> draft.say(words.say("mail.happened", "title", title, "sentence", sentence)));
                draft.say(words.say("mail." + occasion.code()));
            }
            case CODE, TOLD -> throw new IllegalArgumentException("it has a text of its own");
        }
        if (!agreement.endReason().isEmpty()) draft.say(words.say("mail.reason", "reason", agreement.endReason()));
        if (to.isEmpty()) draft.way(link, words.say("mail.open-agreement"));
        to.ifPresent(one -> draft.aside(words.say("mail.why", "office", office, "party", one.label())));
        return draft.signed(office, words.language());
    }

    /** What the office says instead of the usual words. */
    private Optional<String> own(Occasion occasion, Optional<Participant> to) {
        return to.flatMap(one -> ownWords.text(occasion, words(to).language(), fields(one)));
    }

    private Map<String, String> fields(Participant to) {
        Locale locale = Locale.forLanguageTag(words(Optional.of(to)).language());
        String until = agreement
                .expiresAt()
                .map(this::lastDay)
                .map(day -> day.format(DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
                        .withLocale(locale.getLanguage().equals("en") ? Locale.UK : locale)))
                .orElse("");
        return Map.of(
                "person", to.name(),
                "part", to.label(),
                "agreement", agreement.title(),
                "number", agreement.created().number().value(),
                "office", office,
                "until", until,
                "reason", agreement.endReason());
    }

    /** The agreement, as mails call it. */
    private Message title() {
        return Message.of(
                "mail.title",
                "title",
                agreement.title(),
                "number",
                agreement.created().number());
    }

    private String locked() {
        return agreement.locked().stream().map(Participant::name).collect(Collectors.joining(", "));
    }

    /** The subject of a mail to whom the office tells besides. */
    public String subject(Telling.Moment moment) {
        return Catalogue.ENGLISH.say(
                "told.subject." + moment.name().toLowerCase(Locale.ROOT),
                "title",
                line(agreement.title()) + " (" + agreement.created().number() + ")");
    }

    /**
     * The mail to whom the office tells besides how far an agreement has come.
     *
     * @param happened in a sentence
     * @param link the way to the agreement, for who may see it
     */
    public LetterText told(Telling telling, Message happened, String link) {
        LetterText.Draft draft = new LetterText.Draft();
        Catalogue words = words(Optional.empty());
        draft.say(words.say("mail.hello-office"));
        draft.say(words.say("mail.happened", "title", title(), "sentence", happened));
        if (!agreement.endReason().isEmpty()) draft.say(words.say("mail.reason", "reason", agreement.endReason()));
        draft.say(filled(telling.message(), Optional.empty()).strip());
        draft.way(link, words.say("mail.open-agreement"));
        draft.aside(words.say("told.why", "office", office));
        return draft.signed(office, words.language());
    }

    /** The mail with a one-time code. */
    public LetterText code(Participant to, String code) {
        Catalogue words = words(Optional.of(to));
        return new LetterText.Draft()
                .say(words.say("mail.hello", "name", to.name()))
                .say(words.say("mail.code", "code", code, "title", title()))
                .say(words.say("mail.code-warning", "office", office))
                .signed(office, words.language());
    }

    /** The text message with a one-time code: short, since a message has few letters and may be seen on a locked telephone. */
    public String codeInShort(Participant to, String code) {
        return words(Optional.of(to))
                .say("text.code", "code", code, "number", agreement.created().number(), "office", office);
    }

    private void asking(
            Occasion occasion, Participant to, String link, Catalogue words, Message title, LetterText.Draft draft) {
        String asks = asks(to, words, title);
        draft.say(own(occasion, Optional.of(to)).orElseGet(() -> switch (occasion) {
            case REMINDER -> words.say("mail.reminder") + " " + asks;
            case WARNING -> words.say("mail.warning") + " " + asks;
            case NEW_LINK -> words.say("mail.new-link") + " " + asks;
            case NEW_END -> words.say("mail.new-end") + " " + asks;
            default ->
                handedOverBy(to)
                        .map(name -> words.say("mail.handed-to-you", "name", name) + " " + asks)
                        .orElse(asks);
        }));
        draft.say(filled(sending.message(), Optional.of(to)).strip());
        draft.say(words.say("mail.link"));
        draft.way(link, words.say("mail.open"));
        agreement.expiresAt().map(this::lastDay).ifPresent(until -> draft.say(words.say("mail.until", "until", until)));
    }

    /** Who gave their part to this person; empty when the office named them. */
    private Optional<String> handedOverBy(Participant to) {
        return agreement.formerly().getOrDefault(to.party(), List.of()).stream()
                .reduce((earlier, later) -> later)
                .filter(one -> one.how() == Event.PersonChanged.Change.HANDED_OVER)
                .map(one -> one.person().name());
    }

    /** What the person is asked for; several parts that are done in one act are asked for in one sentence. */
    private String asks(Participant to, Catalogue words, Message title) {
        Together together = agreement.together(to.party());
        if (together.parts().size() > 1) {
            String parties = together.parts().stream().map(Participant::label).collect(Collectors.joining(", "));
            return words.say("mail.asks.several", "office", office, "title", title, "parties", parties);
        }
        return words.say("mail.asks." + to.duty().code(), "office", office, "title", title);
    }

    private void copy(
            Optional<String> own,
            String link,
            Optional<Instant> linkEnds,
            Catalogue words,
            Message title,
            LetterText.Draft draft) {
        if (linkEnds.isEmpty()) {
            draft.say(own.orElseGet(() -> words.say("mail.completed", "title", title)));
            return;
        }
        own.ifPresent(draft::say);
        draft.say(words.say("mail.copy-link", "title", title, "until", lastDay(linkEnds.get())));
        draft.way(link, words.say("mail.fetch"));
    }

    /** The last day before a moment. What ended at some time of a day could be done on that day. */
    private LocalDate lastDay(Instant end) {
        return end.minusNanos(1).atZone(zone).toLocalDate();
    }

    private String filled(String own, Optional<Participant> to) {
        return new Letter(own).filled(values, Printer.in(Locale.forLanguageTag(languageOf(to))));
    }

    /** A subject is one line, whatever stands in the data. */
    private static String line(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }

    private String languageOf(Optional<Participant> to) {
        return to.map(one -> one.person().language())
                .filter(own -> !own.isEmpty())
                .orElse(language);
    }

    /** The office reads English. */
    private Catalogue words(Optional<Participant> to) {
        return to.isEmpty() ? Catalogue.ENGLISH : Catalogue.of(languageOf(to));
    }
}
