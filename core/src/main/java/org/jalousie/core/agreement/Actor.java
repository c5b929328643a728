package org.jalousie.core.agreement;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** Who did something. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Actor.Coordinator.class, name = "Coordinator"),
    @JsonSubTypes.Type(value = Actor.Participant.class, name = "Participant"),
    @JsonSubTypes.Type(value = Actor.Program.class, name = "Program")
})
public sealed interface Actor {
    Actor PROGRAM = new Program();

    /** Network address and browser, for who comes from outside; empty for others. */
    default String from() {
        return "";
    }

    /**
     * Somebody of the office.
     *
     * @param account the mail address signed in with; empty in what was stored before it was kept
     */
    record Coordinator(String account, String name) implements Actor {}

    /**
     * Somebody who has a part in the agreement.
     *
     * @param party the key
     * @param proof how it is known that it was they
     */
    record Participant(String party, Proof proof, String from) implements Actor {}

    /** The program itself: a job, or time. */
    record Program() implements Actor {}

    /** How it is known who somebody is. */
    enum Proof {
        /** They had the link that was mailed to them and to nobody else. */
        MAILED_LINK
    }
}
