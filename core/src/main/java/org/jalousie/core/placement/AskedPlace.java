package org.jalousie.core.placement;

import java.util.Optional;

/**
 * A kind of signing field that the party is asked for. Its answer is printed as it was given, on a line, and told in the
 * signing record, unless the kind says otherwise.
 */
public sealed interface AskedPlace extends SigningFieldType
        permits TextPlace, LinesPlace, NumberPlace, DatePlace, TickPlace, ChoicePlace {
    /** Said beside the input; may be empty. */
    String hint();

    @Override
    default boolean asked() {
        return true;
    }

    @Override
    default boolean lined() {
        return true;
    }

    @Override
    default Printed printed(PartyAct act) {
        return new Printed.Words(act.answer());
    }

    @Override
    default Optional<String> told(String answer) {
        return Optional.of(answer);
    }
}
