package org.jalousie.core.wording.merge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.wording.Origin;
import org.jalousie.core.wording.Stretch;
import org.jalousie.core.wording.compile.Segment;

/** What put which stretch of a part there, noted as it is written. */
final class Trace {
    private final List<Stretch> stretches = new ArrayList<>();
    private final Map<Integer, Integer> clauses = new HashMap<>();

    /** By where each ends. */
    List<Stretch> stretches() {
        return stretches;
    }

    /** All from {@code from} to the end of what was written was put there by this; nothing when that is nothing. */
    void note(int from, StringBuilder out, Origin origin) {
        if (out.length() > from) stretches.add(new Stretch(from, out.length(), origin));
    }

    /** A value, in the scope in which its name means something. */
    void value(int from, StringBuilder out, String name, String print, Scope scope) {
        Scope holder = scope.holder(name);
        note(from, out, new Origin.Datum(name, print, holder.list(), holder.positions()));
    }

    void clause(Segment.ClauseMark mark, StringBuilder out) {
        if (mark.begins()) {
            clauses.put(mark.place(), out.length());
            return;
        }
        Integer from = clauses.remove(mark.place());
        if (from != null) note(from, out, new Origin.Clause(mark.place()));
    }

    /** Stretches of what was written elsewhere and is put here. */
    void put(List<Stretch> others, int at) {
        for (Stretch one : others) stretches.add(one.shifted(at));
    }

    int size() {
        return stretches.size();
    }

    /** Takes out what was noted since there were so many: it was written into something else, or goes again. */
    List<Stretch> takeBack(int size) {
        List<Stretch> since = stretches.subList(size, stretches.size());
        List<Stretch> taken = List.copyOf(since);
        since.clear();
        return taken;
    }
}
