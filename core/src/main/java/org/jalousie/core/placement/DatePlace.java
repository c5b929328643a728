package org.jalousie.core.placement;

import java.time.LocalDate;
import java.util.Optional;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/**
 * A date that the party chooses.
 *
 * @param hint said beside the input; may be empty
 * @param preset the date that stands there at first, as {@code 2027-03-15}, or {@link #TODAY}; empty for none
 * @param least the earliest date that is taken, {@code most} the latest; empty for no limit
 */
public record DatePlace(boolean required, String hint, BoxSize size, String preset, String least, String most)
        implements AskedPlace {
    static final String KIND = "date";
    /** The day on which the page is opened. */
    public static final String TODAY = "today";

    private static final BoxSize LINE = new BoxSize(34, 6);
    /** Required, any date. */
    static final DatePlace USUAL = new DatePlace(true, "", LINE, "", "", "");

    public DatePlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, LINE);
        preset = preset == null ? "" : preset.strip();
        least = least == null ? "" : least.strip();
        most = most == null ? "" : most.strip();
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public FieldType gives() {
        return FieldType.DATE;
    }

    /** The page gives dates as calendars keep them, whatever language they are shown in. */
    @Override
    public String taken(String typed, Typing typing) throws ValueReader.Unreadable {
        return AskedValue.taken(FieldType.DATE, typed, Typing.PLAIN);
    }

    @Override
    public Optional<Message> wrong(String answer) {
        Optional<Message> unreadable = AskedValue.fault(FieldType.DATE, answer);
        if (unreadable.isPresent()) return unreadable;
        LocalDate day = ((Value.Day) AskedValue.value(FieldType.DATE, answer).orElseThrow()).date();
        if (!least.isEmpty() && day.isBefore(LocalDate.parse(least)))
            return Optional.of(Message.of("field.not-before", "day", LocalDate.parse(least)));
        if (!most.isEmpty() && day.isAfter(LocalDate.parse(most)))
            return Optional.of(Message.of("field.not-after", "day", LocalDate.parse(most)));
        return Optional.empty();
    }

    @Override
    public SigningFieldType beginning(String raw) {
        return raw.isBlank() || fault(raw).isPresent() ? this : new DatePlace(required, hint, size, raw, least, most);
    }

    @Override
    public Optional<Message> presetFault() {
        return preset.equals(TODAY) || limitsFault().isPresent() ? Optional.empty() : fault(preset);
    }

    @Override
    public Optional<Message> limitsFault() {
        for (String limit : new String[] {least, most}) {
            if (!limit.isEmpty() && AskedValue.fault(FieldType.DATE, limit).isPresent())
                return Optional.of(Message.of("field.limit-unreadable", "limit", limit));
        }
        return !least.isEmpty() && !most.isEmpty() && least.compareTo(most) > 0
                ? Optional.of(Message.of("field.limits-crossed", "least", least, "most", most))
                : Optional.empty();
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(AskedValue.printed(FieldType.DATE, act.answer(), act.language()));
    }
}
