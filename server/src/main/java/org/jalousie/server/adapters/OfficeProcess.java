package org.jalousie.server.adapters;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/** The processes of the word processor on this machine, known by the port that each was told to listen at. */
final class OfficeProcess {
    /** Those that were found: looking through all processes of a machine takes as long as a tenth of a conversion. */
    private static final Map<Integer, ProcessHandle> FOUND = new ConcurrentHashMap<>();

    private OfficeProcess() {}

    static boolean isThere(int port) {
        ProcessHandle before = FOUND.get(port);
        if (before != null && before.isAlive()) return true;
        try (Stream<ProcessHandle> all = at(port)) {
            Optional<ProcessHandle> found = all.findAny();
            found.ifPresentOrElse(one -> FOUND.put(port, one), () -> FOUND.remove(port));
            return found.isPresent();
        }
    }

    static void end(int port) {
        FOUND.remove(port);
        try (Stream<ProcessHandle> all = at(port)) {
            all.forEach(ProcessHandle::destroyForcibly);
        }
    }

    private static Stream<ProcessHandle> at(int port) {
        return ProcessHandle.allProcesses()
                .filter(process -> process.info().commandLine().orElse("").contains("port=" + port + ","));
    }

    /** A port that nobody listens at just now; the given one when none can be found. */
    static int otherPort(int port) {
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return free.getLocalPort();
        } catch (IOException e) {
            return port;
        }
    }
}
