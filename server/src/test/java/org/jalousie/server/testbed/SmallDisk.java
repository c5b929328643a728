package org.jalousie.server.testbed;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Runs a program that has a folder on a disk of its own, which is soon full. */
public final class SmallDisk {
    private SmallDisk() {}

    /**
     * @param program whose {@code main} is given the folder
     * @param folder that lies on the small disk while it runs
     * @return what it said
     */
    public static String run(Class<?> program, Path folder, int bytes) {
        try {
            Path said = Files.createTempFile("small-disk", ".txt");
            Process process = new ProcessBuilder(List.of(
                            "bwrap",
                            "--dev-bind",
                            "/",
                            "/",
                            "--size",
                            String.valueOf(bytes),
                            "--tmpfs",
                            folder.toString(),
                            "java",
                            "-XX:TieredStopAtLevel=1",
                            "-cp",
                            System.getProperty("java.class.path"),
                            program.getName(),
                            folder.toString()))
                    .redirectErrorStream(true)
                    .redirectOutput(said.toFile())
                    .start();
            boolean ended = process.waitFor(60, TimeUnit.SECONDS);
            process.destroyForcibly();
            String all = Files.readString(said, StandardCharsets.UTF_8);
            Files.delete(said);
            if (!ended || process.exitValue() != 0) throw new AssertionError(all);
            return all;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
