package org.jalousie.core.placement;

import java.util.Optional;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;

/**
 * A tick, or a paragraph that the party acknowledges by one.
 *
 * @param required whether the party can't finish without ticking it
 * @param hint said beside the tick; may be empty
 * @param statement the paragraph that is acknowledged; empty for a tick alone
 */
public record TickPlace(boolean required, String hint, BoxSize size, String statement) implements AskedPlace {
    static final String KIND = "tick";
    /** The answer of what is ticked. */
    public static final String TICKED = "yes";

    private static final int LONGEST = 2000;
    private static final BoxSize BOX = new BoxSize(6, 6);
    /** Required, without a paragraph. */
    static final TickPlace USUAL = new TickPlace(true, "", BOX, "");

    public TickPlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, BOX);
        statement = statement == null ? "" : statement;
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public FieldType gives() {
        return FieldType.YES_NO;
    }

    @Override
    public Optional<Message> wrong(String answer) {
        return answer.equals(TICKED) ? Optional.empty() : Optional.of(Message.of("field.not-a-tick"));
    }

    @Override
    public Optional<Message> limitsFault() {
        return statement.length() > LONGEST
                ? Optional.of(Message.of("field.too-long", "most", LONGEST))
                : Optional.empty();
    }

    /** A cross, which every font has. */
    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(act.answer().equals(TICKED) ? "\u00d7" : "");
    }

    @Override
    public Optional<String> told(String answer) {
        if (!answer.equals(TICKED)) return Optional.of("");
        return Optional.of(statement.isBlank() ? "\u00d7" : "\u00d7 " + statement.strip());
    }
}
