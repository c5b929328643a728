package org.jalousie.core.placement;

import java.util.Optional;
import java.util.OptionalInt;
import org.jalousie.core.messages.Message;

/**
 * A line of text that the party types.
 *
 * @param hint said beside the input; may be empty
 */
public record TextPlace(boolean required, String hint) implements SigningFieldType {
    static final String KIND = "text";

    /** Required, as what an agreement keeps a place for usually is. */
    public static final TextPlace USUAL = new TextPlace(true, "");

    private static final int LONGEST = 200;

    public TextPlace {
        hint = hint == null ? "" : hint;
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public BoxSize size() {
        return new BoxSize(60, 6);
    }

    @Override
    public boolean asked() {
        return true;
    }

    @Override
    public Optional<Message> fault(String answer) {
        if (answer.length() > LONGEST) return Optional.of(Message.of("field.too-long", "most", LONGEST));
        OptionalInt missing = Glyphs.firstMissing(answer);
        if (missing.isEmpty()) return Optional.empty();
        return Optional.of(Message.of("field.character", "character", Character.toString(missing.getAsInt())));
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(act.answer());
    }

    @Override
    public boolean lined() {
        return true;
    }

    @Override
    public Optional<String> told(String answer) {
        return Optional.of(answer);
    }
}
