package org.jalousie.core.rules;

import java.util.List;
import org.jalousie.core.data.Field;

/**
 * One of several cases, of which exactly one is true: the first whose condition holds, else the last.
 *
 * @param cases two at least; the last is "otherwise" and has no condition
 */
public record CaseChoice(String name, String label, List<Case> cases) {
    public CaseChoice {
        cases = cases == null ? List.of() : List.copyOf(cases);
    }

    /**
     * @param label how the case reads; its {@link #key()} follows from it
     * @param condition FEEL, empty for the last case
     * @param clause the clause that {@code {{>*choice}}} brings in this case, or empty for none
     */
    public record Case(String label, String condition, String clause) {
        public Case {
            condition = condition == null ? "" : condition;
            clause = clause == null ? "" : clause;
        }

        /** What a tag says after the choice's name. */
        public String key() {
            return Field.caseKey(label);
        }
    }
}
