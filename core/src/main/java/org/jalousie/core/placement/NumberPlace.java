package org.jalousie.core.placement;

import java.math.BigDecimal;
import java.util.Optional;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/**
 * A number that the party types, as their language writes it.
 *
 * @param hint said beside the input; may be empty
 * @param preset what stands there before anything is typed, as numbers are kept; may be empty
 * @param whole whether it has no decimals
 * @param least the smallest that is taken, {@code most} the largest; empty for no limit
 */
public record NumberPlace(
        boolean required, String hint, BoxSize size, String preset, Boolean whole, String least, String most)
        implements AskedPlace {
    static final String KIND = "number";
    private static final BoxSize LINE = new BoxSize(34, 6);
    /** Required, of any size. */
    public static final NumberPlace USUAL = new NumberPlace(true, "", LINE, "", false, "", "");

    public NumberPlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, LINE);
        preset = preset == null ? "" : preset.strip();
        whole = Boolean.TRUE.equals(whole);
        least = least == null ? "" : least.strip();
        most = most == null ? "" : most.strip();
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public FieldType gives() {
        return FieldType.NUMBER;
    }

    @Override
    public boolean canBeWaitedFor() {
        return false;
    }

    @Override
    public String taken(String typed, Typing typing) throws ValueReader.Unreadable {
        return AskedValue.taken(FieldType.NUMBER, typed, typing);
    }

    @Override
    public Optional<Message> wrong(String answer) {
        Optional<Message> unreadable = AskedValue.fault(FieldType.NUMBER, answer);
        return unreadable.isPresent() ? unreadable : Limits.fault(number(answer), whole, least, most);
    }

    private static BigDecimal number(String answer) {
        return ((Value.Amount) AskedValue.value(FieldType.NUMBER, answer).orElseThrow()).number();
    }

    @Override
    public SigningFieldType beginning(String raw) {
        return raw.isBlank() || fault(raw).isPresent()
                ? this
                : new NumberPlace(required, hint, size, raw, whole, least, most);
    }

    @Override
    public Optional<Message> presetFault() {
        if (!preset.isEmpty() && !Limits.isNumber(preset))
            return Optional.of(Message.of("field.preset-plain", "preset", preset));
        return limitsFault().isPresent() ? Optional.empty() : fault(preset);
    }

    @Override
    public Optional<Message> limitsFault() {
        return Limits.unkept(least, most);
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(AskedValue.printed(FieldType.NUMBER, act.answer(), act.language()));
    }
}
