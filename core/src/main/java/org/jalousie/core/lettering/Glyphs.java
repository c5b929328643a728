package org.jalousie.core.lettering;

import java.util.Optional;
import java.util.OptionalInt;
import org.jalousie.core.messages.Message;

/** Knows which characters can be printed by the program itself: those that the house's font or one of the machine's has. */
public final class Glyphs {
    private static final TypeSetter SETTER = TypeSetter.here();

    private Glyphs() {}

    /** The first code point that can't be printed; empty when all can. */
    public static OptionalInt firstMissing(String text) {
        return TypeSetter.composed(text)
                .codePoints()
                .filter(c -> !SETTER.has(c))
                .findFirst();
    }

    /**
     * Says that a text would be printed with gaps in it beside the signature and in the signing record; empty when it wouldn't.
     *
     * @param what what the text is, as a sentence begins
     */
    public static Optional<Message> unprintable(Message what, String text) {
        OptionalInt missing = firstMissing(text);
        if (missing.isEmpty()) return Optional.empty();
        return Optional.of(
                Message.of("print.missing", "what", what, "character", Character.toString(missing.getAsInt())));
    }
}
