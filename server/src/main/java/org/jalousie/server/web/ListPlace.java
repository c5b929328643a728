package org.jalousie.server.web;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;

/**
 * Where a long list is looked at: after a row, before one, or at a page counted from the first.
 *
 * @param sort as it was asked for; empty for the usual order
 * @param page from 0; counts only where there is no row
 * @param row the row that it goes on from
 * @param back whether it goes towards the first
 */
public record ListPlace(String sort, int page, Optional<Row> row, boolean back) {
    /**
     * A row's place in an order.
     *
     * @param place how many are before it, as far as that is known
     * @param order the column that is sorted by, whichever way round
     * @param value of that column, as text
     */
    public record Row(int place, UUID id, String order, String value) {
        private static final Pattern WRITTEN =
                Pattern.compile("(\\d{1,9}) ([0-9a-f-]{36}) (\\S+) (.*)", Pattern.DOTALL);

        /** As it stands in a request. */
        public String key() {
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString((place + " " + id + " " + order + " " + value).getBytes(StandardCharsets.UTF_8));
        }

        private static Row read(String key) {
            try {
                Matcher written =
                        WRITTEN.matcher(new String(Base64.getUrlDecoder().decode(key), StandardCharsets.UTF_8));
                if (written.matches())
                    return new Row(
                            Integer.parseInt(written.group(1)),
                            UUID.fromString(written.group(2)),
                            written.group(3),
                            written.group(4));
            } catch (IllegalArgumentException e) {
                throw Refusal.malformed(Message.of("list.no-key"));
            }
            throw Refusal.malformed(Message.of("list.no-key"));
        }
    }

    /**
     * @param page as it was asked for, from 0
     * @param after the key of the row that it goes on after; empty for none
     * @param before the key of the row that it goes back from; empty for none
     * @throws Refusal for a page or a key that can't be
     */
    public static ListPlace of(String sort, int page, String after, String before) {
        Page.request(page);
        String key = before.isEmpty() ? after : before;
        return new ListPlace(
                sort, page, key.isEmpty() ? Optional.empty() : Optional.of(Row.read(key)), !before.isEmpty());
    }
}
