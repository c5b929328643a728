package org.jalousie.core.data;

import java.util.ArrayList;
import java.util.List;

/** Text in parts, parted by semicolons and escaped as RFC 6350 §3.4 says. */
final class Components {
    private Components() {}

    static String join(List<String> parts) {
        return String.join(
                ";",
                parts.stream()
                        .map(part ->
                                part.replace("\\", "\\\\").replace(";", "\\;").replace("\n", "\\n"))
                        .toList());
    }

    /** The parts, filled up with empty ones to {@code count}. */
    static List<String> split(String text, int count) {
        List<String> parts = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\\' && i + 1 < text.length()) {
                char next = text.charAt(++i);
                part.append(next == 'n' || next == 'N' ? '\n' : next);
            } else if (c == ';') {
                parts.add(part.toString().strip());
                part.setLength(0);
            } else {
                part.append(c);
            }
        }
        parts.add(part.toString().strip());
        while (parts.size() < count) parts.add("");
        return parts;
    }
}
