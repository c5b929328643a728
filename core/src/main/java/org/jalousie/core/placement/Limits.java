package org.jalousie.core.placement;

import java.math.BigDecimal;
import java.util.Optional;
import org.jalousie.core.messages.Message;

/** The range in which a number has to be. */
final class Limits {
    private Limits() {}

    static Optional<Message> fault(BigDecimal number, boolean whole, String least, String most) {
        if (whole && number.stripTrailingZeros().scale() > 0) return Optional.of(Message.of("field.not-whole"));
        boolean low = !least.isEmpty() && number.compareTo(new BigDecimal(least)) < 0;
        boolean high = !most.isEmpty() && number.compareTo(new BigDecimal(most)) > 0;
        if (!low && !high) return Optional.empty();
        if (least.isEmpty()) return Optional.of(Message.of("field.at-most", "most", new BigDecimal(most)));
        if (most.isEmpty()) return Optional.of(Message.of("field.at-least", "least", new BigDecimal(least)));
        return Optional.of(Message.of("field.between", "least", new BigDecimal(least), "most", new BigDecimal(most)));
    }

    /** What is wrong with the limits themselves; empty when a number can keep them. */
    static Optional<Message> unkept(String least, String most) {
        for (String limit : new String[] {least, most}) {
            if (!limit.isEmpty() && !isNumber(limit))
                return Optional.of(Message.of("field.limit-unreadable", "limit", limit));
        }
        boolean crossed =
                !least.isEmpty() && !most.isEmpty() && new BigDecimal(least).compareTo(new BigDecimal(most)) > 0;
        return crossed
                ? Optional.of(Message.of("field.limits-crossed", "least", least, "most", most))
                : Optional.empty();
    }

    /** Whether a text is a number as settings keep it, which reads the same in every language. */
    static boolean isNumber(String text) {
        return text.matches("-?\\d{1,15}(\\.\\d{1,6})?");
    }
}
