package org.jalousie.core.wording;

/** The rooms of the wording's house that nobody from outside enters. */
public final class Rooms {
    public static final String[] BEHIND_THE_FACE = {
        "org.jalousie.core.wording.docx..",
        "org.jalousie.core.wording.tags..",
        "org.jalousie.core.wording.clause..",
        "org.jalousie.core.wording.compile..",
        "org.jalousie.core.wording.merge.."
    };

    private Rooms() {}
}
