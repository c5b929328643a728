package org.jalousie.core.placement;

import java.util.Optional;
import java.util.OptionalInt;
import org.jalousie.core.messages.Message;

/**
 * A line of text that the party types.
 *
 * @param hint said beside the input; may be empty
 * @param preset what stands in the input before anything is typed; may be empty
 */
public record TextPlace(boolean required, String hint, BoxSize size, TextCheck check, String preset)
        implements AskedPlace {
    static final String KIND = "text";

    private static final BoxSize LINE = new BoxSize(60, 6);

    /** Required, as what an agreement keeps a place for usually is. */
    public static final TextPlace USUAL = new TextPlace(true, "");

    private static final int LONGEST = 200;

    public TextPlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, LINE);
        check = check == null ? TextCheck.ANY : check;
        preset = preset == null ? "" : preset;
    }

    public TextPlace(boolean required, String hint) {
        this(required, hint, LINE, TextCheck.ANY, "");
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public Optional<Message> fault(String answer) {
        if (answer.length() > LONGEST) return Optional.of(Message.of("field.too-long", "most", LONGEST));
        OptionalInt missing = Glyphs.firstMissing(answer);
        if (missing.isEmpty()) return check.fault(answer);
        return Optional.of(Message.of("field.character", "character", Character.toString(missing.getAsInt())));
    }

    @Override
    public Optional<Message> presetFault() {
        return preset.isEmpty() ? Optional.empty() : fault(preset);
    }
}
