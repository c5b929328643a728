package org.jalousie.core.placement;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.Optional;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/**
 * An amount of money that the party types, as their language writes it.
 *
 * @param hint said beside the input; may be empty
 * @param preset what stands there before anything is typed, as numbers are kept; may be empty
 * @param currency ISO 4217, of what is typed without one, and the only one that is taken
 * @param least the smallest amount that is taken, {@code most} the largest; empty for no limit
 */
public record MoneyPlace(
        boolean required, String hint, BoxSize size, String preset, String currency, String least, String most)
        implements AskedPlace {
    static final String KIND = "money";
    private static final BoxSize LINE = new BoxSize(40, 6);
    /** Required, in euros. */
    static final MoneyPlace USUAL = new MoneyPlace(true, "", LINE, "", "EUR", "", "");

    public MoneyPlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, LINE);
        preset = preset == null ? "" : preset.strip();
        currency = currency == null ? "EUR" : currency.strip();
        least = least == null ? "" : least.strip();
        most = most == null ? "" : most.strip();
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public FieldType gives() {
        return FieldType.MONEY;
    }

    @Override
    public boolean canBeWaitedFor() {
        return false;
    }

    @Override
    public String taken(String typed, Typing typing) throws ValueReader.Unreadable {
        boolean bare = typed.chars()
                .noneMatch(c -> Character.isLetter(c) || Character.getType(c) == Character.CURRENCY_SYMBOL);
        return AskedValue.taken(FieldType.MONEY, bare ? currency + " " + typed : typed, typing);
    }

    @Override
    public Optional<Message> wrong(String answer) {
        Optional<Message> unreadable = AskedValue.fault(FieldType.MONEY, answer);
        if (unreadable.isPresent()) return unreadable;
        Value.Money money =
                (Value.Money) AskedValue.value(FieldType.MONEY, answer).orElseThrow();
        if (!money.currency().getCurrencyCode().equals(currency))
            return Optional.of(Message.of("field.other-currency", "currency", currency));
        return Limits.fault(money.amount(), false, least, most);
    }

    @Override
    public Optional<Message> presetFault() {
        if (preset.isEmpty() || limitsFault().isPresent()) return Optional.empty();
        if (!Limits.isNumber(preset)) return Optional.of(Message.of("field.preset-plain", "preset", preset));
        return Limits.fault(new BigDecimal(preset), false, least, most);
    }

    @Override
    public Optional<Message> limitsFault() {
        if (Currency.getAvailableCurrencies().stream()
                .noneMatch(one -> one.getCurrencyCode().equals(currency)))
            return Optional.of(Message.of("field.no-currency", "currency", currency));
        return Limits.unkept(least, most);
    }

    /** Of a value in its own currency the amount; any other leaves what stood there. */
    @Override
    public SigningFieldType beginning(String raw) {
        Optional<Value> value = AskedValue.value(FieldType.MONEY, raw);
        if (value.isEmpty() || fault(raw).isPresent()) return this;
        String amount = ((Value.Money) value.get()).amount().toPlainString();
        return new MoneyPlace(required, hint, size, amount, currency, least, most);
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(AskedValue.printed(FieldType.MONEY, act.answer(), act.language()));
    }
}
