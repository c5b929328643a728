package org.jalousie.standins.mail;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.subethamail.smtp.helper.SimpleMessageListener;
import org.subethamail.smtp.helper.SimpleMessageListenerAdapter;
import org.subethamail.smtp.server.SMTPServer;

/**
 * The mail server that ships with the product: takes mail by SMTP (RFC 5321), delivers none of it, keeps each message as a
 * file and lists them over HTTP on loopback. Mail to some addresses comes back, see {@link ReturnedMail}.
 */
public final class MailStandin implements AutoCloseable {
    private final Path folder;
    private final SMTPServer smtp;
    private final HttpServer http;
    private final AtomicInteger last;
    private final ReturnedMail returned;

    /** @param popPort where mail that couldn't be delivered is fetched; 0 for any that is free */
    public MailStandin(int smtpPort, int httpPort, int popPort, Path folder) {
        this.folder = folder;
        try {
            Files.createDirectories(folder);
            last = new AtomicInteger(
                    numbers().stream().max(Comparator.naturalOrder()).orElse(0));
            returned = new ReturnedMail(popPort);
            smtp = SMTPServer.port(smtpPort)
                    .bindAddress(InetAddress.getByName("127.0.0.1"))
                    .hostName("stand-in.example.org")
                    .messageHandlerFactory(new SimpleMessageListenerAdapter(new Keeper()))
                    .build();
            http = HttpServer.create(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), httpPort), 50);
            http.createContext("/messages", this::answer);
            http.start();
            smtp.start();
        } catch (IOException e) {
            throw new UncheckedIOException("The mail stand-in can't start: " + e.getMessage(), e);
        }
    }

    public int smtpPort() {
        return smtp.getPortAllocated();
    }

    public int popPort() {
        return returned.port();
    }

    public String address() {
        return "http://127.0.0.1:" + http.getAddress().getPort();
    }

    private final class Keeper implements SimpleMessageListener {
        /** Addresses at {@code refused.example.org} are refused at once. */
        @Override
        public boolean accept(String from, String recipient) {
            return !recipient.toLowerCase(Locale.ROOT).endsWith("@refused.example.org");
        }

        @Override
        public void deliver(String from, String recipient, InputStream data) throws IOException {
            byte[] message = data.readAllBytes();
            Path part = Files.createTempFile(folder, "incoming", ".part");
            Files.write(part, message);
            Files.move(part, folder.resolve(String.format(Locale.ROOT, "%08d.eml", last.incrementAndGet())));
            returned.deliver(recipient, message);
        }
    }

    private List<Integer> numbers() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(file -> file.getFileName().toString())
                    .filter(name -> name.endsWith(".eml"))
                    .map(name -> Integer.valueOf(name.substring(0, name.length() - 4)))
                    .sorted(Comparator.reverseOrder())
                    .toList();
        }
    }

    /** {@code GET /messages?before=N} lists up to 50 numbers, newest first; {@code GET /messages/N} is the message itself (RFC 5322), {@code GET /messages/by-id/ID} the newest with that Message-ID. */
    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath();
            if (path.matches("/messages/\\d{1,8}")) {
                Path file =
                        folder.resolve(String.format(Locale.ROOT, "%08d.eml", Integer.parseInt(path.substring(10))));
                if (!Files.exists(file)) {
                    exchange.sendResponseHeaders(404, -1);
                    return;
                }
                send(exchange, "message/rfc822", Files.readAllBytes(file));
                return;
            }
            if (path.matches("/messages/by-id/[0-9a-f-]{36}")) {
                Optional<Path> file = byId(path.substring(16));
                if (file.isEmpty()) {
                    exchange.sendResponseHeaders(404, -1);
                    return;
                }
                send(exchange, "message/rfc822", Files.readAllBytes(file.get()));
                return;
            }
            String query = String.valueOf(exchange.getRequestURI().getQuery());
            int before = query.matches("before=\\d{1,8}") ? Integer.parseInt(query.substring(7)) : Integer.MAX_VALUE;
            List<String> found = new ArrayList<>();
            numbers().stream()
                    .filter(number -> number < before)
                    .limit(50)
                    .forEach(number -> found.add(String.valueOf(number)));
            send(
                    exchange,
                    "application/json",
                    ("[" + String.join(",", found) + "]").getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        }
    }

    /** The newest message whose Message-ID begins with the given id. */
    private Optional<Path> byId(String id) throws IOException {
        for (int number : numbers()) {
            Path file = folder.resolve(String.format(Locale.ROOT, "%08d.eml", number));
            try (Stream<String> lines = Files.lines(file, java.nio.charset.StandardCharsets.ISO_8859_1)) {
                if (lines.takeWhile(line -> !line.isEmpty())
                        .anyMatch(line -> line.startsWith("Message-ID: <" + id + "@"))) return Optional.of(file);
            }
        }
        return Optional.empty();
    }

    private static void send(HttpExchange exchange, String type, byte[] body) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(200, body.length);
        exchange.getResponseBody().write(body);
    }

    @Override
    public void close() {
        smtp.stop();
        returned.close();
        http.stop(0);
    }
}
