package org.jalousie.core.placement;

/** Whether a signing field that stands several times in a document is answered once. */
public enum Repeats {
    /** In a header or footer once, elsewhere at each place. */
    USUAL,
    /** One answer, shown at all its places. */
    ONE_ANSWER,
    /** An answer for each place. */
    EACH_ITS_OWN
}
