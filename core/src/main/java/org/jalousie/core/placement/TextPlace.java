package org.jalousie.core.placement;

import java.util.Optional;
import org.jalousie.core.messages.Message;

/**
 * A line of text that the party types.
 *
 * @param hint said beside the input; may be empty
 * @param preset what stands in the input before anything is typed; may be empty
 * @param shortest how many characters it has at least, {@code longest} at most; 0 for no limit of its own
 * @param pattern how it is written, see {@link LetterPattern}; empty for any way
 */
public record TextPlace(
        boolean required,
        String hint,
        BoxSize size,
        TextCheck check,
        String preset,
        Integer shortest,
        Integer longest,
        String pattern)
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
        shortest = shortest == null ? 0 : shortest;
        longest = longest == null ? 0 : longest;
        pattern = pattern == null ? "" : pattern.strip();
    }

    /** A text of any length, written in any way. */
    public TextPlace(boolean required, String hint, BoxSize size, TextCheck check, String preset) {
        this(required, hint, size, check, preset, 0, 0, "");
    }

    public TextPlace(boolean required, String hint) {
        this(required, hint, LINE, TextCheck.ANY, "");
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public Optional<Message> wrong(String answer) {
        int most = longest == 0 ? LONGEST : Math.min(longest, LONGEST);
        int length = answer.codePointCount(0, answer.length());
        if (length > most) return Optional.of(Message.of("field.too-long", "most", most));
        if (length < shortest) return Optional.of(Message.of("field.too-short", "least", shortest));
        if (!pattern.isEmpty() && !LetterPattern.fits(pattern, answer))
            return Optional.of(Message.of("field.pattern", "pattern", pattern));
        return check.fault(answer);
    }

    @Override
    public SigningFieldType beginning(String raw) {
        if (raw.isBlank() || fault(raw).isPresent()) return this;
        return new TextPlace(required, hint, size, check, raw, shortest, longest, pattern);
    }

    @Override
    public Optional<Message> presetFault() {
        return limitsFault().isPresent() ? Optional.empty() : fault(preset);
    }

    @Override
    public Optional<Message> limitsFault() {
        if (shortest < 0 || longest < 0 || longest > LONGEST || shortest > LONGEST)
            return Optional.of(Message.of("field.length-unkept", "most", LONGEST));
        if (longest > 0 && shortest > longest)
            return Optional.of(Message.of("field.limits-crossed", "least", shortest, "most", longest));
        int length = pattern.codePointCount(0, pattern.length());
        boolean outside = length > (longest == 0 ? LONGEST : longest) || length < shortest;
        return !pattern.isEmpty() && outside
                ? Optional.of(Message.of("field.pattern-length", "pattern", pattern))
                : Optional.empty();
    }
}
