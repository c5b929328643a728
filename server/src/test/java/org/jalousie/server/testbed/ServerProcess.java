package org.jalousie.server.testbed;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.jalousie.demo.Client;
import org.jalousie.server.Jalousie;

/** A server in a process of its own, with a database of its own, that can be killed and started again. */
public final class ServerProcess {
    private final Testbed bed;
    private final List<String> more;
    private final String name;
    private final String database;
    private final int port = TestPaths.freePort();
    private final int converter = TestPaths.freePort();
    private Process server;

    public ServerProcess(Testbed bed, String name) {
        this(bed, name, List.of());
    }

    /** @param more arguments of its own */
    public ServerProcess(Testbed bed, String name, List<String> more) {
        this.more = more;
        this.bed = bed;
        this.name = name;
        this.database = bed.newDatabase(name);
    }

    public String address() {
        return "http://127.0.0.1:" + port;
    }

    /** The address of its database. */
    public String database() {
        return database;
    }

    /** Returns when it answers. */
    public void start() throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx700m",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Jalousie.class.getName()));
        List<String> own = new ArrayList<>(
                List.of("--spring.datasource.url=" + database, "--jalousie.converter.port=" + converter));
        own.addAll(more);
        command.addAll(Arrays.asList(bed.arguments(port, own)));
        server = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(new File(bed.folder.toFile(), name + ".log")))
                .start();
        for (int i = 0; i < 600; i++) {
            try {
                if (new Client(address()).get("/api/v1/session").status() == 401) return;
            } catch (RuntimeException e) {
                TimeUnit.MILLISECONDS.sleep(200);
            }
        }
        throw new IllegalStateException("the server doesn't start");
    }

    /** Kills it as it stands, and its converters with it. */
    public void kill() throws IOException, InterruptedException {
        new ProcessBuilder("pkill", "-KILL", "-P", String.valueOf(server.pid()))
                .start()
                .waitFor();
        server.destroyForcibly().waitFor();
    }
}
