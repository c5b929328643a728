package org.jalousie.server.testbed;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import org.jalousie.core.json.Json;
import tools.jackson.databind.JsonNode;

/** Another program that is told things, and answers as it was told to. */
public final class Receiver implements AutoCloseable {
    private final HttpServer server;
    private final List<Got> got = new CopyOnWriteArrayList<>();
    private final ConcurrentLinkedQueue<Integer> answers = new ConcurrentLinkedQueue<>();

    /** What a receiver answers with when it doesn't answer. */
    public static final int SILENCE = -1;

    public record Got(String method, String path, Map<String, String> fields, byte[] body) {
        public JsonNode json() {
            return Json.MAPPER.readTree(body);
        }

        public String kind() {
            return json().get("type").asString().replace("org.jalousie.", "");
        }

        public String id() {
            return json().get("id").asString();
        }
    }

    public Receiver() {
        try {
            server = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        server.setExecutor(Executors.newCachedThreadPool());
        server.createContext("/", exchange -> {
            Map<String, String> fields = new LinkedHashMap<>();
            exchange.getRequestHeaders()
                    .forEach((name, values) -> fields.put(name.toLowerCase(Locale.ROOT), String.join(", ", values)));
            got.add(new Got(
                    exchange.getRequestMethod(),
                    exchange.getRequestURI().toString(),
                    fields,
                    exchange.getRequestBody().readAllBytes()));
            Integer next = answers.poll();
            int status = next == null ? 204 : next;
            if (status == SILENCE) return;
            if (status >= 300 && status < 400) exchange.getResponseHeaders().set("Location", address() + "/elsewhere");
            byte[] said = status == 204 ? new byte[0] : ("status " + status).getBytes();
            exchange.sendResponseHeaders(status, said.length == 0 ? -1 : said.length);
            exchange.getResponseBody().write(said);
            exchange.close();
        });
        server.start();
    }

    public String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    /** What is answered next, one after the other; afterwards all is taken. */
    public Receiver answering(Integer... statuses) {
        answers.addAll(List.of(statuses));
        return this;
    }

    public List<Got> got() {
        return List.copyOf(got);
    }

    /** What it was told, of one agreement or request. */
    public List<String> kinds(String subject) {
        return got.stream()
                .filter(one -> one.json().path("subject").asString("").equals(subject))
                .map(Got::kind)
                .toList();
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
