package org.jalousie.server.records;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.ContentDigest;
import org.jalousie.core.records.Pointers;
import org.jalousie.core.records.RecordCells;
import org.jalousie.core.records.RecordChange;
import org.jalousie.core.records.RecordPlace;
import org.jalousie.core.records.RecordTerms;
import org.jalousie.core.records.RelatedRows;
import org.jalousie.core.tables.JsonCells;
import org.jalousie.server.adapters.OutsideHttp;
import org.jalousie.server.adapters.OutsideProblem;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Speaks to record systems: JSON over HTTP. */
@Component
class RecordClient {
    private static final Duration LIMIT = Duration.ofSeconds(10);
    private static final Duration LISTED_AT_ONCE = Duration.ofSeconds(40);
    private static final Duration FILE_LIMIT = Duration.ofSeconds(60);
    private static final int MOST_BYTES = 8_000_000;
    private static final int MOST_PAGES = 1_000;
    private static final int MOST_ROWS = 1_000;
    private static final int LONGEST_KEY = 300;
    /** {@code <https://…>; rel="next"} (RFC 8288 §3). */
    private static final Pattern NEXT = Pattern.compile("<([^>]*)>[^,<]*;\\s*rel\\s*=\\s*\"?next\"?(?=[\\s;,]|$)");

    private final OutsideHttp outside;

    RecordClient(OutsideHttp outside) {
        this.outside = outside;
    }

    /** Who speaks to it. @param credential as it stands in the header Authorization (RFC 9110 §11.6.2); empty for none */
    record Access(RecordTerms terms, String credential) {
        RecordPlace place() {
            return terms.place();
        }
    }

    /** A record. @param tag of this state of it (RFC 9110 §8.8.3), where the system tells one */
    record Fetched(JsonNode record, Optional<String> tag) {}

    /**
     * The keys of wanted records, page by page, as they come.
     *
     * @return false when time was up before the last page: what was found is done first, so that the list grows shorter
     */
    boolean list(Access access, Consumer<List<String>> keys) {
        Optional<URI> next = Optional.of(access.place().listAddress());
        Set<URI> seen = new HashSet<>();
        long start = System.nanoTime();
        while (next.isPresent()) {
            if (System.nanoTime() - start > LISTED_AT_ONCE.toNanos()) return false;
            URI address = next.get();
            if (!seen.add(address) || seen.size() > MOST_PAGES)
                throw RecordsUnread.away(Message.of("records.endless", "most", MOST_PAGES));
            OutsideHttp.Answer answer = get(access, address);
            JsonNode items = rows(json(answer), access.place().items());
            List<String> page = new ArrayList<>();
            for (JsonNode item : items) page.add(key(access.place(), item));
            keys.accept(page);
            next = next(address, answer);
            next.filter(one -> !access.place().isOwn(one)).ifPresent(other -> {
                throw RecordsUnread.away(Message.of("records.elsewhere", "address", other.toString()));
            });
        }
        return true;
    }

    private static String key(RecordPlace place, JsonNode item) {
        String key = Pointers.text(item, place.key());
        if (!isKey(key)) throw RecordsUnread.away(Message.of("records.no-key", "pointer", place.key()));
        return key;
    }

    static boolean isKey(String key) {
        // a key of dots alone would be another address (RFC 3986 §5.2.4)
        return !key.isBlank()
                && !key.matches("\\.{1,2}")
                && key.length() <= LONGEST_KEY
                && key.chars().noneMatch(Character::isISOControl);
    }

    private static Optional<URI> next(URI from, OutsideHttp.Answer answer) {
        Matcher link = NEXT.matcher(answer.fields().getOrDefault("Link", ""));
        if (!link.find()) return Optional.empty();
        try {
            return Optional.of(from.resolve(link.group(1)));
        } catch (IllegalArgumentException e) {
            throw RecordsUnread.away(Message.of("records.elsewhere", "address", link.group(1)));
        }
    }

