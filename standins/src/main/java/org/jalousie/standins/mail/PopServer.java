package org.jalousie.standins.mail;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;

/** One mailbox, read by POP3 (RFC 1939) on loopback by whoever asks. */
final class PopServer implements AutoCloseable {
    private static final int WAIT_MILLIS = 60_000;

    private final Path folder;
    private final ServerSocket socket;

    PopServer(int port, Path folder) throws IOException {
        this.folder = folder;
        this.socket = new ServerSocket(port, 10, InetAddress.getByName("127.0.0.1"));
        Thread thread = new Thread(this::serve, "pop-stand-in");
        thread.setDaemon(true);
        thread.start();
    }

    int port() {
        return socket.getLocalPort();
    }

    void put(String id, byte[] message) throws IOException {
        Path part = Files.createTempFile(folder, "incoming", ".part");
        Files.write(part, message);
        Files.move(part, folder.resolve(id + ".eml"));
    }

    private void serve() {
        while (!socket.isClosed()) {
            try {
                Socket client = socket.accept();
                Thread thread = new Thread(() -> talk(client), "pop-client");
                thread.setDaemon(true);
                thread.start();
            } catch (IOException e) {
                if (!socket.isClosed()) throw new UncheckedIOException(e);
            }
        }
    }

    private void talk(Socket client) {
        try (client) {
            client.setSoTimeout(WAIT_MILLIS);
            BufferedReader in =
                    new BufferedReader(new InputStreamReader(client.getInputStream(), StandardCharsets.ISO_8859_1));
            OutputStream out = client.getOutputStream();
            List<Path> messages = messages();
            Set<Integer> deleted = new HashSet<>();
            say(out, "+OK stand-in");
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                String[] words = line.strip().split(" +");
                if (words[0].equalsIgnoreCase("QUIT")) {
                    for (int number : deleted) Files.deleteIfExists(messages.get(number - 1));
                    say(out, "+OK");
                    return;
                }
                answer(words, messages, deleted, out);
            }
        } catch (IOException e) {
            // whoever was asking is gone; what they had marked stays, as the protocol wants it
        }
    }

    private List<Path> messages() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".eml"))
                    .sorted()
                    .toList();
        }
    }

    private static void answer(String[] words, List<Path> messages, Set<Integer> deleted, OutputStream out)
            throws IOException {
        switch (words[0].toUpperCase(Locale.ROOT)) {
            case "USER", "PASS", "NOOP" -> say(out, "+OK");
            case "CAPA" -> say(out, "+OK\r\nTOP\r\nUIDL\r\nUSER\r\n.");
            case "RSET" -> {
                deleted.clear();
                say(out, "+OK");
            }
            case "STAT" -> {
                long bytes = 0;
                for (int i = 1; i <= messages.size(); i++)
                    if (!deleted.contains(i)) bytes += Files.size(messages.get(i - 1));
                say(out, "+OK " + (messages.size() - deleted.size()) + " " + bytes);
            }
            case "LIST", "UIDL" -> list(words, messages, deleted, out);
            case "RETR", "TOP", "DELE" -> one(words, messages, deleted, out);
            default -> say(out, "-ERR not understood");
        }
    }

    private static void list(String[] words, List<Path> messages, Set<Integer> deleted, OutputStream out)
            throws IOException {
        boolean ids = words[0].equalsIgnoreCase("UIDL");
        if (words.length > 1) {
            int number = number(words[1], messages, deleted);
            say(out, number == 0 ? "-ERR no such message" : "+OK " + entry(number, messages, ids));
            return;
        }
        StringBuilder all = new StringBuilder("+OK\r\n");
        for (int i = 1; i <= messages.size(); i++)
            if (!deleted.contains(i)) all.append(entry(i, messages, ids)).append("\r\n");
        say(out, all.append('.').toString());
    }

    private static String entry(int number, List<Path> messages, boolean ids) throws IOException {
        Path file = messages.get(number - 1);
        return number + " " + (ids ? file.getFileName().toString().replace(".eml", "") : "" + Files.size(file));
    }

    private static void one(String[] words, List<Path> messages, Set<Integer> deleted, OutputStream out)
            throws IOException {
        int number = words.length > 1 ? number(words[1], messages, deleted) : 0;
        if (number == 0) {
            say(out, "-ERR no such message");
            return;
        }
        if (words[0].equalsIgnoreCase("DELE")) {
            deleted.add(number);
            say(out, "+OK");
            return;
        }
        String message = Files.readString(messages.get(number - 1), StandardCharsets.ISO_8859_1);
        if (words[0].equalsIgnoreCase("TOP")) message = message.substring(0, message.indexOf("\r\n\r\n") + 2);
        // a line that begins with a dot gets another one (RFC 1939 §3)
        say(out, "+OK\r\n" + message.replaceAll("(?m)^\\.", "..") + "\r\n.");
    }

    /** 0 when there is none of this number. */
    private static int number(String said, List<Path> messages, Set<Integer> deleted) {
        if (!said.matches("\\d{1,6}")) return 0;
        int number = Integer.parseInt(said);
        return number < 1 || number > messages.size() || deleted.contains(number) ? 0 : number;
    }

    private static void say(OutputStream out, String line) throws IOException {
        out.write((line + "\r\n").getBytes(StandardCharsets.ISO_8859_1));
        out.flush();
    }

    @Override
    public void close() {
        try {
            socket.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
