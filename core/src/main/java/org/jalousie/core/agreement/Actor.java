package org.jalousie.core.agreement;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.PartyKey;

/** Who did something. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Actor.Coordinator.class, name = "Coordinator"),
    @JsonSubTypes.Type(value = Actor.Participant.class, name = "Participant"),
    @JsonSubTypes.Type(value = Actor.Program.class, name = "Program"),
    @JsonSubTypes.Type(value = Actor.OtherProgram.class, name = "OtherProgram"),
    @JsonSubTypes.Type(value = Actor.OnBehalf.class, name = "OnBehalf"),
    @JsonSubTypes.Type(value = Actor.Unknown.class, name = "Unknown")
})
public sealed interface Actor {
    Actor PROGRAM = new Program();

    /** Network address and browser, for who comes from outside; empty for others. */
    default String from() {
        return "";
    }

    /** Who acts for the office: somebody of it, or a program that it let in. */
    sealed interface Office extends Actor permits Coordinator, OtherProgram {
        String name();

        /** The mail address that a person signs in with; empty for a program. */
        String account();
    }

    /**
     * Somebody of the office.
     *
     * @param account the mail address signed in with; empty in what was stored before it was kept
     */
    record Coordinator(String account, String name) implements Office {}

    /**
     * Somebody who has a part in the agreement.
     *
     * @param party the key
     * @param proof how it is known that it was they
     */
    record Participant(PartyKey party, Proof proof, String from) implements Actor {}

    /** The program itself: a job, or time. */
    record Program() implements Actor {}

    /**
     * Another program of the office's.
     *
     * @param key which of its keys it came with
     * @param name what the office calls it
     */
    record OtherProgram(String key, String name, String from) implements Office {
        @Override
        public String account() {
            return "";
        }
    }

    /**
     * Somebody who acted for a party, such as the office for a person who signed on paper.
     *
     * @param by who did it
     * @param party the key of the party for whom
     */
    record OnBehalf(Actor by, PartyKey party) implements Actor {
        @Override
        public String from() {
            return by.from();
        }
    }

    /** Somebody whom an earlier version of the program called by a word that isn't known any more. */
    record Unknown(String said) implements Actor {}

    /** How it is known who somebody is. */
    enum Proof {
        /** They had the link that was mailed to them and to nobody else. */
        MAILED_LINK,
        /** They had the link, and a one-time code that was mailed when they came. */
        MAILED_CODE,
        /** They had the link, and a one-time code that was sent to their telephone when they came. */
        TEXTED_CODE,
        /** They had the link, and knew the word that the office had agreed on with them. */
        AGREED_WORD,
        /** They came straight from the form in which they had said who they are; no mail has reached them yet. */
        SENT_FORM,
        /** They were signed in to the office's own rooms, with the account of this mail address. */
        SIGNED_IN;

        /** What was asked of them besides the link. */
        public IdentityCheck check() {
            return switch (this) {
                case MAILED_LINK, SENT_FORM, SIGNED_IN -> IdentityCheck.NONE;
                case MAILED_CODE -> IdentityCheck.MAILED_CODE;
                case TEXTED_CODE -> IdentityCheck.TEXTED_CODE;
                case AGREED_WORD -> IdentityCheck.AGREED_WORD;
            };
        }

        /** By the link and what was asked besides. */
        public static Proof by(IdentityCheck check) {
            return check == IdentityCheck.NONE ? MAILED_LINK : valueOf(check.name());
        }
    }
}
