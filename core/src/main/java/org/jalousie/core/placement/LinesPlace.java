package org.jalousie.core.placement;

import java.util.Optional;
import java.util.OptionalInt;
import org.jalousie.core.messages.Message;

/**
 * Many lines of text that the party types; they are set smaller until they fit, down to a size that can still be read.
 *
 * @param hint said beside the input; may be empty
 * @param preset what stands there before anything is typed; may be empty
 */
public record LinesPlace(boolean required, String hint, BoxSize size, String preset) implements AskedPlace {
    static final String KIND = "lines";
    /** The smallest size that is printed, in points (common practice for small print, no source). */
    private static final double SMALLEST = 6;

    private static final double MM_PER_POINT = 25.4 / 72;
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
    public Optional<Message> fault(String answer) {
        OptionalInt missing = Glyphs.firstMissing(answer.replace("\n", ""));
        if (missing.isPresent())
            return Optional.of(Message.of("field.character", "character", Character.toString(missing.getAsInt())));
        int most = (int) (size.heightMm() / (SMALLEST * 1.25 * MM_PER_POINT));
        return lines(answer) > most ? Optional.of(Message.of("field.no-room", "lines", most)) : Optional.empty();
    }

    /** How many lines the text takes in the smallest size: letters are half as wide as high on the average. */
    private int lines(String answer) {
        int perLine = Math.max(1, (int) (size.widthMm() / (SMALLEST * 0.52 * MM_PER_POINT)));
        int lines = 0;
        for (String line : answer.split("\n", -1)) lines += Math.max(1, (line.length() + perLine - 1) / perLine);
        return lines;
    }

    @Override
    public Optional<Message> presetFault() {
        return preset.isEmpty() ? Optional.empty() : fault(preset);
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
