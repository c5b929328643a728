package org.jalousie.core.placement;

import java.util.Optional;
import org.jalousie.core.messages.Message;

/**
 * Many lines of text that the party types; they are set smaller until they fit, down to a size that can still be read.
 *
 * @param hint said beside the input; may be empty
 * @param preset what stands there before anything is typed; may be empty
 */
public record LinesPlace(boolean required, String hint, BoxSize size, String preset) implements AskedPlace {
    static final String KIND = "lines";
    private static final BoxSize ROOM = new BoxSize(120, 24);
    /** Required. */
    static final LinesPlace USUAL = new LinesPlace(true, "", ROOM, "");

    public LinesPlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, ROOM);
        preset = preset == null ? "" : preset;
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public SigningFieldType beginning(String raw) {
        return raw.isBlank() || fault(raw).isPresent() ? this : new LinesPlace(required, hint, size, raw);
    }

    @Override
    public Optional<Message> presetFault() {
        return fault(preset);
    }

    @Override
    public boolean manyLines() {
        return true;
    }

    @Override
    public Optional<String> told(String answer) {
        return Optional.of(answer.replace("\n", " / "));
    }
}
