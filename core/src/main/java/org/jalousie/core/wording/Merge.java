package org.jalousie.core.wording;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;

/** Runs compiled segments with the values of one agreement. Values are always data: never read as tags or markup. */
final class Merge {
    private final Map<String, Value> values;
    private final Printer printer;
    private final Map<String, String> printed = new HashMap<>();

    Merge(Map<String, Value> values, Locale language) {
        this.values = values;
        this.printer = Printer.in(language);
    }

    String run(List<Segment> segments) {
        StringBuilder out = new StringBuilder(32 * 1024);
        run(segments, out);
        return out.toString();
    }

    private void run(List<Segment> segments, StringBuilder out) {
        for (Segment segment : segments) {
            if (segment instanceof Segment.Literal literal) {
                out.append(literal.xml());
            } else if (segment instanceof Segment.Slot slot) {
                slot(slot, out);
            } else if (segment instanceof Segment.PlainSlot slot) {
                out.append(SafeXml.escape(text(slot.name(), slot.print())));
            } else if (segment instanceof Segment.Section section) {
                if (holds(section.name()) != section.inverted()) run(section.body(), out);
            } else if (segment instanceof Segment.Serving serving) {
                if (serving.groups().stream().allMatch(this::anyPrints)) run(serving.body(), out);
            }
        }
    }

    private void slot(Segment.Slot slot, StringBuilder out) {
        String text = text(slot.name(), slot.print());
        if (text.isEmpty()) return;
        String open = "<" + slot.prefix() + "t xml:space=\"preserve\">";
        String close = "</" + slot.prefix() + "t>";
        int at = 0;
        for (int i = 0; i <= text.length(); i++) {
            boolean end = i == text.length();
            if (!end && text.charAt(i) != '\n' && text.charAt(i) != '\t') continue;
            if (i > at)
                out.append(open).append(SafeXml.escape(text.substring(at, i))).append(close);
            if (!end) out.append('<').append(slot.prefix()).append(text.charAt(i) == '\n' ? "br/>" : "tab/>");
            at = i + 1;
        }
    }

    private boolean anyPrints(List<String> names) {
        return names.stream().anyMatch(name -> !text(name, "").isEmpty());
    }

    /** A yes/no field holds when it is yes; any other when it is not empty. */
    private boolean holds(String name) {
        Value value = values.get(name);
        if (value instanceof Value.YesNo yesNo) return yesNo.yes();
        return value != null && !text(name, "").isEmpty();
    }

    private String text(String name, String print) {
        Value value = values.get(name);
        if (value == null) return "";
        return printed.computeIfAbsent(print.isEmpty() ? name : name + "." + print, key -> {
            String text = printer.print(value, print);
            int bad = ValueReader.firstUnprintable(text);
            if (bad >= 0) {
                throw new IllegalArgumentException("The value of " + name
                        + " holds a character that can't be printed, at place " + (bad + 1) + ".");
            }
            return text;
        });
    }
}
