package org.jalousie.core.rules;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.LocalDate;
import java.time.Period;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;

/** Values as FEEL sees them, and FEEL's results as values. Money is a number there; its currency is kept aside. */
final class Conversion {
    private Conversion() {}

    /** A result of the wrong kind; the message says what was expected and what came. */
    static final class WrongKind extends Exception {
        private final transient Message said;

        WrongKind(Message said) {
            this.said = said;
        }

        Message said() {
            return said;
        }
    }

    /** The fields of a form as a FEEL context: every field is there, a blank one as null. */
    static Map<String, Object> context(List<Field> fields, Map<String, Value> values) {
        Map<String, Object> context = new LinkedHashMap<>();
        for (Field field : fields)
            put(context, field.name().value(), field, values.get(field.name().value()));
        values.forEach((name, value) -> {
            if (!context.containsKey(name)) put(context, name, null, value);
        });
        return context;
    }

    /** Gives a name another value; none takes it out. */
    static void replace(Map<String, Object> context, String name, Field field, Value value) {
        context.remove(name);
        context.remove(name + "_currency");
        if (value != null) put(context, name, field, value);
    }

    private static void put(Map<String, Object> context, String name, Field field, Value value) {
        if (value instanceof Value.Items items) {
            List<Object> all = new ArrayList<>();
            for (Map<String, Value> item : items.items()) {
                Value itself = item.get(Value.Items.ITSELF);
                all.add(itself != null ? plain(itself) : context(field == null ? List.of() : field.items(), item));
            }
            context.put(name, all);
        } else if (value == null && field != null && field.type() == FieldType.ITEMS) {
            context.put(name, List.of());
        } else {
            context.put(name, value == null ? null : plain(value));
            if (value instanceof Value.Money money)
                context.put(name + "_currency", money.currency().getCurrencyCode());
        }
    }

    private static Object plain(Value value) {
        if (value instanceof Value.Amount amount) return amount.number();
        if (value instanceof Value.Money money) return money.amount();
        if (value instanceof Value.Day day) return day.date();
        if (value instanceof Value.Moment moment) return moment.time();
        if (value instanceof Value.YesNo yesNo) return yesNo.yes();
        if (value instanceof Value.PersonName name) {
            return Map.of("given", name.given(), "family", name.family());
        }
        if (value instanceof Value.Address address) {
            return Map.of(
                    "street", address.street(),
                    "locality", address.locality(),
                    "region", address.region(),
                    "code", address.code(),
                    "country", address.country());
        }
        if (value instanceof Value.Attached attached) return attached.file().name();
        return value.raw();
    }

    /** The currencies of all money among these values whose name is mentioned. */
    static void currencies(Map<String, Value> values, Set<String> mentioned, Set<Currency> into) {
        for (String name : mentioned) {
            Value value = values.get(name);
            if (value instanceof Value.Money money) into.add(money.currency());
            if (value instanceof Value.Items items) items.items().forEach(item -> currencies(item, mentioned, into));
        }
    }

    /**
     * @param currency the currency of a money result; empty when the expression speaks of no money
     * @return empty for null
     */
    static Optional<Value> value(Object result, FieldType gives, Optional<Currency> currency) throws WrongKind {
        if (result == null) return Optional.empty();
        return Optional.of(
                switch (gives) {
                    case YES_NO -> new Value.YesNo(expect(result, Boolean.class, Message.of("rule.kind.yes-no")));
                    case NUMBER -> new Value.Amount(number(result));
                    case MONEY -> money(result, currency);
                    case DATE -> new Value.Day(day(result));
                    case ITEMS -> list(result);
                    default -> new Value.Text(text(result));
                });
    }

    // money exact to the cent: half up, as commerce rounds (common practice, no source)
    private static Value money(Object result, Optional<Currency> currency) throws WrongKind {
        BigDecimal amount = expect(result, BigDecimal.class, Message.of("rule.kind.money"));
        Currency of = currency.orElseThrow(() -> new WrongKind(Message.of("rule.no-money")));
        return new Value.Money(of, amount.setScale(Math.max(of.getDefaultFractionDigits(), 0), RoundingMode.HALF_UP));
    }

    private static BigDecimal number(Object result) throws WrongKind {
        if (result instanceof Duration duration && duration.toSeconds() % 86_400 == 0) {
            return BigDecimal.valueOf(duration.toDays());
        }
        if (result instanceof Period period) return BigDecimal.valueOf(period.toTotalMonths());
        return expect(result, BigDecimal.class, Message.of("rule.kind.number"));
    }

    private static LocalDate day(Object result) throws WrongKind {
        if (result instanceof ZonedDateTime time) return time.toLocalDate();
        return expect(result, LocalDate.class, Message.of("rule.kind.date"));
    }

    private static String text(Object result) throws WrongKind {
        if (result instanceof BigDecimal number) return number.toPlainString();
        return expect(result, String.class, Message.of("rule.kind.text"));
    }

    private static Value list(Object result) throws WrongKind {
        List<Map<String, Value>> items = new ArrayList<>();
        for (Object one : expect(result, List.class, Message.of("rule.kind.list"))) {
            Map<String, Value> item = new LinkedHashMap<>();
            if (one instanceof Map<?, ?> members) {
                for (Map.Entry<?, ?> member : members.entrySet()) {
                    if (member.getValue() != null) item.put(String.valueOf(member.getKey()), any(member.getValue()));
                }
            } else if (one != null) {
                item.put(Value.Items.ITSELF, any(one));
            }
            items.add(item);
        }
        return new Value.Items(items);
    }

    private static Value any(Object one) throws WrongKind {
        if (one instanceof Boolean yes) return new Value.YesNo(yes);
        if (one instanceof BigDecimal number) return new Value.Amount(number);
        if (one instanceof LocalDate date) return new Value.Day(date);
        if (one instanceof List<?>) return list(one);
        return new Value.Text(text(one));
    }

    private static <T> T expect(Object result, Class<T> type, Message what) throws WrongKind {
        if (type.isInstance(result)) return type.cast(result);
        throw new WrongKind(Message.of("rule.gives", "what", what, "given", kindOf(result)));
    }

    private static Message kindOf(Object result) {
        if (result instanceof Boolean) return Message.of("rule.kind.yes-no");
        if (result instanceof BigDecimal) return Message.of("rule.kind.number");
        if (result instanceof String) return Message.of("rule.kind.text");
        if (result instanceof LocalDate) return Message.of("rule.kind.date");
        if (result instanceof List) return Message.of("rule.kind.list");
        if (result instanceof Duration || result instanceof Period) return Message.of("rule.kind.duration");
        return Message.of("rule.kind.other");
    }
}
