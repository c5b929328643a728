package org.jalousie.core.placement;

import java.util.function.UnaryOperator;
import org.jalousie.core.data.Texts;

/**
 * A party is asked for a signing field only when it has given an answer to another one.
 *
 * @param field the name of the other field, which the same party completes; empty for a field that is always asked for
 * @param answer what the other's answer has to be; empty for any answer
 */
public record ShownWhen(String field, String answer) {
    /** Asked for whatever else is answered. */
    public static final ShownWhen ALWAYS = new ShownWhen("", "");

    public ShownWhen {
        field = field == null ? "" : Texts.bare(field);
        answer = answer == null || field.isEmpty() ? "" : Texts.bare(answer);
    }

    /** The same where fields have other names. */
    ShownWhen referring(UnaryOperator<String> called) {
        return always() ? this : new ShownWhen(called.apply(field), answer);
    }

    public boolean always() {
        return field.isEmpty();
    }

    /** Whether the other field's answer is the one that is waited for. */
    boolean metBy(String given) {
        String plain = Texts.bare(given);
        return answer.isEmpty() ? !plain.isEmpty() : plain.equals(answer);
    }
}
