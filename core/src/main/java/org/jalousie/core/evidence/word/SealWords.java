package org.jalousie.core.evidence.word;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.Letter;

/**
 * What the office's signature on a Word file says. Tags stand in all of it as in a wording, such as {@code {{lender_name}}}.
 *
 * @param role as whom the office signs (XAdES ClaimedRole, ETSI EN 319 132-1 §5.2.6)
 * @param place where (SignatureProductionPlaceV2, §5.2.5)
 * @param comment why
 * @param line whether a line with name and role is printed at the end of the document
 */
public record SealWords(String role, String place, String comment, boolean line) {
    /** What is proposed until the office has said something else. */
    public static final SealWords USUAL =
            new SealWords("", "", "{{agreement_number}}, {{agreement_title}}: issued by the office", false);

    private static final int LONGEST_ROLE = 200;
    private static final int LONGEST_COMMENT = 500;

    public SealWords {
        role = role == null ? "" : role.strip();
        place = place == null ? "" : place.strip();
        comment = comment == null ? "" : comment.strip();
    }

    /**
     * What is wrong with it, by what it is about.
     *
     * @param known the names of all data
     */
    public Map<String, Message> faults(Set<String> known) {
        Map<String, Message> faults = new LinkedHashMap<>();
        fault(role, LONGEST_ROLE, known).ifPresent(one -> faults.put("role", one));
        fault(place, LONGEST_ROLE, known).ifPresent(one -> faults.put("place", one));
        fault(comment, LONGEST_COMMENT, known).ifPresent(one -> faults.put("comment", one));
        return faults;
    }

    private static Optional<Message> fault(String text, int longest, Set<String> known) {
        if (text.length() > longest) return Optional.of(Message.of("word-seal.too-long", "most", longest));
        // XML 1.0 §2.2 has no such characters, so no signature can have them either
        if (text.chars().anyMatch(one -> one < ' ')) return Optional.of(Message.of("word-seal.one-line"));
        Letter letter = new Letter(text);
        Optional<Message> unreadable = letter.unreadable();
        if (unreadable.isPresent()) return unreadable;
        List<String> others =
                letter.names().stream().filter(name -> !known.contains(name)).toList();
        return others.isEmpty()
                ? Optional.empty()
                : Optional.of(Message.of("word-seal.unknown", "names", String.join(", ", new TreeSet<>(others))));
    }
}
