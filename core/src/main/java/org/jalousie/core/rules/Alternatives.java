package org.jalousie.core.rules;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Value;

/** Other values that a field might have: just below, at and just above what rules compare with, and blank. */
final class Alternatives {
    private final List<BigDecimal> numbers = new ArrayList<>(List.of(BigDecimal.ONE, new BigDecimal("30")));
    private final List<String> texts = new ArrayList<>(List.of("A sample"));
    private final List<LocalDate> dates =
            new ArrayList<>(List.of(LocalDate.of(2027, 3, 15), LocalDate.of(2027, 9, 27)));

    Alternatives(List<Object> constants) {
        for (Object constant : constants) {
            if (constant instanceof BigDecimal number) {
                for (String step : List.of("-1", "0", "1"))
                    numbers.add(number.add(new BigDecimal(step)).max(BigDecimal.ZERO));
            } else if (constant instanceof LocalDate date) {
                for (int days = -1; days <= 1; days++) dates.add(date.plusDays(days));
            } else if (constant instanceof String text) {
                texts.add(text);
            }
        }
    }

    /** @return empty for blank, which only a field that isn't required may be */
    Optional<Value> pick(Field field, Optional<Value> now, Random random) {
        if (!field.required() && random.nextInt(4) == 0) return Optional.empty();
        return switch (field.type()) {
            case YES_NO -> Optional.of(new Value.YesNo(random.nextBoolean()));
            case CHOICE -> field.choices().isEmpty() ? now : Optional.of(new Value.Text(any(field.choices(), random)));
            case NUMBER -> Optional.of(new Value.Amount(any(numbers, random)));
            case MONEY ->
                Optional.of(new Value.Money(
                        Currency.getInstance("EUR"), any(numbers, random).setScale(2, java.math.RoundingMode.HALF_UP)));
            case DATE -> Optional.of(new Value.Day(any(dates, random)));
            case TEXT, LONG_TEXT -> Optional.of(new Value.Text(any(texts, random)));
            case ADDRESS -> Optional.of(new Value.Address("Mill Rise 3", "Oudehaven", "", "", any(texts, random)));
            case ITEMS -> Optional.of(items(field, now, random));
            default ->
                now.or(() -> Optional.ofNullable(
                        Samples.typical(List.of(field)).get(field.name().value())));
        };
    }

    private Value items(Field field, Optional<Value> now, Random random) {
        List<Map<String, Value>> items = new ArrayList<>();
        if (now.isPresent() && now.get() instanceof Value.Items before && random.nextBoolean())
            items.addAll(before.items());
        int least = field.required() ? 1 : 0;
        int wanted = least + random.nextInt(3);
        while (items.size() > wanted) items.remove(items.size() - 1);
        while (items.size() < wanted) items.add(Samples.typical(field.items()));
        for (int i = 0; i < items.size(); i++) {
            Map<String, Value> item = new LinkedHashMap<>(items.get(i));
            if (!field.items().isEmpty()) {
                Field one = any(field.items(), random);
                pick(one, Optional.ofNullable(item.get(one.name().value())), random)
                        .ifPresentOrElse(
                                value -> item.put(one.name().value(), value),
                                () -> item.remove(one.name().value()));
            }
            items.set(i, item);
        }
        return new Value.Items(items);
    }

    private static <T> T any(List<T> from, Random random) {
        return from.get(random.nextInt(from.size()));
    }
}
