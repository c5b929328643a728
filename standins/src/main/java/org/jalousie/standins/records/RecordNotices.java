package org.jalousie.standins.records;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Tells somebody which records have changed: each change at least once, tried until it is taken. */
final class RecordNotices implements AutoCloseable {
    private final Path folder;
    private final RecordFaults faults;
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(3)).build();
    private final ScheduledExecutorService work = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "record notices");
        thread.setDaemon(true);
        return thread;
    });
    private long last;

    RecordNotices(Path folder, RecordFaults faults) {
        this.folder = folder.resolve("notices");
        this.faults = faults;
        try {
            Files.createDirectories(this.folder);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        last = waiting().stream().mapToLong(RecordNotices::number).max().orElse(System.currentTimeMillis());
        work.scheduleWithFixedDelay(this::send, 200, 200, TimeUnit.MILLISECONDS);
    }

    private static long number(Path file) {
        return Long.parseLong(file.getFileName().toString().replace(".json", ""));
    }

    /** Who is told. @param key that goes along */
    void to(String address, String key) {
        RecordShelf.write(
                folder.resolve("to"),
                RecordShelf.JSON.writeValueAsBytes(RecordShelf.JSON
                        .createObjectNode()
                        .put("address", address)
                        .put("key", key)));
    }

    synchronized void changed(String id, int version) {
        RecordShelf.write(
                folder.resolve(++last + ".json"),
                RecordShelf.JSON.writeValueAsBytes(RecordShelf.JSON
                        .createObjectNode()
                        .put("what", "changed")
                        .put("record", id)
                        .put("version", version)));
    }

    private List<Path> waiting() {
        try (Stream<Path> all = Files.list(folder)) {
            return new ArrayList<>(all.filter(file -> file.toString().endsWith(".json"))
                    .sorted((one, other) -> Long.compare(number(one), number(other)))
                    .toList());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void send() {
        try {
            Path to = folder.resolve("to");
            if (!Files.exists(to)) return;
            JsonNode told = RecordShelf.JSON.readTree(to.toFile());
            List<Path> all = waiting();
            while (!all.isEmpty()) {
                Optional<RecordFaults.Fault> fault = faults.nextOfNotices();
                boolean later = fault.filter(one -> one == RecordFaults.Fault.OUT_OF_ORDER)
                        .isPresent();
                Path next = all.remove(later && all.size() > 1 ? 1 : 0);
                if (!taken(told, next)) return;
                if (fault.filter(one -> one == RecordFaults.Fault.TWICE).isPresent()) taken(told, next);
                Files.delete(next);
            }
        } catch (IOException | UncheckedIOException | JacksonException e) {
            // it is tried again
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private boolean taken(JsonNode to, Path notice) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(
                        URI.create(to.get("address").asString()))
                .timeout(Duration.ofSeconds(5))
                .header("Content-Type", "application/json")
                .header("Authorization", "Bearer " + to.get("key").asString())
                .POST(HttpRequest.BodyPublishers.ofByteArray(Files.readAllBytes(notice)))
                .build();
        return http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() / 100 == 2;
    }

    @Override
    public void close() {
        work.shutdownNow();
    }
}
