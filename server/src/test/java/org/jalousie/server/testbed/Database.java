package org.jalousie.server.testbed;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Real PostgreSQL for tests, started by the same script that the launcher uses. */
final class Database {
    final int port;
    final String password;

    Database(Path folder, int port) {
        this.port = port;
        run(List.of("start", folder.toString(), String.valueOf(port), "quick"));
        Runtime.getRuntime().addShutdownHook(new Thread(() -> run(List.of("stop", folder.toString()))));
        try {
            password = Files.readString(folder.resolve("password")).strip();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    String url() {
        return "jdbc:postgresql://127.0.0.1:" + port + "/postgres";
    }

    private static void run(List<String> arguments) {
        try {
            List<String> command = new java.util.ArrayList<>(
                    List.of("bash", TestPaths.root().resolve("bin/postgres").toString()));
            command.addAll(arguments);
            Path said = Files.createTempFile("postgres", ".txt");
            Process process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(said.toFile())
                    .start();
            if (!process.waitFor(90, TimeUnit.SECONDS) || process.exitValue() != 0) {
                throw new IllegalStateException("bin/postgres " + arguments + ": " + Files.readString(said));
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
