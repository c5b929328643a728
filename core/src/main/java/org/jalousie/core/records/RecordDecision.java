package org.jalousie.core.records;

import java.util.Optional;

/** What is to be done with a record that was just read. */
public enum RecordDecision {
    /** Nothing, and nothing has to be known of it any more. */
    FORGET,
    /** Nothing. */
    LEAVE,
    /** An agreement is made of it. */
    TAKE,
    /** What was written last is written once more: it is not what the record says. */
    WRITE_AGAIN;

    /**
     * Decides by what the record says and what was done with it before. A record is taken once, and again only when its agreement
     * came to nothing, that was written back, and somebody has set it to be wanted after that.
     *
     * @param wanted whether its status says that an agreement is to be made
     * @param taken whether it was taken in before
     * @param told whether it still says that it has to be mended, as it was told
     * @param writing whether something is still to be written back
     * @param written whether its status was changed since it was taken; where it can't be, it would be taken for ever
     * @param last the last step
     */
    public static RecordDecision of(
            boolean wanted, boolean taken, boolean told, boolean writing, boolean written, Optional<RecordStep> last) {
        if (!taken) return wanted ? TAKE : told || writing ? LEAVE : FORGET;
        if (!wanted || writing) return LEAVE;
        boolean over =
                last.filter(step -> step.inVain() || step == RecordStep.FAULTY).isPresent();
        return written && over ? TAKE : WRITE_AGAIN;
    }
}
