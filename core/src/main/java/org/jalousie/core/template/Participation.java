package org.jalousie.core.template;

import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jalousie.core.data.Value;
import org.jalousie.core.parties.Party;

/** Which parties come with a rule, and whether it holds. */
public final class Participation {
    private Participation() {}

    /**
     * For each party the rule, as it is called, that leaves it out; empty when none does. What isn't answered doesn't hold.
     *
     * @param values the agreement's data and what follows from them by rule
     */
    public static Function<Party, Optional<String>> leftOut(TemplateContent content, Map<String, Value> values) {
        return party -> {
            String rule = party.neededWhen();
            if (rule.isEmpty() || values.get(rule) instanceof Value.YesNo said && said.yes()) return Optional.empty();
            return Optional.of(labelOf(rule, content));
        };
    }

    private static String labelOf(String rule, TemplateContent content) {
        return Stream.concat(
                        content.rules().stream()
                                .filter(one -> one.name().equals(rule))
                                .map(one -> one.label()),
                        content.fields().stream()
                                .filter(one -> one.isCalled(rule))
                                .map(one -> one.label()))
                .filter(label -> !label.isBlank())
                .findFirst()
                .orElse(rule);
    }
}
