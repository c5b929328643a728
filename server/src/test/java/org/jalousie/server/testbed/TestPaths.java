package org.jalousie.server.testbed;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;

/** Where things are, and free ports. */
public final class TestPaths {
    private static final int FIRST = 10_000;
    private static final int PORTS = 2_000;

    /** Converters take a port for each of their processes, from the one that they are given on. */
    private static final int APART = 4;

    /** Held on to, so that it isn't let go of before the process ends. */
    private static final List<FileLock> HELD = new ArrayList<>();

    private static final AtomicInteger NEXT = new AtomicInteger(own());

    private TestPaths() {}

    /** The checkout's folder. */
    public static Path root() {
        String set = System.getProperty("jalousie.root", "");
        return set.isEmpty() ? Path.of("..").toAbsolutePath().normalize() : Path.of(set);
    }

    /** One that the system gives to no connection of its own meanwhile, nor another test process takes. */
    public static int freePort() {
        for (int i = 0; i < PORTS / APART; i++) {
            int port = NEXT.getAndAdd(APART);
            try (ServerSocket socket = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
                return socket.getLocalPort();
            } catch (IOException taken) {
                // the next one then
            }
        }
        throw new IllegalStateException("no port is free");
    }

    /** The first port of a range that is this process's own, for as long as it runs: the system lets go of the lock then. */
    private static int own() {
        Path folder = Path.of(System.getProperty("java.io.tmpdir"));
        for (int n = 0; n < 11; n++) {
            try {
                FileChannel file = FileChannel.open(
                        folder.resolve("jalousie-test-ports-" + n),
                        StandardOpenOption.CREATE,
                        StandardOpenOption.WRITE);
                FileLock lock = file.tryLock();
                if (lock != null) {
                    HELD.add(lock);
                    return FIRST + n * PORTS;
                }
                file.close();
            } catch (IOException e) {
                // somebody else's, who runs tests here too
            }
        }
        throw new IllegalStateException("more test processes than ranges of ports");
    }
}
