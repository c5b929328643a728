package org.jalousie.core.wording;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;

/**
 * Runs the compiled segments of one part with the values of one agreement. Values are always data: never read as tags or
 * markup.
 */
final class Merge {
    private final Printer printer;
    private final Map<String, String> printed = new HashMap<>();
    private final Pictures pictures;
    private final RichRuns rich;
    private final BitSet reached;
    private final boolean everything;
    private final Scope root;
    private final String part;

    /** @param everything whether every passage is printed, whatever the values say */
    Merge(
            String part,
            Map<String, Value> values,
            Printer printer,
            Pictures pictures,
            BitSet reached,
            boolean everything) {
        this.everything = everything;
        this.root = new Scope(values);
        this.printer = printer;
        this.pictures = pictures;
        this.rich = new RichRuns(part, pictures.additions());
        this.reached = reached;
        this.part = part;
    }

    String run(List<Segment> segments) {
        StringBuilder out = new StringBuilder(32 * 1024);
        run(segments, root, out);
        return out.toString();
    }

    private void run(List<Segment> segments, Scope scope, StringBuilder out) {
        for (Segment segment : segments) run(segment, scope, out);
    }

    private void run(Segment segment, Scope scope, StringBuilder out) {
        if (segment instanceof Segment.Literal literal) {
            out.append(literal.xml());
        } else if (segment instanceof Segment.Slot slot) {
            slot(slot, scope, out);
        } else if (segment instanceof Segment.PlainSlot slot) {
            String text = text(slot.name(), slot.print(), scope);
            out.append(SafeXml.escape(
                    slot.inAddress()
                            ? URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20")
                            : text));
        } else if (segment instanceof Segment.Section section) {
            section(section, scope, out);
        } else if (segment instanceof Segment.Serving serving) {
            if (serving.groups().stream().allMatch(names -> anyPrints(names, scope))) run(serving.body(), scope, out);
        } else if (segment instanceof Segment.Line line) {
            line(line, scope, out);
        } else if (segment instanceof Segment.PictureBox box) {
            if (scope.find(box.name()).orElse(null) instanceof Value.Picture picture) {
                StringBuilder body = new StringBuilder();
                run(box.body(), scope, body);
                out.append(pictures.intoBox(part, body.toString(), box, picture));
            }
        } else if (segment instanceof Segment.Cell cell) {
            int start = out.length();
            run(cell.body(), scope, out);
            String open = "<" + cell.prefix() + "p";
            boolean paragraph = out.indexOf(open + ">", start) >= 0
                    || out.indexOf(open + " ", start) >= 0
                    || out.indexOf(open + "/>", start) >= 0;
            if (!paragraph || endsWith(out, "</" + cell.prefix() + "tbl>"))
                out.append(open).append("/>");
        } else if (segment instanceof Segment.Table table) {
            int start = out.length();
            run(table.body(), scope, out);
            boolean rows = out.indexOf("<" + table.prefix() + "tr>", start) >= 0
                    || out.indexOf("<" + table.prefix() + "tr ", start) >= 0;
            if (!rows) out.setLength(start);
        }
    }

    /** Looks at the end only: a search from the end would run through all that was written so far. */
    private static boolean endsWith(StringBuilder out, String end) {
        int start = out.length() - end.length();
        return start >= 0 && out.indexOf(end, start) == start;
    }

    private void section(Segment.Section section, Scope scope, StringBuilder out) {
        boolean dotted = section.name().indexOf('.') > 0;
        Optional<Value> value = dotted ? Optional.empty() : scope.find(section.name());
        if (!section.inverted() && value.orElse(null) instanceof Value.Items items) {
            int position = 0;
            for (Map<String, Value> item : items.items()) {
                reached.set(section.passage());
                run(section.body(), new Scope(item, ++position, scope), out);
            }
        } else if (everything || scope.holds(section.name(), printer) != section.inverted()) {
            reached.set(section.passage());
            run(section.body(), scope, out);
        }
    }

    private void slot(Segment.Slot slot, Scope scope, StringBuilder out) {
        Value value = scope.find(slot.name()).orElse(null);
        if (value == null) return;
        if (value instanceof Value.Rich text && !slot.print().equals("plain")) {
            rich.inline(text.html(), slot, out);
        } else if (value instanceof Value.Picture
                || FieldType.width(slot.print()).isPresent()) {
            pictures.inLine(part, slot, value, text(slot.name(), "", scope), printer)
                    .ifPresent(
                            drawing -> out.append(slot.before()).append(drawing).append(slot.after()));
        } else {
            String text = text(slot.name(), slot.print(), scope);
            if (text.isEmpty()) return;
            out.append(slot.before());
            RichRuns.words(text, slot.prefix(), out);
            out.append(slot.after());
        }
    }

    private void line(Segment.Line line, Scope scope, StringBuilder out) {
        if (!anyPrints(line.names(), scope)) return;
        boolean one = line.body().size() == 3 && line.body().get(1) instanceof Segment.Slot;
        if (one
                && line.body().get(0) instanceof Segment.Literal start
                && line.body().get(2) instanceof Segment.Literal end
                && scope.find(line.names().get(0)).orElse(null) instanceof Value.Rich text) {
            Segment.Slot slot = (Segment.Slot) line.body().get(1);
            rich.paragraphs(text.html(), slot, start.xml(), end.xml(), out);
        } else {
            run(line.body(), scope, out);
        }
    }

    private boolean anyPrints(List<String> names, Scope scope) {
        return names.stream()
                .anyMatch(name -> scope.find(name).filter(Scope::prints).isPresent());
    }

    private String text(String name, String print, Scope scope) {
        Value value = scope.find(name).orElse(null);
        if (value == null) return "";
        if (scope != root) return checked(name, printer.print(value, print));
        return printed.computeIfAbsent(
                print.isEmpty() ? name : name + "." + print, key -> checked(name, printer.print(value, print)));
    }

    private static String checked(String name, String text) {
        int bad = ValueReader.firstUnprintable(text);
        if (bad >= 0) {
            throw new IllegalArgumentException(
                    "The value of " + name + " holds a character that can't be printed, at place " + (bad + 1) + ".");
        }
        return text;
    }
}
