package org.jalousie.core.placement;

import java.util.Optional;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;

/**
 * A kind of signing field that the party is asked for. Its answer is printed as it was given, on a line, and told in the
 * signing record, unless the kind says otherwise.
 */
public sealed interface AskedPlace extends SigningFieldType
        permits TextPlace, LinesPlace, NumberPlace, DatePlace, TickPlace, ChoicePlace, MoneyPlace, FilePlace {
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

    /** What an answer is, for what is worked out from it. */
    default FieldType gives() {
        return FieldType.TEXT;
    }

    /** What an answer is worth to a formula, as it is kept. */
    default String worth(String answer) {
        return answer;
    }

    /** What is wrong with an answer by itself, wherever it is printed; empty when nothing is. @param answer not empty */
    default Optional<Message> wrong(String answer) {
        return Optional.empty();
    }

    @Override
    default Optional<Message> fault(String answer) {
        if (answer.isEmpty()) return Optional.empty();
        Optional<Message> wrong = wrong(answer);
        return wrong.isPresent() ? wrong : Room.fault(this, answer);
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
