package org.jalousie.server.testbed;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;

/** Where things are, and free ports. */
public final class TestPaths {
    private TestPaths() {}

    /** The checkout's folder. */
    public static Path root() {
        String set = System.getProperty("jalousie.root", "");
        return set.isEmpty() ? Path.of("..").toAbsolutePath().normalize() : Path.of(set);
    }

    public static int freePort() {
        try (ServerSocket socket = new ServerSocket(0, 1, java.net.InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
