package org.jalousie.core.wording;

import java.util.Map;

/**
 * The clauses that a wording may include.
 *
 * @param library clauses by name
 * @param byChoice for each choice, the clause of each of its cases by the case's key; cases without a clause are absent
 */
public record Clauses(Map<String, WordFile> library, Map<String, Map<String, String>> byChoice) {
    /** The clause that the program makes itself of a form's questions, called as its tag: no clause of the library can be. */
    public static final String ANSWERS = "answers.block";

    /** {@code {{answers.block}}} is the tag that brings it. */
    public static final String ANSWERS_TAG = "answers";

    public static final Clauses NONE = new Clauses(Map.of(), Map.of());
}
