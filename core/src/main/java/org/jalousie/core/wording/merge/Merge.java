package org.jalousie.core.wording.merge;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.wording.Origin;
import org.jalousie.core.wording.Stretch;
import org.jalousie.core.wording.compile.Segment;
import org.jalousie.core.wording.compile.Tally;
import org.jalousie.core.wording.docx.SafeXml;

/**
 * Runs the compiled segments of one part with the values of one agreement. Values are always data: never read as tags or
 * markup. What is written is counted as it is written, so that the finished part can be reconciled with it.
 */
public final class Merge {
    private final MergeRun run;
    private final Printer printer;
    private final Map<String, String> printed = new HashMap<>();
    private final Pictures pictures;
    private final RichRuns rich;
    private final Scope root;
    private final String part;
    private final Tally written = new Tally();
    private final Trace trace = new Trace();
    private String gap = "";
    private String noteNumber = "";

    public Merge(String part, Scope root, MergeRun run) {
        this.run = run;
        this.root = root;
        this.printer = run.printer();
        this.pictures = run.pictures();
        this.rich = new RichRuns(part, pictures.additions());
        this.part = part;
    }

    /** What was written, by kind. */
    public Tally written() {
        return written;
    }

    /** What put which stretch of the part there, by where each ends. */
    public List<Stretch> stretches() {
        return trace.stretches();
    }

    public String run(List<Segment> segments) {
        StringBuilder out = new StringBuilder(32 * 1024);
        run(segments, root, out);
        return out.toString();
    }

    /** One printing of a note, under the number that its mark has. */
    PrintedNote note(Segment.Note note, String number, Scope scope) {
        noteNumber = number;
        StringBuilder out = new StringBuilder();
        int traced = trace.size();
        run(note.body(), scope, out);
        List<Stretch> own = trace.takeBack(traced);
        return new PrintedNote(out.toString(), own);
    }

    /** @param stretches within its own XML */
    record PrintedNote(String xml, List<Stretch> stretches) {}

    private void run(List<Segment> segments, Scope scope, StringBuilder out) {
        for (Segment segment : segments) run(segment, scope, out);
    }

    private void run(Segment segment, Scope scope, StringBuilder out) {
        if (segment instanceof Segment.Literal literal) {
            literal(literal, out);
        } else if (segment instanceof Segment.Slot slot) {
            slot(slot, scope, out);
        } else if (segment instanceof Segment.PlainSlot slot) {
            plain(slot, scope, out);
        } else if (segment instanceof Segment.Section section) {
            section(section, scope, out);
        } else if (segment instanceof Segment.Serving serving) {
            if (serving.groups().stream().allMatch(names -> anyPrints(names, scope))) run(serving.body(), scope, out);
        } else if (segment instanceof Segment.Line line) {
            line(line, scope, out);
        } else if (segment instanceof Segment.PictureBox box) {
            pictureBox(box, scope, out);
        } else if (segment instanceof Segment.Cell cell) {
            cell(cell, scope, out);
        } else if (segment instanceof Segment.Table table) {
            table(table, scope, out);
        } else if (segment instanceof Segment.Gap place) {
            if (endsWith(out, "</" + place.prefix() + "tbl>")) gap = place.paragraph();
        } else if (segment instanceof Segment.Once once) {
            out.append(run.once(once));
        } else if (segment instanceof Segment.Link link) {
            StringBuilder address = new StringBuilder();
            int traced = trace.size();
            run(link.address(), scope, address);
            trace.takeBack(traced);
            out.append(pictures.additions().link(part, followed(SafeXml.unescape(address.toString()))));
        } else if (segment instanceof Segment.NoteMark mark) {
            out.append(run.note(mark, scope));
        } else if (segment instanceof Segment.Note note) {
            for (PrintedNote one : run.notes(part, note.id())) {
                trace.put(one.stretches(), out.length());
                written.add(Tally.of(one.xml()));
                out.append(one.xml());
            }
        } else if (segment instanceof Segment.ClauseMark mark) {
            trace.clause(mark, out);
        } else if (segment instanceof Segment.NoteNumber) {
            out.append(noteNumber);
        }
    }

    private void literal(Segment.Literal literal, StringBuilder out) {
        if (!gap.isEmpty()) {
            if (literal.xml().startsWith("<" + tableOf(gap))) insert(gap, out);
            if (!literal.xml().isBlank()) gap = "";
        }
        out.append(literal.xml());
        written.add(literal.holds());
    }

    /** The name of a table's element, with the prefix that the paragraph between has. */
    private static String tableOf(String paragraph) {
        int colon = paragraph.indexOf(':');
        int end = paragraph.indexOf("p", 1);
        return colon > 0 && colon < end ? paragraph.substring(1, colon + 1) + "tbl" : "tbl";
    }

