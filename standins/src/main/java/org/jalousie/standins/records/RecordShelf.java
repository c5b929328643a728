package org.jalousie.standins.records;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Records as files, each with its rows and its history. What was answered is on the disk, so that nothing is lost when the process is killed. */
final class RecordShelf {
    static final JsonMapper JSON = new JsonMapper();

    private final Path records;
    private final Path files;
    private final Clock clock;

    RecordShelf(Path folder, Clock clock) {
        this.records = folder.resolve("records");
        this.files = folder.resolve("files");
        this.clock = clock;
        try {
            Files.createDirectories(records);
            Files.createDirectories(files);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A record as it is kept. @param version counts its changes */
    record Kept(ObjectNode record, Map<String, JsonNode> rows, int version, ArrayNode history) {
        String tag() {
            return "\"" + version + "\"";
        }

        String status() {
            return record.path("status").asString("");
        }
    }

    synchronized List<String> ids() {
        try (Stream<Path> all = Files.list(records)) {
            return all.map(file -> file.getFileName().toString())
                    .filter(name -> name.endsWith(".json"))
                    .map(name -> URLDecoder.decode(name.substring(0, name.length() - 5), StandardCharsets.UTF_8))
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    synchronized Optional<Kept> one(String id) {
        Path file = records.resolve(encoded(id) + ".json");
        if (!Files.exists(file)) return Optional.empty();
        JsonNode kept = JSON.readTree(file.toFile());
        return Optional.of(new Kept(
                (ObjectNode) kept.get("record"),
                JSON.treeToValue(
                        kept.get("rows"),
                        JSON.getTypeFactory()
                                .constructMapType(java.util.LinkedHashMap.class, String.class, JsonNode.class)),
                kept.get("version").asInt(),
                (ArrayNode) kept.get("history")));
    }

    /** Makes a record, or puts another in its place. */
    synchronized Kept put(String id, ObjectNode record, Map<String, JsonNode> rows, String by) {
        Optional<Kept> before = one(id);
        record.put("id", id);
        return keep(
                id,
                record,
                rows,
                before.map(Kept::version).orElse(0) + 1,
                before.map(Kept::history).orElseGet(JSON::createArrayNode),
                by);
    }

    /**
     * Changes a record by what a document says (RFC 7396).
     *
     * @param tag that it has to have; empty for any
     * @return empty when it has another one
     */
    synchronized Optional<Kept> patch(String id, JsonNode patch, Optional<String> tag, String by) {
        Kept now = one(id).orElseThrow();
        if (tag.isPresent() && !tag.get().equals(now.tag())) return Optional.empty();
        ObjectNode merged = merged(now.record(), patch);
        merged.put("id", id);
        if (merged.equals(now.record())) return Optional.of(now);
        return Optional.of(keep(id, merged, now.rows(), now.version() + 1, now.history(), by));
    }

    private static ObjectNode merged(JsonNode target, JsonNode patch) {
        ObjectNode merged = target instanceof ObjectNode known ? known.deepCopy() : JSON.createObjectNode();
        patch.properties().forEach(one -> {
            if (one.getValue().isNull()) merged.remove(one.getKey());
            else if (one.getValue().isObject())
                merged.set(one.getKey(), merged(merged.get(one.getKey()), one.getValue()));
            else merged.set(one.getKey(), one.getValue());
        });
        return merged;
    }

    private Kept keep(
            String id, ObjectNode record, Map<String, JsonNode> rows, int version, ArrayNode history, String by) {
        history.addObject()
                .put("at", clock.instant().toString())
                .put("by", by)
                .put("status", record.path("status").asString(""));
        ObjectNode kept = JSON.createObjectNode();
        kept.set("record", record);
        kept.set("rows", JSON.valueToTree(rows));
        kept.put("version", version);
        kept.set("history", history);
        write(records.resolve(encoded(id) + ".json"), JSON.writeValueAsBytes(kept));
        return new Kept(record, rows, version, history);
    }

    /** Puts a file of a record; another one of its name makes room. */
    synchronized void putFile(String id, String name, byte[] file) {
        write(folder(id).resolve(encoded(name)), file);
    }

    synchronized Optional<byte[]> file(String id, String name) {
        try {
            Path file = folder(id).resolve(encoded(name));
            return Files.exists(file) ? Optional.of(Files.readAllBytes(file)) : Optional.empty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    synchronized List<String> files(String id) {
        try (Stream<Path> all = Files.list(folder(id))) {
            List<String> names = new ArrayList<>();
            all.map(file -> file.getFileName().toString())
                    .filter(name -> !name.endsWith(".part"))
                    .forEach(name -> names.add(URLDecoder.decode(name, StandardCharsets.UTF_8)));
            return names.stream().sorted().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Path folder(String id) {
        try {
            return Files.createDirectories(files.resolve(encoded(id)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String encoded(String name) {
        return URLEncoder.encode(name, StandardCharsets.UTF_8)
                .replace("*", "%2A")
                .replace(".", "%2E");
    }

    /** All of it or nothing. */
    static void write(Path file, byte[] bytes) {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try (FileChannel channel = FileChannel.open(
                part, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            ByteBuffer left = ByteBuffer.wrap(bytes);
            while (left.hasRemaining()) channel.write(left);
            channel.force(true);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
