package org.jalousie.standins.records;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The record system that ships with the product: loans with their objects and files, as JSON over HTTP on loopback, changed by
 * merge patches (RFC 7396) under entity tags (RFC 9110 §13), listed page by page (RFC 8288). It tells of changes, goes wrong to
 * order, and has pages on which somebody may work with it.
 */
public final class RecordStandin implements AutoCloseable {
    /** The status of a loan whose agreement is asked for. */
    public static final String WANTED = "agreement wanted";

    private static final int PAGE = 20;
    private static final String API = "/api/loans";
    private static final String DESK = "/desk";

    private final HttpServer http;
    private final String secret;
    private final RecordShelf shelf;
    private final RecordFaults faults = new RecordFaults();
    private final RecordNotices notices;
    private final ExecutorService work = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "records");
        thread.setDaemon(true);
        return thread;
    });

    /** @param secret that whoever asks over the API has to bring */
    public RecordStandin(int port, Path folder, String secret) {
        this.secret = secret;
        try {
            shelf = new RecordShelf(folder, Clock.systemUTC());
            notices = new RecordNotices(folder, faults);
            http = HttpServer.create(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), port), 50);
        } catch (IOException e) {
            throw new UncheckedIOException("The record system's stand-in can't start: " + e.getMessage(), e);
        }
        http.setExecutor(work);
        http.createContext("/", this::answer);
        http.start();
    }

    public String address() {
        return "http://127.0.0.1:" + http.getAddress().getPort();
    }

    /** What is answered. @param more header fields */
    private record Answer(int status, String type, byte[] body, Map<String, String> more) {
        static Answer json(int status, JsonNode body, Map<String, String> more) {
            return new Answer(status, "application/json", RecordShelf.JSON.writeValueAsBytes(body), more);
        }

        static Answer html(String page) {
            return new Answer(200, "text/html; charset=utf-8", page.getBytes(StandardCharsets.UTF_8), Map.of());
        }

        static Answer of(int status) {
            return new Answer(status, "text/plain", new byte[0], Map.of());
        }
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String asked = exchange.getRequestURI().getRawPath();
            boolean api = asked.startsWith(API);
            // somebody who is there has no trouble
            String path = asked.startsWith(DESK + API) ? asked.substring(DESK.length()) : asked;
            Optional<RecordFaults.Fault> fault = api ? faults.next() : Optional.empty();
            if (fault.filter(one -> one == RecordFaults.Fault.FAILS).isPresent()) {
                exchange.sendResponseHeaders(500, -1);
                return;
            }
            byte[] body = exchange.getRequestBody().readAllBytes();
            if (fault.filter(one -> one == RecordFaults.Fault.SLOW).isPresent()) TimeUnit.SECONDS.sleep(12);
            Answer answer = answered(exchange, path, body);
            // closing without an answer breaks the connection
            if (fault.filter(one -> one == RecordFaults.Fault.LOST_ANSWER).isPresent()) return;
            exchange.getResponseHeaders().set("Content-Type", answer.type());
            answer.more().forEach(exchange.getResponseHeaders()::set);
            exchange.sendResponseHeaders(answer.status(), answer.body().length == 0 ? -1 : answer.body().length);
            exchange.getResponseBody().write(answer.body());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private Answer answered(HttpExchange exchange, String path, byte[] body) {
        List<String> parts = Arrays.stream(path.split("/"))
                .filter(one -> !one.isEmpty())
                .map(one -> URLDecoder.decode(one.replace("+", "%2B"), StandardCharsets.UTF_8))
                .toList();
        try {
            if (path.startsWith("/api/")) {
                String sent = Optional.ofNullable(exchange.getRequestHeaders().getFirst("Authorization"))
                        .orElse("");
                if (!sent.equals("Bearer " + secret)) return Answer.of(401);
                return api(exchange, parts.subList(1, parts.size()), body);
            }
            return page(exchange, parts, body);
        } catch (JacksonException | ClassCastException | IllegalArgumentException e) {
            return Answer.of(400);
        }
    }

    private Answer api(HttpExchange exchange, List<String> parts, byte[] body) {
        String method = exchange.getRequestMethod();
        switch (parts.get(0)) {
            case "faults" -> {
                JsonNode order = RecordShelf.JSON.readTree(body);
                if (method.equals("DELETE")) faults.none();
                else
                    faults.order(
                            RecordFaults.Fault.valueOf(order.get("kind").asString()),
                            order.get("times").asInt());
                return Answer.of(204);
            }
            case "notices" -> {
                JsonNode to = RecordShelf.JSON.readTree(body);
                notices.to(to.get("address").asString(), to.get("key").asString());
                return Answer.of(204);
            }
            default -> {}
        }
        if (!parts.get(0).equals("loans")) return Answer.of(404);
        if (parts.size() == 1) return listed(exchange);
        String id = parts.get(1);
        if (parts.size() == 2 && method.equals("PUT")) return made(id, RecordShelf.JSON.readTree(body));
        Optional<RecordShelf.Kept> found = shelf.one(id);
        if (found.isEmpty()) return Answer.of(404);
        if (parts.size() == 2 && method.equals("GET")) return record(200, found.get());
        if (parts.size() == 2 && method.equals("PATCH")) return patched(exchange, id, body);
        if (parts.get(2).equals("history")) return Answer.json(200, found.get().history(), Map.of());
        if (parts.get(2).equals("files")) return file(method, id, parts.subList(3, parts.size()), body);
        return Optional.ofNullable(found.get().rows().get(parts.get(2)))
                .map(rows -> Answer.json(200, rows, Map.of()))
                .orElse(Answer.of(404));
    }

    private static Answer record(int status, RecordShelf.Kept kept) {
        return Answer.json(status, kept.record(), Map.of("ETag", kept.tag()));
    }

    private Answer listed(HttpExchange exchange) {
        Map<String, String> asked =
                form(Optional.ofNullable(exchange.getRequestURI().getRawQuery()).orElse(""));
        String status = asked.getOrDefault("status", "");
        int page = Integer.parseInt(asked.getOrDefault("page", "0"));
        List<RecordShelf.Kept> all = shelf.ids().stream()
                .map(id -> shelf.one(id).orElseThrow())
                .filter(one -> status.isEmpty() || one.status().equals(status))
                .toList();
        ArrayNode items = RecordShelf.JSON.createArrayNode();
        all.stream().skip((long) page * PAGE).limit(PAGE).forEach(one -> items.add(one.record()));
        ObjectNode answer = RecordShelf.JSON.createObjectNode();
        answer.set("loans", items);
        String next = API + "?status=" + URLEncoder.encode(status, StandardCharsets.UTF_8) + "&page=" + (page + 1);
        return Answer.json(
                200,
                answer,
                all.size() > (page + 1) * PAGE ? Map.of("Link", "<" + next + ">; rel=\"next\"") : Map.of());
    }

    private Answer made(String id, JsonNode sent) {
        ObjectNode record = (ObjectNode) sent.get("record");
        Map<String, JsonNode> rows = new LinkedHashMap<>();
        sent.path("rows").properties().forEach(one -> rows.put(one.getKey(), one.getValue()));
        RecordShelf.Kept kept = shelf.put(id, record, rows, "somebody at the record system");
        notices.changed(id, kept.version());
        return record(201, kept);
    }

    private Answer patched(HttpExchange exchange, String id, byte[] body) {
        Optional<String> tag = Optional.ofNullable(exchange.getRequestHeaders().getFirst("If-Match"));
        int before = shelf.one(id).orElseThrow().version();
        Optional<RecordShelf.Kept> kept = shelf.patch(id, RecordShelf.JSON.readTree(body), tag, "another program");
        if (kept.isEmpty()) return Answer.of(412);
        if (kept.get().version() > before) notices.changed(id, kept.get().version());
        return record(200, kept.get());
    }

    private Answer file(String method, String id, List<String> name, byte[] body) {
        if (name.isEmpty()) {
            ArrayNode names = RecordShelf.JSON.createArrayNode();
            shelf.files(id).forEach(names::add);
            return Answer.json(200, names, Map.of());
        }
        String called = String.join("/", name);
        if (method.equals("PUT")) {
            shelf.putFile(id, called, body);
            return Answer.of(204);
        }
        return shelf.file(id, called)
                .map(file -> new Answer(200, "application/pdf", file, Map.of()))
                .orElse(Answer.of(404));
    }

    private Answer page(HttpExchange exchange, List<String> parts, byte[] body) {
        if (parts.isEmpty()) {
            Map<String, RecordShelf.Kept> all = new LinkedHashMap<>();
            shelf.ids().forEach(id -> all.put(id, shelf.one(id).orElseThrow()));
            return Answer.html(RecordPages.list(all));
        }
        Optional<RecordShelf.Kept> found =
                parts.size() > 1 && parts.get(0).equals("loans") ? shelf.one(parts.get(1)) : Optional.empty();
        if (found.isEmpty()) return Answer.of(404);
        String id = parts.get(1);
        if (parts.size() == 4 && parts.get(2).equals("files")) return file("GET", id, parts.subList(3, 4), body);
        if (!exchange.getRequestMethod().equals("POST"))
            return Answer.html(RecordPages.one(id, found.get(), shelf.files(id)));
        ObjectNode change = RecordShelf.JSON.createObjectNode();
        if (parts.size() == 3) change.put("status", WANTED);
        else
            form(new String(body, StandardCharsets.UTF_8)).forEach((place, value) -> {
                if (RecordPages.values(found.get().record(), "").containsKey(place)) put(change, place, value);
            });
        RecordShelf.Kept kept = shelf.patch(id, change, Optional.empty(), "somebody at the record system")
                .orElseThrow();
        notices.changed(id, kept.version());
        return new Answer(
                303,
                "text/plain",
                new byte[0],
                Map.of(
                        "Location",
                        "/loans/"
                                + URLEncoder.encode(id, StandardCharsets.UTF_8).replace("+", "%20")));
    }

    private static void put(ObjectNode into, String place, String value) {
        String[] names = place.substring(1).split("/");
        ObjectNode object = into;
        for (int i = 0; i < names.length - 1; i++)
            object = object.get(names[i]) instanceof ObjectNode known ? known : object.putObject(names[i]);
        object.put(names[names.length - 1], value);
    }

    private static Map<String, String> form(String encoded) {
        Map<String, String> form = new LinkedHashMap<>();
        for (String pair : encoded.split("&")) {
            int at = pair.indexOf('=');
            if (at > 0)
                form.put(
                        URLDecoder.decode(pair.substring(0, at), StandardCharsets.UTF_8),
                        URLDecoder.decode(pair.substring(at + 1), StandardCharsets.UTF_8));
        }
        return form;
    }

    @Override
    public void close() {
        http.stop(0);
        notices.close();
        work.shutdownNow();
    }

    /** {@code RecordStandin PORT FOLDER SECRET}: alone, for trying what happens when it is killed. */
    public static void main(String[] args) {
        RecordStandin records = new RecordStandin(Integer.parseInt(args[0]), Path.of(args[1]), args[2]);
        System.out.println("The record system's stand-in is ready at " + records.address());
    }
}
