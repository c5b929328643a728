package org.jalousie.core.wording.compile;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;

/** Notes whose marks stand in a passage: each is printed with its passage, as often and with the same item's values. */
public final class Notes {
    private final PackageParts pack;
    private final Set<String> moving = new LinkedHashSet<>();
    private final Map<String, Integer> highest = new HashMap<>();

    Notes(PackageParts pack) {
        this.pack = pack;
    }

    /** The part that holds the notes that a mark leads to, or an empty text. */
    String partOf(String part, Element mark) {
        return pack.related(part, Word.local(mark).equals("footnoteReference") ? "footnotes" : "endnotes");
    }

    /** The note that a mark leads to, or null. */
    public Element noteOf(String part, Element mark) {
        String notes = partOf(part, mark);
        if (notes.isEmpty()) return null;
        for (Element note : Word.children(pack.document(notes).getDocumentElement())) {
            if (Word.attribute(note, "id").equals(Word.attribute(mark, "id"))) return note;
        }
        return null;
    }

    /** The highest number of a note in each part of notes. */
    Map<String, Integer> highest() {
        return highest;
    }

    void frame(Part part, SectionMarkers markers) {
        String root = Word.local(part.document.getDocumentElement());
        if (root.equals("footnotes") || root.equals("endnotes")) {
            for (Element note : Word.children(part.document.getDocumentElement())) {
                String id = Word.attribute(note, "id");
                if (id.matches("\\d{1,9}")) highest.merge(part.name, Integer.parseInt(id), Math::max);
                if (!moving.contains(part.name + " " + id)) continue;
                markers.wrap(note, note, new Segment.Note(id, java.util.List.of()));
                Word.replaceAttribute(note, "id", markers.slot(new Segment.NoteNumber()));
            }
            return;
        }
        SectionWalk.through(part, markers, (element, sections) -> {
            if (sections.isEmpty()) return;
            String name = Word.local(element);
            if (!name.equals("footnoteReference") && !name.equals("endnoteReference")) return;
            String notes = partOf(part.name, element);
            String id = Word.attribute(element, "id");
            if (notes.isEmpty() || noteOf(part.name, element) == null) return;
            moving.add(notes + " " + id);
            Word.replaceAttribute(element, "id", markers.slot(new Segment.NoteMark(notes, id)));
        });
    }
}
