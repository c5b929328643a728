package org.jalousie.server.web;

import java.util.List;
import java.util.Locale;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.data.domain.PageRequest;

/**
 * One page of a list.
 *
 * @param total how many there are in all
 * @param page from 0
 */
public record Page<T>(List<T> items, long total, int page, int size) {
    /** How many rows a page holds. */
    public static final int SIZE = 50;

    private static final int LAST = 1_000_000;

    /** @param page as asked for, from 0 */
    public static PageRequest request(int page) {
        if (page < 0 || page > LAST) throw Refusal.malformed(Message.of("list.no-page", "page", page));
        return PageRequest.of(page, SIZE);
    }

    /** What a person types to find something, as a pattern of SQL's {@code like}: % and _ stand for themselves. */
    public static String pattern(String find) {
        String literal = find.strip().replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
        return "%" + literal.toLowerCase(Locale.ROOT) + "%";
    }
}
