package org.jalousie.core.rules;

/**
 * A rule that can't be worked out.
 *
 * @param rule the name of the rule or choice
 * @param place which part of it: empty for a rule, a case's label for a choice
 * @param code stable, for example {@code rule-unknown-name}
 * @param message what is wrong
 * @param cure what to do
 */
public record RuleFault(String rule, String place, String code, String message, String cure) {
    /** The whole in one sentence, for a list of what stands in the way. */
    public String sentence() {
        return "Rule " + rule + (place.isEmpty() ? "" : ", case " + place) + ": " + message + " " + cure;
    }
}
