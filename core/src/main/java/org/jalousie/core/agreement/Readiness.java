package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.PhoneNumber;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.lettering.Glyphs;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.Room;

/** What still stands in the way of sending. */
public final class Readiness {
    private Readiness() {}

    /**
     * Something that stands in the way of sending.
     *
     * @param name of the datum that is to be answered, or the party's key; empty for neither
     */
    public record InTheWay(Message said, Settled settled, String name) {}

    /** Where it is settled what stands in the way. */
    public enum Settled {
        ANSWER,
        PERSON,
        DOCUMENTS,
        /** In the template, in the program's settings, or by waiting. */
        ELSEWHERE
    }

    /** @param blanks required data that are blank in this agreement */
    public static List<Message> obstacles(Agreement agreement, List<Blank> blanks) {
        return inTheWay(agreement, blanks).stream().map(InTheWay::said).toList();
    }

    /** What stands in the way of printing it to be signed on paper: nobody is written to, and nobody shows by mail who they are. */
    static List<Message> obstaclesOnPaper(Agreement agreement, List<Blank> blanks) {
        return inTheWay(agreement, blanks).stream()
                .map(InTheWay::said)
                .filter(said -> !OF_MAIL.contains(said.code()))
                .toList();
    }

    private static final Set<String> OF_MAIL =
            Set.of("ready.no-mail", "ready.wrong-mail", "ready.no-word", "ready.no-phone", "ready.wrong-phone");

    /** The same, each with where it is settled. */
    public static List<InTheWay> inTheWay(Agreement agreement, List<Blank> blanks) {
        List<InTheWay> all = new ArrayList<>();
        for (Blank blank : blanks)
            all.add(new InTheWay(
                    Message.of("ready.blank", "field", blank.label()),
                    Settled.ANSWER,
                    blank.name().value()));
        for (Participant one : agreement.present()) {
            for (Message said : ofPerson(agreement, one))
                all.add(new InTheWay(said, Settled.PERSON, one.party().value()));
            Glyphs.unprintable(Message.of("print.label-of", "party", one.label()), one.label())
                    .map(fault -> Message.of("ready.of-template", "fault", fault))
                    .ifPresent(said -> all.add(elsewhere(said)));
            boolean signature = agreement.fieldsOf(one.party()).stream()
                    .anyMatch(field -> field.type().signs());
            if (one.duty() == Duty.SIGNS && !signature)
                all.add(elsewhere(Message.of("ready.no-signature", "party", one.label())));
        }
        ofTheRoute(agreement).forEach(said -> all.add(elsewhere(said)));
        ofDocuments(agreement).forEach(said -> all.add(new InTheWay(said, Settled.DOCUMENTS, "")));
        return all;
    }

    private static InTheWay elsewhere(Message said) {
        return new InTheWay(said, Settled.ELSEWHERE, "");
    }

    /** What is wrong with who fills a part. */
    static List<Message> ofPerson(Agreement agreement, Participant one) {
        List<Message> obstacles = new ArrayList<>();
        if (one.name().isBlank()) obstacles.add(Message.of("ready.no-name", "party", one.label()));
        try {
            ValueReader.mail(one.mail());
        } catch (ValueReader.Unreadable e) {
            obstacles.add(
                    one.mail().isBlank()
                            ? Message.of("ready.no-mail", "party", one.label())
                            : Message.of("ready.wrong-mail", "party", one.label(), "mail", one.mail()));
        }
        Glyphs.unprintable(Message.of("print.name-of", "party", one.label(), "name", one.name()), one.name())
                .ifPresent(obstacles::add);
        agreement.fieldsOf(one.party()).stream()
                .flatMap(field -> Room.faultOfName(field.type(), one.name()).stream())
                .findFirst()
                .filter(fault -> Glyphs.firstMissing(one.name()).isEmpty())
                .ifPresent(fault ->
                        obstacles.add(Message.of("ready.name-too-wide", "party", one.label(), "name", one.name())));
        identity(agreement, one).ifPresent(obstacles::add);
        return obstacles;
    }

