package org.jalousie.core.placement;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/**
 * A kind of signing field with its settings. Each kind says in its own file how it is completed, how it is printed and how it
 * reads in the signing record; nothing elsewhere asks which kind a field is.
 *
 * <p>To add a kind: its file here, its line in the list of this head and among those that are permitted here, in {@link AskedPlace} or in {@link DerivedPlace}, one in {@link SigningFieldTypes}, and its file in {@code web/src/signingFields}.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = SignaturePlace.class, name = SignaturePlace.KIND),
    @JsonSubTypes.Type(value = InitialsPlace.class, name = InitialsPlace.KIND),
    @JsonSubTypes.Type(value = SigningDatePlace.class, name = SigningDatePlace.KIND),
    @JsonSubTypes.Type(value = FullNamePlace.class, name = FullNamePlace.KIND),
    @JsonSubTypes.Type(value = TextPlace.class, name = TextPlace.KIND),
    @JsonSubTypes.Type(value = LinesPlace.class, name = LinesPlace.KIND),
    @JsonSubTypes.Type(value = NumberPlace.class, name = NumberPlace.KIND),
    @JsonSubTypes.Type(value = DatePlace.class, name = DatePlace.KIND),
    @JsonSubTypes.Type(value = TickPlace.class, name = TickPlace.KIND),
    @JsonSubTypes.Type(value = ChoicePlace.class, name = ChoicePlace.KIND),
    @JsonSubTypes.Type(value = MoneyPlace.class, name = MoneyPlace.KIND),
    @JsonSubTypes.Type(value = FilePlace.class, name = FilePlace.KIND),
    @JsonSubTypes.Type(value = CopyPlace.class, name = CopyPlace.KIND),
    @JsonSubTypes.Type(value = WorkedOutPlace.class, name = WorkedOutPlace.KIND)
})
public sealed interface SigningFieldType
        permits SignaturePlace, InitialsPlace, SigningDatePlace, FullNamePlace, AskedPlace, DerivedPlace {
    /** The kind's name: in a tag the word after the party's, in what is stored its {@code kind}. */
    String kind();

    /** The room that is kept for it in the words, as it is settled. */
    BoxSize size();

    /** Whether the party can't finish without it. */
    boolean required();

    /** Whether the party types it, and not the program or the mark. */
    default boolean asked() {
        return false;
    }

    /**
     * What a party typed, as it is kept.
     *
     * @param typing how their language writes numbers
     * @throws ValueReader.Unreadable saying what can't be read, or not in one way only
     */
    default String taken(String typed, Typing typing) throws ValueReader.Unreadable {
        return typed;
    }

    /**
     * What is wrong with an answer, for who gave it; empty when it can be taken.
     *
     * @param answer without blanks at its ends; may be empty
     */
    default Optional<Message> fault(String answer) {
        return Optional.empty();
    }

    /** What is wrong with what stands there before anything is typed; empty when nothing is, or nothing stands there. */
    default Optional<Message> presetFault() {
        return Optional.empty();
    }

    /** The same kind with something else in it before anything is typed; as it is where that can't be taken. @param raw as it is kept */
    default SigningFieldType beginning(String raw) {
        return this;
    }

    /** The same kind where fields have other names. */
    default SigningFieldType referring(UnaryOperator<String> called) {
        return this;
    }

    /** Whether another field can wait for one certain answer: not where one answer can be typed in several ways. */
    default boolean canBeWaitedFor() {
        return true;
    }

    /** What is wrong with the limits that it sets; empty when nothing is, or it sets none. */
    default Optional<Message> limitsFault() {
        return Optional.empty();
    }

    /** What is wrong with the answers that it offers; empty when nothing is, or it offers none. */
    default Optional<Message> optionsFault() {
        return Optional.empty();
    }

    /** Whether a tag that names the one kind may be settled to be the other: what the party is asked for may take several forms. */
    default boolean standsFor(SigningFieldType named) {
        return kind().equals(named.kind()) || asked() && named.asked();
    }

    /** What stands in its place once the party has acted. */
    Printed printed(PartyAct act);

    /** Whether what is printed may have several lines, and is set smaller until it fits. */
    default boolean manyLines() {
        return false;
    }

    /** Whether a fine line is drawn where it will stand. */
    boolean lined();

    /** How what was completed reads in the signing record; empty for what the record tells as an event of its own. */
    default Optional<String> told(String answer) {
        return Optional.empty();
    }

    /** Whether this is a place for the party's signature. */
    default boolean signs() {
        return false;
    }
}
