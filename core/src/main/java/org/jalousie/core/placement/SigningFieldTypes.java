package org.jalousie.core.placement;

import java.util.List;
import java.util.Optional;

/** The kinds of signing fields that there are. */
public final class SigningFieldTypes {
    /** One of each with the settings that are usual. */
    public static final List<SigningFieldType> USUAL = List.of(
            new SignaturePlace(),
            new InitialsPlace(),
            new SigningDatePlace(),
            new FullNamePlace(),
            TextPlace.USUAL,
            LinesPlace.USUAL,
            NumberPlace.USUAL,
            DatePlace.USUAL,
            TickPlace.USUAL,
            ChoicePlace.USUAL,
            MoneyPlace.USUAL,
            FilePlace.USUAL,
            new CopyPlace(),
            new WorkedOutPlace());

    private SigningFieldTypes() {}

    /** The kind that a tag's second word names; a word of the coordinator's own names a text. */
    public static SigningFieldType ofTag(String word) {
        return named(word).orElse(TextPlace.USUAL);
    }

    /** The kind that is called so in tags; empty for a word of the coordinator's own. */
    public static Optional<SigningFieldType> named(String word) {
        return USUAL.stream()
                .filter(type -> !type.standsFor(TextPlace.USUAL) && type.kind().equals(word))
                .findFirst();
    }
}
