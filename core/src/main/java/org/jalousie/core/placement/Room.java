package org.jalousie.core.placement;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import org.jalousie.core.lettering.Glyphs;
import org.jalousie.core.lettering.TextBox;
import org.jalousie.core.lettering.TypeSetter;
import org.jalousie.core.messages.Message;

/** The room that a signing field has for words, and whether they can be shown in it. */
public final class Room {
    private static final float POINTS_PER_MM = 72 / 25.4f;
    private static final float LARGEST_OF_MANY = 12;

    private Room() {}

    /** The type size that is wished in a place, in points; the words are set smaller where they need it. */
    static float typeSize(SigningFieldType type) {
        if (type.manyLines()) return LARGEST_OF_MANY;
        return type.size().heightMm() < 8 ? 10 : 12;
    }

    /** Why an answer can't be shown in its place; empty when it can. @param answer as it is kept */
    static Optional<Message> fault(SigningFieldType type, String answer) {
        return type.printed(new PartyAct(answer, "", "", Locale.ENGLISH)) instanceof Printed.Words words
                ? faultOf(type, words.text())
                : Optional.empty();
    }

    /** Why the datum that a field shows can't be shown in its place; empty when it can, or the field shows none. */
    public static Optional<Message> faultOfDatum(SigningField field) {
        return field.type() instanceof CopyPlace
                ? faultOf(field.type(), field.from().printed())
                : Optional.empty();
    }

    /** Why a person's name can't be shown where a field prints it; empty when it can, or the field doesn't. */
    public static Optional<Message> faultOfName(SigningFieldType type, String name) {
        return type.printed(new PartyAct("", name, "", Locale.ENGLISH)) instanceof Printed.Words words
                ? faultOf(type, words.text())
                : Optional.empty();
    }

    /** Why words can't be shown in the place of a field; empty when they can. */
    private static Optional<Message> faultOf(SigningFieldType type, String words) {
        // ends of lines are lines of their own, and tabs are set as blanks
        OptionalInt missing = Glyphs.firstMissing(words.replaceAll("[\n\r\t]", ""));
        if (missing.isPresent())
            return Optional.of(Message.of("field.character", "character", Character.toString(missing.getAsInt())));
        TextBox box = new TextBox(
                (float) type.size().widthMm() * POINTS_PER_MM,
                (float) type.size().heightMm() * POINTS_PER_MM,
                typeSize(type),
                type.manyLines());
        if (box.set(words, TypeSetter.here()).isPresent()) return Optional.empty();
        return Optional.of(
                type.manyLines()
                        ? Message.of("field.no-room", "lines", box.mostLines(TextBox.SMALLEST))
                        : Message.of("field.too-wide"));
    }
}
