package org.jalousie.core.placement;

import java.util.Optional;

/** A kind of signing field whose content the program works out: nobody types it, and the act that fills it in keeps it. */
public sealed interface DerivedPlace extends SigningFieldType permits CopyPlace, WorkedOutPlace {
    @Override
    default boolean required() {
        return false;
    }

    @Override
    default boolean lined() {
        return false;
    }

    /** A tag of the coordinator's own word may become one. */
    @Override
    default boolean standsFor(SigningFieldType named) {
        return kind().equals(named.kind()) || named.asked();
    }

    @Override
    default Optional<String> told(String answer) {
        return Optional.of(answer);
    }
}
