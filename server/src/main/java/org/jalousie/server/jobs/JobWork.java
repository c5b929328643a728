package org.jalousie.server.jobs;

/** What a kind of job does. Implementations are idempotent: a job may run again after it has done its work. */
public interface JobWork {
    JobKind kind();

    /**
     * @param instance as scheduled: the agreement's id, then after a colon what else is needed
     * @return whether the outside service did its part; false when there was nothing to ask it for
     */
    boolean run(String instance);

    /** It was given up. What is no agreement's tells it where it was asked for. */
    default void givenUp(String instance, String reason) {}
}
