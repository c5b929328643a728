package org.jalousie.core.letters;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What a mail says, in no form yet: as plain text, or as HTML that looks like the office's.
 *
 * @param language BCP 47 tag of its words
 * @param parts in their order
 */
public record LetterText(String language, List<Part> parts) {
    public LetterText {
        parts = List.copyOf(parts);
    }

    /** One part of it. */
    public sealed interface Part {}

    /** A paragraph; lines in it stay lines. */
    public record Said(String text) implements Part {}

    /** An address to go to. @param label what happens there */
    public record Way(String address, String label) implements Part {}

    /** What is said beside, such as why it came. */
    public record Aside(String text) implements Part {}

    /** Who writes. */
    public record Signed(String office) implements Part {}

    /** Gathers the parts of a letter. */
    static final class Draft {
        private final List<Part> parts = new ArrayList<>();

        Draft say(String text) {
            if (!text.isBlank()) parts.add(new Said(text));
            return this;
        }

        Draft way(String address, String label) {
            if (!address.isEmpty()) parts.add(new Way(address, label));
            return this;
        }

        Draft aside(String text) {
            parts.add(new Aside(text));
            return this;
        }

        LetterText signed(String office, String language) {
            parts.add(new Signed(office));
            return new LetterText(language, parts);
        }
    }

    /** As plain text: paragraphs with a blank line between, an address on a line of its own. */
    public String plain() {
        return parts.stream().map(LetterText::plain).collect(Collectors.joining("\n\n")) + "\n";
    }

    private static String plain(Part part) {
        if (part instanceof Said said) return said.text();
        if (part instanceof Way way) return way.address();
        if (part instanceof Aside aside) return aside.text();
        return ((Signed) part).office();
    }

    /** As HTML that needs nothing from elsewhere: what it shows comes with the mail. */
    public String html(OfficeLook look) {
        return LetterHtml.of(this, look);
    }
}
