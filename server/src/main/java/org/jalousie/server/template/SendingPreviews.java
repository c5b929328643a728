package org.jalousie.server.template;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Chasing;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.RouteCalendar;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;
import org.jalousie.core.letters.LetterText;
import org.jalousie.core.letters.Letters;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Assignment;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.Person;
import org.jalousie.core.template.BuiltIn;
import org.jalousie.core.template.Letter;
import org.jalousie.core.template.Participation;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.office.OfficeWords;
import org.jalousie.server.web.RouteCalendarView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What agreements of a template would say and when, before there are any: with a specimen's data, or with the names of the fields. */
@Service
class SendingPreviews {
    /** Stands where a person's own link goes. */
    private static final String LINK = "/act/…";

    private static final String CODE = "123456";

    private final Drafts drafts;
    private final Preparations preparations;
    private final OfficeHours hours;
    private final OfficeWords words;
    private final Settings settings;
    private final Clock clock;

    SendingPreviews(
            Drafts drafts,
            Preparations preparations,
            OfficeHours hours,
            OfficeWords words,
            Settings settings,
            Clock clock) {
        this.words = words;
        this.drafts = drafts;
        this.preparations = preparations;
        this.hours = hours;
        this.settings = settings;
        this.clock = clock;
    }

    /** A mail as somebody would read it. @param language in which it is */
    record LetterPreview(String to, String subject, String text, String language) {}

    /** An agreement that there isn't: what its people, data and terms come to. */
    private record Imagined(TemplateContent content, Map<String, Value> values, Event.Created created) {}

    /**
     * @param party whom it is for
     * @param language to read it in; empty for the one that the party is spoken to
     * @param specimen whose data stand in it, by its position; empty for the fields' names
     */
    @Transactional(readOnly = true)
    LetterPreview letter(UUID template, Occasion occasion, String party, String language, Optional<Integer> specimen) {
        Imagined imagined = imagine(template, specimen);
        Instant now = clock.instant();
        Agreement agreement = Agreement.of(List.of(
                new Entry(1, now, Actor.PROGRAM, imagined.created()),
                new Entry(2, now, Actor.PROGRAM, new Event.Generated(List.of())),
                new Entry(3, now, Actor.PROGRAM, new Event.Sent(end(imagined, now)))));
        Participant to = agreement.participants().stream()
                .filter(one -> one.party().value().equals(party) && (one.duty().acts() || !occasion.asks()))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("party.none", "party", party)));
        if (!language.isEmpty())
            to = to.with(new Person(to.name(), to.mail(), to.person().phone(), language));
        Letters letters = new Letters(
                agreement,
                imagined.content().sending(),
                Letter.withAnswers(imagined.values(), imagined.content(), agreement.data()),
                imagined.content().language(),
                settings.office().name(),
                settings.office().zone(),
                words.all());
        // what goes to others than a party is read by none of them
        if (occasion == Occasion.TOLD) throw Refusal.malformed(Message.of("letter.not-a-partys"));
        String spoken = to.person().language();
        LetterText text = occasion == Occasion.CODE
                ? letters.code(to, CODE)
                : letters.text(
                        occasion, Optional.of(to), settings.address() + LINK, Optional.empty(), Optional.empty());
        return new LetterPreview(
                to.name(),
                letters.subject(occasion, Optional.of(to)),
                text.plain(),
                spoken.isEmpty() ? imagined.content().language() : spoken);
    }

    /**
     * @param start when it would be sent, on the office's clock; empty for now
     * @param pace how many days everybody takes; 0 for people who never answer
     */
    @Transactional(readOnly = true)
    RouteCalendarView calendar(UUID template, Optional<LocalDateTime> start, int pace, Optional<Integer> specimen) {
        Imagined imagined = imagine(template, specimen);
        OfficeCalendar calendar = hours.calendar();
        Instant sent = RouteCalendarView.start(start, calendar, clock.instant());
        List<RouteCalendar.Moment> moments = RouteCalendar.plan(
                imagined.created(),
                new Chasing(imagined.content().sending().chasing(), calendar),
                pace,
                sent,
                end(imagined, sent));
        return RouteCalendarView.of(moments, calendar, sent);
    }

    private Instant end(Imagined imagined, Instant sent) {
        Optional<LocalDate> agreed =
                imagined.values().get(imagined.content().sending().expiresOn().value()) instanceof Value.Day day
                        ? Optional.of(day.date())
                        : Optional.empty();
        return imagined.content().sending().end(sent, agreed, hours.calendar());
    }

    private Imagined imagine(UUID template, Optional<Integer> specimen) {
        TemplateVersion version = drafts.newest(template);
        TemplateContent content = version.content();
        Optional<Map<FieldName, String>> data = specimen.map(position -> {
            if (position < 0 || position >= content.specimens().size())
                throw Refusal.notFound(Message.of("specimen.none"));
            return content.specimens().get(position).data();
        });
        Map<String, Value> values = data.map(known -> RuleResults.values(content, preparations.rules(content), known)
                        .values())
                .orElseGet(() -> names(content));
        Assignment.Known known = data.map(given ->
                        new Assignment.Known(given, Map.of(), Person.NOBODY, Participation.leftOut(content, values)))
                .orElseGet(() -> new Assignment.Known(Map.of(), Map.of()));
        List<Participant> participants = Assignment.assign(content.parties(), known).stream()
                .map(one -> one.vacant() && !(data.isPresent() && one.optional()) ? one.with(standIn(one)) : one)
                .toList();
        String name = drafts.template(template).name();
        return new Imagined(
                content,
                values,
                new Event.Created(
                        RuleResults.NUMBER, name, name, version.number(), "", data.orElse(Map.of()), participants));
    }

    /** Nobody is known yet: the role stands for its person. */
    private static Person standIn(Participant one) {
        return new Person(
                "[" + one.label() + "]", one.party() + "@", "", one.person().language());
    }

    /** Each field's label in the place of its value. */
    private static Map<String, Value> names(TemplateContent content) {
        Map<String, Value> names = new LinkedHashMap<>();
        for (Field field : BuiltIn.and(content.fields()))
            names.put(field.name().value(), new Value.Text("[" + field.label() + "]"));
        content.rules().forEach(rule -> names.putIfAbsent(rule.name(), new Value.Text("[" + rule.label() + "]")));
        return names;
    }
}
