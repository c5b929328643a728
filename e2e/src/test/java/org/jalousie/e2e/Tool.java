package org.jalousie.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Runs a tool of the machine. */
final class Tool {
    record Said(int code, String words) {}

    private Tool() {}

    static Said run(String... command) {
        try {
            Path out = Files.createTempFile("tool", ".txt");
            Process process = new ProcessBuilder(List.of(command))
                    .redirectErrorStream(true)
                    .redirectOutput(out.toFile())
                    .start();
            if (!process.waitFor(120, TimeUnit.SECONDS)) {
                process.destroyForcibly();
                throw new IllegalStateException(command[0] + " did not end");
            }
            return new Said(process.exitValue(), Files.readString(out, java.nio.charset.StandardCharsets.ISO_8859_1));
        } catch (IOException e) {
            throw new IllegalStateException(command[0] + " can't be run", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