    /** Empty for a record that isn't there. */
    Optional<Fetched> one(Access access, String key) {
        OutsideHttp.Answer answer = send(access, "GET", access.place().address(key), Map.of(), new byte[0], LIMIT);
        if (answer.status() == 404 || answer.status() == 410) return Optional.empty();
        good(answer);
        JsonNode record = json(answer);
        if (!record.isObject()) throw RecordsUnread.of(Message.of("records.no-object"));
        return Optional.of(
                new Fetched(record, Optional.ofNullable(answer.fields().get("ETag"))));
    }

    /** A record with the rows that go with it. */
    RecordCells.Seen whole(Access access, String key, JsonNode record) {
        Map<String, List<JsonNode>> related = new LinkedHashMap<>();
        for (RelatedRows one : access.terms().related()) {
            JsonNode in = one.within() ? record : json(get(access, one.address(access.place(), key)));
            List<JsonNode> rows = new ArrayList<>();
            JsonNode found = Pointers.at(in, one.rows());
            found.forEach(rows::add);
            // a record without such rows may say nothing of them
            boolean none = one.within() && (found.isMissingNode() || found.isNull());
            if (!none && (!found.isArray() || !rows.stream().allMatch(JsonNode::isObject)))
                throw RecordsUnread.of(Message.of("records.no-list", "pointer", one.rows()));
            if (rows.size() > MOST_ROWS)
                throw RecordsUnread.of(Message.of("records.many-rows", "name", one.name(), "most", MOST_ROWS));
            related.put(one.name(), rows);
        }
        return new RecordCells.Seen(record, related);
    }

    /**
     * Changes a record, unless it was changed by somebody since it was read.
     *
     * @param now as it was read
     * @return false when it was
     */
    boolean change(Access access, String key, RecordChange change, Fetched now) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("Content-Type", RecordChange.TYPE);
        // a weak tag can't be asked for (RFC 9110 §13.1.1)
        now.tag().filter(one -> !one.startsWith("W/")).ifPresent(one -> fields.put("If-Match", one));
        OutsideHttp.Answer answer = send(
                access,
                "PATCH",
                access.place().address(key),
                fields,
                change.patch(now.record()).getBytes(StandardCharsets.UTF_8),
                LIMIT);
        if (answer.status() == 412 && fields.containsKey("If-Match")) return false;
        good(answer);
        return true;
    }

    /** Puts a file; put twice it is there once. */
    void put(Access access, URI address, byte[] file) {
        good(send(
                access,
                "PUT",
                address,
                Map.of("Content-Type", "application/pdf", "Content-Digest", ContentDigest.of(file)),
                file,
                FILE_LIMIT));
    }

    private OutsideHttp.Answer get(Access access, URI address) {
        OutsideHttp.Answer answer = send(access, "GET", address, Map.of(), new byte[0], LIMIT);
        good(answer);
        return answer;
    }

    private OutsideHttp.Answer send(
            Access access, String method, URI address, Map<String, String> more, byte[] body, Duration limit) {
        Map<String, String> fields = new LinkedHashMap<>(more);
        fields.put("Accept", "application/json");
        if (!access.credential().isEmpty()) fields.put("Authorization", access.credential());
        try {
            return outside.send(new OutsideHttp.Request(method, address, fields, body), limit, MOST_BYTES);
        } catch (OutsideProblem problem) {
            throw RecordsUnread.away(problem.said());
        }
    }

    /** What answers nobody, or not us, says nothing of this one record. */
    private static void good(OutsideHttp.Answer answer) {
        int status = answer.status();
        if (status >= 200 && status < 300) return;
        Message said = Message.of("records.status", "status", String.valueOf(status));
        throw status >= 500 || status == 401 || status == 403 || status == 429 || status < 400
                ? RecordsUnread.away(said)
                : RecordsUnread.of(said);
    }

    private static JsonNode json(OutsideHttp.Answer answer) {
        if (answer.body().length >= MOST_BYTES) throw RecordsUnread.of(Message.of("records.large", "most", MOST_BYTES));
        try {
            return JsonCells.EXACT.readTree(answer.body());
        } catch (JacksonException e) {
            throw RecordsUnread.of(Message.of("records.no-json"));
        }
    }

    private static JsonNode rows(JsonNode in, String pointer) {
        JsonNode rows = Pointers.at(in, pointer);
        if (!rows.isArray()) throw RecordsUnread.away(Message.of("records.no-list", "pointer", pointer));
        return rows;
    }
}
