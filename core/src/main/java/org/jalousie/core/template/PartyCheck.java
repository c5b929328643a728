package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.PhoneNumber;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.lettering.Glyphs;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.SigningField;

/** What stands in the way of publishing in the parties of a route. */
final class PartyCheck {
    private final TemplateContent content;
    private final List<Obstacle> obstacles = new ArrayList<>();

    private PartyCheck(TemplateContent content) {
        this.content = content;
    }

    static List<Obstacle> of(TemplateContent content) {
        PartyCheck check = new PartyCheck(content);
        content.parties().forEach(check::check);
        check.order();
        return check.obstacles;
    }

    private void check(Party party) {
        name(party);
        place(party);
        person(party);
        if (party.duty().acts()) identity(party);
        if (!party.neededWhen().isEmpty() && !isCondition(party.neededWhen()))
            add(party, Message.of("publish.needed-when", "party", party.label(), "rule", party.neededWhen()));
    }

    private void name(Party party) {
        if (party.label().isBlank()) add(party, Message.of("publish.party-no-label", "key", party.key()));
        Glyphs.unprintable(Message.of("print.label-of", "party", party.label()), party.label())
                .ifPresent(said -> add(party, said));
        if (party.stage() < 1) add(party, Message.of("publish.no-stage", "party", party.label()));
    }

    private void place(Party party) {
        List<SigningField> own = content.signingFields().stream()
                .filter(field -> field.party().equals(party.key()))
                .toList();
        boolean signature = own.stream().anyMatch(field -> field.type().signs());
        boolean mark = own.stream().anyMatch(field -> !field.type().asked());
        if (party.duty() == Duty.SIGNS && !signature)
            add(party, Message.of("publish.no-signature", "party", party.label(), "key", party.key()));
        if (party.duty() != Duty.SIGNS && mark) add(party, Message.of("publish.signs-not", "party", party.label()));
        if (!own.isEmpty() && !mark && (party.duty() == Duty.APPROVES || party.duty() == Duty.RECEIVES_COPY))
            add(party, Message.of("publish.completes-not", "party", party.label()));
    }

    private void person(Party party) {
        if (party.who() instanceof PersonSource.FromFields from) {
            field(party, from.nameField(), Message.of("publish.person-name"));
            field(party, from.mailField(), Message.of("publish.person-mail"));
            if (!from.phoneField().isBlank()) field(party, from.phoneField(), Message.of("publish.person-phone"));
        } else if (party.who() instanceof PersonSource.Fixed fixed) {
            reachable(party, fixed.person());
        } else if (party.who() instanceof PersonSource.OneOf one) {
            if (one.people().isEmpty()) add(party, Message.of("publish.people-none", "party", party.label()));
            one.people().forEach(person -> reachable(party, person));
        }
    }

    private void reachable(Party party, Person person) {
        if (person.name().isBlank()) add(party, Message.of("publish.fixed-no-name", "party", party.label()));
        try {
            ValueReader.mail(person.mail());
        } catch (ValueReader.Unreadable e) {
            add(party, Message.of("publish.fixed-mail", "party", party.label(), "fault", e.said()));
        }
    }

    /** Whether its person can show who they are as they will be asked to. */
    private void identity(Party party) {
        if (party.identity() == IdentityCheck.AGREED_WORD
                && content.sending().release() == SendingSettings.Release.AT_ONCE)
            add(party, Message.of("publish.word-at-once", "party", party.label()));
        if (party.identity() != IdentityCheck.TEXTED_CODE) return;
        if (party.who() instanceof PersonSource.FromFields from
                && from.phoneField().isBlank()) add(party, Message.of("publish.no-phone", "party", party.label()));
        if (party.who() instanceof PersonSource.WhoSends)
            add(party, Message.of("publish.sender-phone", "party", party.label()));
        List<Person> known = party.who() instanceof PersonSource.Fixed fixed
                ? List.of(fixed.person())
                : party.who() instanceof PersonSource.OneOf one ? one.people() : List.of();
        known.stream()
                .filter(person -> PhoneNumber.international(person.phone()).isEmpty())
                .forEach(person ->
                        add(party, Message.of("publish.fixed-phone", "party", party.label(), "name", person.name())));
    }

    private void field(Party party, FieldName name, Message what) {
        if (content.fields().stream().noneMatch(field -> field.name().equals(name)))
            add(party, Message.of("publish.person-field", "what", what, "party", party.label()));
    }

    /** A rule about the whole agreement that says yes or no, or a question that is answered so. */
    private boolean isCondition(String name) {
        return content.rules().stream()
                        .anyMatch(rule -> rule.name().equals(name)
                                && rule.gives() == FieldType.YES_NO
                                && rule.within().isEmpty())
                || content.fields().stream()
                        .anyMatch(field -> field.isCalled(name) && field.type() == FieldType.YES_NO);
    }

    /** Who signs has to see all details: nothing is completed beside or after a signature. */
    private void order() {
        int firstSignature = content.parties().stream()
                .filter(party -> party.duty() == Duty.SIGNS)
                .mapToInt(Party::stage)
                .min()
                .orElse(Integer.MAX_VALUE);
        content.parties().stream()
                .filter(party -> party.duty() == Duty.COMPLETES && party.stage() >= firstSignature)
                .forEach(party -> add(party, Message.of("publish.completes-late", "party", party.label())));
    }

    private void add(Party party, Message message) {
        obstacles.add(Obstacle.at(Obstacle.Subject.PARTY, party.key(), message));
    }
}
