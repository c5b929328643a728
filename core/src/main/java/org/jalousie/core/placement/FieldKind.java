package org.jalousie.core.placement;

import java.util.Arrays;
import java.util.Optional;

/** What a signing field is for, with the size that is kept for it in the line, in millimetres. */
public enum FieldKind {
    SIGNATURE("signature", 60, 16, false),
    INITIALS("initials", 22, 10, false),
    DATE_SIGNED("date_signed", 34, 6, true),
    FULL_NAME("full_name", 60, 6, true),
    /** Text that the party completes itself. */
    TEXT("text", 60, 6, false);

    private final String tag;
    private final double widthMm;
    private final double heightMm;
    private final boolean automatic;

    FieldKind(String tag, double widthMm, double heightMm, boolean automatic) {
        this.tag = tag;
        this.widthMm = widthMm;
        this.heightMm = heightMm;
        this.automatic = automatic;
    }

    /** The word after the party's name in a tag. */
    public String tag() {
        return tag;
    }

    public double widthMm() {
        return widthMm;
    }

    public double heightMm() {
        return heightMm;
    }

    /** Whether the program fills it by itself when the party acts. */
    public boolean automatic() {
        return automatic;
    }

    /** The kind that a tag's second word names; empty for a text field of the coordinator's own naming. */
    public static Optional<FieldKind> ofTag(String word) {
        return Arrays.stream(values())
                .filter(kind -> kind != TEXT && kind.tag.equals(word))
                .findFirst();
    }
}
