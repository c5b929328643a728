package org.jalousie.core.rules;

import org.jalousie.core.messages.Message;

/**
 * A rule that can't be worked out.
 *
 * @param rule the name of the rule or choice
 * @param place which part of it: empty for a rule, a case's label for a choice
 * @param code stable, for example {@code rule-unknown-name}
 * @param message what is wrong
 * @param cure what to do
 */
public record RuleFault(String rule, String place, String code, Message message, Message cure) {
    /** The whole in one sentence, for a list of what stands in the way. */
    public Message sentence() {
        return place.isEmpty()
                ? Message.of("rule.fault", "rule", rule, "fault", message, "cure", cure)
                : Message.of("rule.fault-of-case", "rule", rule, "case", place, "fault", message, "cure", cure);
    }
}
