package org.jalousie.server.archive.filing;

import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.adapters.OutsideHttp;
import org.jalousie.server.adapters.OutsideProblem;

/** A collection of the Web (WebDAV, RFC 4918). A file is put beside its place and moved there. */
final class WebdavTarget implements FilingTarget {
    private static final Duration LIMIT = Duration.ofSeconds(60);
    private static final int MOST_ANSWER = 10_000;
    private static final int MOST_FILE = 1 << 29;

    private final OutsideHttp http;
    private final URI collection;
    private final String user;
    private final String password;

    WebdavTarget(OutsideHttp http, URI collection, String user, String password) {
        this.http = http;
        this.collection = collection;
        this.user = user;
        this.password = password;
    }

    @Override
    public Put put(String path, byte[] bytes) {
        OutsideHttp.Answer there = ask("GET", address(path), Map.of(), new byte[0], bytes.length + 1);
        if (there.status() == 200) return compared(there, bytes);
        if (there.status() != 404 && there.status() != 409) throw refused(there);
        collections(path);
        URI part = part(path, bytes);
        OutsideHttp.Answer moved = moved(part, path, "F");
        if (moved.status() != 412) return Put.WRITTEN;
        // something has come there meanwhile
        ask("DELETE", part, Map.of(), new byte[0], MOST_ANSWER);
        return compared(ask("GET", address(path), Map.of(), new byte[0], bytes.length + 1), bytes);
    }

    private static Put compared(OutsideHttp.Answer there, byte[] bytes) {
        return Arrays.equals(there.body(), bytes) ? Put.SAME : Put.OTHER;
    }

    @Override
    public void replace(String path, byte[] bytes) {
        collections(path);
        OutsideHttp.Answer moved = moved(part(path, bytes), path, "T");
        if (moved.status() == 412) throw refused(moved);
    }

    @Override
    public void takeAway(String path, Set<Sha256> ours) {
        OutsideHttp.Answer there = ask("GET", address(path), Map.of(), new byte[0], MOST_FILE);
        if (there.status() == 404 || there.status() == 409) return;
        if (there.status() != 200) throw refused(there);
        if (!ours.contains(Sha256.of(there.body()))) return;
        // not if somebody has changed it since it was looked at (RFC 9110 §13.1.1)
        String tag = there.fields().getOrDefault("etag", "W/");
        Map<String, String> same = tag.startsWith("W/") ? Map.of() : Map.of("If-Match", tag);
        OutsideHttp.Answer gone = ask("DELETE", address(path), same, new byte[0], MOST_ANSWER);
        if (gone.status() / 100 != 2 && gone.status() != 404 && gone.status() != 412) throw refused(gone);
    }

    /** Makes the collections that a file lies in, from the outside in (RFC 4918 §9.3): 405 where one is there. */
    private void collections(String path) {
        for (int at = path.indexOf('/'); at >= 0; at = path.indexOf('/', at + 1)) {
            OutsideHttp.Answer made =
                    ask("MKCOL", URI.create(address(path.substring(0, at)) + "/"), Map.of(), new byte[0], MOST_ANSWER);
            if (made.status() != 201 && made.status() != 405) throw refused(made);
        }
    }

    private URI part(String path, byte[] bytes) {
        String beside = path.substring(0, path.lastIndexOf('/') + 1);
        URI part = address(beside + Sha256.of(bytes).hex().substring(0, 24) + ".part");
        OutsideHttp.Answer put =
                ask("PUT", part, Map.of("Content-Type", "application/octet-stream"), bytes, MOST_ANSWER);
        if (put.status() / 100 != 2) throw refused(put);
        return part;
    }

    private OutsideHttp.Answer moved(URI part, String path, String overwrite) {
        OutsideHttp.Answer moved = ask(
                "MOVE",
                part,
                Map.of("Destination", address(path).toString(), "Overwrite", overwrite),
                new byte[0],
                MOST_ANSWER);
        if (moved.status() / 100 != 2 && moved.status() != 412) throw refused(moved);
        return moved;
    }

    private URI address(String path) {
        return URI.create(collection
                + Arrays.stream(path.split("/"))
                        .map(name ->
                                URLEncoder.encode(name, StandardCharsets.UTF_8).replace("+", "%20"))
                        .collect(Collectors.joining("/")));
    }

    private OutsideHttp.Answer ask(String method, URI address, Map<String, String> fields, byte[] body, int most) {
        Map<String, String> all = new LinkedHashMap<>(fields);
        if (!user.isEmpty())
            all.put(
                    "Authorization",
                    "Basic "
                            + Base64.getEncoder()
                                    .encodeToString((user + ":" + password).getBytes(StandardCharsets.UTF_8)));
        try {
            return http.send(new OutsideHttp.Request(method, address, all, body), LIMIT, most);
        } catch (OutsideProblem e) {
            throw new Away(e.said(), e);
        }
    }

    private static Away refused(OutsideHttp.Answer answer) {
        return new Away(
                switch (answer.status()) {
                    case 401, 403 -> Message.of("filing.not-let-in", "status", answer.status());
                    case 507 -> Message.of("filing.full");
                    default -> Message.of("filing.answers", "status", answer.status());
                },
                null);
    }
}
