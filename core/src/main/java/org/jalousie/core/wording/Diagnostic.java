package org.jalousie.core.wording;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;

/**
 * Something in the wording that can't be read as it stands, or that looks like a slip.
 *
 * @param code stable, for tests and documentation, for example {@code tag-unclosed}; docs/tags.md lists them
 * @param part which part of the document: body, header, footer, notes, properties, or a clause's name
 * @param place the words around it
 * @param message what is wrong
 * @param cure what to do
 * @param names names of data that it speaks of, for what can be done with them at once
 * @param blocks whether publishing has to wait for it; otherwise it is advice
 */
public record Diagnostic(
        String code, String part, String place, Message message, Message cure, boolean blocks, List<String> names) {
    /** A finding that speaks of no names. */
    public Diagnostic(String code, String part, String place, Message message, Message cure, boolean blocks) {
        this(code, part, place, message, cure, blocks, List.of());
    }

    public Diagnostic(String code, String part, String place, Message message, Message cure) {
        this(code, part, place, message, cure, true);
    }

    /** The same finding in a part that is called otherwise. */
    public Diagnostic in(String otherPart) {
        return new Diagnostic(code, otherPart, place, message, cure, blocks, names);
    }

    /** Each finding once: copies of a text box and headers of several kinds say the same again. */
    public static List<Diagnostic> once(List<Diagnostic> all) {
        Map<List<Object>, Diagnostic> first = new LinkedHashMap<>();
        all.forEach(one -> first.putIfAbsent(List.of(one.code, one.place, one.message), one));
        return List.copyOf(first.values());
    }
}