    private static List<Message> ofTheRoute(Agreement agreement) {
        List<Message> obstacles = new ArrayList<>();
        for (PlacedField placed : agreement.fields())
            Room.faultOfDatum(placed.field())
                    .ifPresent(fault -> obstacles.add(
                            Message.of("ready.copy", "field", placed.field().title(), "fault", fault)));
        String template = agreement.created().template();
        Glyphs.unprintable(Message.of("print.template", "template", template), template)
                .map(fault -> Message.of("ready.of-template", "fault", fault))
                .ifPresent(obstacles::add);
        agreement.fields().stream()
                .map(placed -> placed.field().party())
                .distinct()
                .filter(party -> agreement
                        .participant(party)
                        .filter(one -> one.duty().acts())
                        .isEmpty())
                .forEach(party -> obstacles.add(Message.of("ready.fields-of-nobody", "party", party)));
        if (agreement.acting().stream().noneMatch(one -> one.duty() == Duty.SIGNS))
            obstacles.add(Message.of("ready.nobody-signs"));
        int firstSignature = agreement.acting().stream()
                .filter(one -> one.duty() == Duty.SIGNS)
                .mapToInt(Participant::stage)
                .min()
                .orElse(Integer.MAX_VALUE);
        agreement.acting().stream()
                .filter(one -> one.duty() == Duty.COMPLETES && one.stage() >= firstSignature)
                .forEach(one -> obstacles.add(Message.of("ready.completes-late", "party", one.label())));
        return obstacles;
    }

    private static List<Message> ofDocuments(Agreement agreement) {
        List<Message> obstacles = new ArrayList<>();
        for (Document document : agreement.documents()) {
            obstacles.addAll(document.pages().faults());
            document.open()
                    .forEach(field -> obstacles.add(
                            Message.of("ready.no-place", "field", field.title(), "document", document.title())));
        }
        agreement.awaited().forEach(title -> obstacles.add(Message.of("ready.document-awaited", "title", title)));
        return obstacles;
    }

    /** Why somebody couldn't show who they are as they are asked to. */
    private static Optional<Message> identity(Agreement agreement, Participant one) {
        if (one.identity() == IdentityCheck.AGREED_WORD
                && !agreement.provingOf(one.party()).wordAgreed())
            return Optional.of(Message.of("ready.no-word", "party", one.label()));
        String phone = one.person().phone();
        if (one.identity() != IdentityCheck.TEXTED_CODE
                || PhoneNumber.international(phone).isPresent()) return Optional.empty();
        return Optional.of(
                phone.isBlank()
                        ? Message.of("ready.no-phone", "party", one.label())
                        : Message.of("ready.wrong-phone", "party", one.label(), "phone", phone));
    }

    /** What looks like a slip and does not stand in the way. */
    public static List<Message> warnings(Agreement agreement) {
        List<Message> warnings = new ArrayList<>();
        for (Document document : agreement.documents()) {
            ChangedWording changed = agreement.changed().get(document.id());
            if (changed != null)
                warnings.add(Message.of(
                        "ready.wording-changed",
                        "title",
                        document.title(),
                        "count",
                        changed.paragraphs().size()));
        }
        List<Participant> acting = agreement.acting();
        for (int i = 0; i < acting.size(); i++) {
            for (Participant other : acting.subList(i + 1, acting.size())) {
                Participant one = acting.get(i);
                if (one.person().isSameAs(other.person()) && Together.bothSides(one, other))
                    warnings.add(Message.of(
                            "ready.both-sides", "name", one.name(), "one", one.label(), "other", other.label()));
            }
        }
        return warnings;
    }

    /** Which parts of the template's route this agreement goes without, and why. */
    public static List<Message> absences(Agreement agreement) {
        return agreement.participants().stream()
                .flatMap(one -> absence(agreement, one).stream())
                .toList();
    }

    /** Why an agreement goes without a part; empty when it doesn't. */
    public static Optional<Message> absence(Agreement agreement, Participant one) {
        return Optional.ofNullable(agreement.absent().get(one.party()))
                .map(why -> Message.of("absent." + why.code(), "party", one.label(), "rule", one.leftOutBy()));
    }
}
