package org.jalousie.server.testbed;

import java.io.BufferedReader;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.adapters.OutsideHttp;

/** Storage that speaks S3, by another's server, in a process of its own: what it keeps is in its memory. */
public final class BucketServer implements AutoCloseable {
    public static final String BUCKET = "papers";
    public static final String KEY = "office";
    public static final String SECRET = "a secret/of+the office";

    private final int port;
    private final Process process;

    public BucketServer() {
        this(TestPaths.freePort());
    }

    public BucketServer(int port) {
        this.port = port;
        Path built = TestPaths.root().resolve("e2e/bucket/target");
        Wait.until(
                "the bucket server that the build makes (e2e/bucket)",
                () -> Files.isDirectory(built.resolve("lib")) && Files.isDirectory(built.resolve("classes/org")));
        try {
            this.process = new ProcessBuilder(
                            "java",
                            "-XX:TieredStopAtLevel=1",
                            "-Xmx128m",
                            "-cp",
                            built.resolve("classes") + ":" + built.resolve("lib") + "/*",
                            "org.jalousie.bucket.BucketServer",
                            String.valueOf(port),
                            KEY,
                            SECRET,
                            BUCKET)
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            Runtime.getRuntime().addShutdownHook(new Thread(process::destroyForcibly));
            BufferedReader said = process.inputReader(StandardCharsets.UTF_8);
            for (String line = said.readLine(); !"ready".equals(line); line = said.readLine())
                if (line == null) throw new IllegalStateException("the bucket server didn't start");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Without a path. */
    public String address() {
        return "http://127.0.0.1:" + port;
    }

    /** The arguments of an application whose files may lie in it. @param at the way to it, {@code beginning} without strokes around */
    public static List<String> arguments(String at, String beginning) {
        return List.of(
                "--jalousie.bucket.address=" + at + "/" + BUCKET + "/" + beginning,
                "--jalousie.bucket.key=" + KEY,
                "--jalousie.bucket.secret=" + SECRET);
    }

    public int port() {
        return port;
    }

    /** The bucket, as somebody else sees it who has the key. */
    public Bucket opened(String prefix) {
        // it is there: on a machine that is busy it may take its time
        return opened(prefix, address(), SECRET, new Bucket.Patience(Duration.ofSeconds(30), 3));
    }

    /** The same by another way or with another secret. */
    public static Bucket opened(String prefix, String address, String secret) {
        return opened(prefix, address, secret, new Bucket.Patience(Duration.ofSeconds(2), 1));
    }

    private static Bucket opened(String prefix, String address, String secret, Bucket.Patience patience) {
        return new Bucket(
                OutsideHttp.toOnly("127.0.0.1"),
                new Bucket.Place(URI.create(address), BUCKET, prefix, "us-east-1"),
                new Bucket.Key(KEY, secret),
                patience);
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}