    /** Writes XML that is none of the template's own. */
    private void insert(String xml, StringBuilder out) {
        out.append(xml);
        written.add(Tally.of(xml));
    }

    private void cell(Segment.Cell cell, Scope scope, StringBuilder out) {
        int start = out.length();
        run(cell.body(), scope, out);
        String open = "<" + cell.prefix() + "p";
        boolean paragraph = out.indexOf(open + ">", start) >= 0
                || out.indexOf(open + " ", start) >= 0
                || out.indexOf(open + "/>", start) >= 0;
        if (!paragraph || endsWith(out, "</" + cell.prefix() + "tbl>")) insert(cell.filler(), out);
    }

    /** A table of which no row is left goes, and nothing but its grid with it. */
    private void table(Segment.Table table, Scope scope, StringBuilder out) {
        int start = out.length();
        int traced = trace.size();
        Tally before = written.copy();
        run(table.body(), scope, out);
        boolean rows = out.indexOf("<" + table.prefix() + "tr>", start) >= 0
                || out.indexOf("<" + table.prefix() + "tr ", start) >= 0;
        if (rows) return;
        out.setLength(start);
        trace.takeBack(traced);
        written.become(before);
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
                run.reach(section.passage(), ++position);
                int start = out.length();
                Scope inside = new Scope(section.name(), item, items.names(), position, scope);
                run(section.body(), inside, out);
                trace.note(start, out, new Origin.Printing(section.passage(), inside.positions()));
            }
            run.leave(section.passage());
        } else if (run.everything() || scope.holds(section.name(), printer) != section.inverted()) {
            run.reach(section.passage(), 1);
            boolean aside = run.everything() && Aside.within(section.body()) && Aside.fits(out);
            if (aside) insert(Aside.run(Aside.OPEN, out), out);
            int start = out.length();
            run(section.body(), scope, out);
            trace.note(start, out, new Origin.Printing(section.passage(), scope.positions()));
            if (aside) insert(Aside.run(Aside.CLOSE, out), out);
            run.leave(section.passage());
        }
    }

    private void plain(Segment.PlainSlot slot, Scope scope, StringBuilder out) {
        String text = text(slot.name(), slot.print(), scope);
        String written = SafeXml.escape(
                slot.inAddress()
                        ? URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20")
                        : text);
        int start = out.length();
        out.append(written);
        if (!slot.inWords()) return;
        this.written.letters(written);
        trace.value(start, out, slot.name(), slot.print(), scope);
    }

    private void slot(Segment.Slot slot, Scope scope, StringBuilder out) {
        Value value = scope.find(slot.name()).orElse(null);
        if (value == null) return;
        int start = out.length();
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
            written.words(text);
            trace.value(start, out, slot.name(), slot.print(), scope);
            return;
        }
        written.add(Tally.of(out.substring(start)));
        trace.value(start, out, slot.name(), slot.print(), scope);
    }

    private void pictureBox(Segment.PictureBox box, Scope scope, StringBuilder out) {
        if (!(scope.find(box.name()).orElse(null) instanceof Value.Picture picture)) return;
        StringBuilder body = new StringBuilder();
        int traced = trace.size();
        run(box.body(), scope, body);
        trace.takeBack(traced);
        out.append(pictures.intoBox(part, body.toString(), box, picture));
    }

    private void line(Segment.Line line, Scope scope, StringBuilder out) {
        if (!line.stays() && !anyPrints(line.names(), scope)) return;
        boolean one = line.body().size() == 3 && line.body().get(1) instanceof Segment.Slot;
        if (one
                && line.body().get(0) instanceof Segment.Literal start
                && line.body().get(2) instanceof Segment.Literal end
                && scope.find(line.names().get(0)).orElse(null) instanceof Value.Rich text) {
            Segment.Slot slot = (Segment.Slot) line.body().get(1);
            int before = out.length();
            rich.paragraphs(text.html(), slot, start.xml(), line.further(), end.xml(), out);
            written.add(Tally.of(out.substring(before)));
            trace.value(before, out, slot.name(), slot.print(), scope);
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

    /** A value that is the whole of an address may only lead where a reader may be led: nothing is run or opened by it. */
    private static String followed(String address) {
        boolean scheme = address.matches("(?s)[A-Za-z][A-Za-z0-9+.-]*:.*");
        return !scheme || address.matches("(?is)(https?|mailto|tel):.*") ? address : "";
    }

    private static String checked(String name, String text) {
        int bad = ValueReader.firstUnprintable(text);
        if (bad >= 0) {
            throw new NotPossible(Message.of("merge.character", "name", name, "place", (bad + 1)));
        }
        return text;
    }
}
