package org.jalousie.server.adapters;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.StandardProtocolFamily;
import java.net.UnixDomainSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.SocketChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps an office process by itself (bubblewrap, from Debian's package): no network but its own loopback, nothing to read but
 * programs, fonts and the folder of its lane, and limits of memory, file size and processes. A document from outside may make
 * the word processor fetch an address or read a file into the page; there is none there.
 *
 * <p>The program is started through a stand-in for its own launcher, since the library that drives it starts that; it is
 * reached over a socket in a folder of its own, which is forwarded to the port that the library expects.
 */
final class OfficeSandbox {
    private static final Logger LOG = LoggerFactory.getLogger(OfficeSandbox.class);

    // a process with a document of 2,000 pages takes 1.2 GB of address space (measured)
    private static final String LAUNCHER = """
            #!/bin/sh
            # started in the place of the word processor; see OfficeSandbox
            exec bwrap --die-with-parent --new-session --unshare-net --unshare-ipc --unshare-pid --unshare-uts \\
              --ro-bind /usr /usr --ro-bind-try /bin /bin --ro-bind-try /lib /lib --ro-bind-try /lib64 /lib64 \\
              --ro-bind-try /etc/fonts /etc/fonts --ro-bind-try /etc/libreoffice /etc/libreoffice \\
              --ro-bind-try /etc/alternatives /etc/alternatives --ro-bind-try /etc/ld.so.cache /etc/ld.so.cache \\
              --ro-bind-try /var/cache/fontconfig /var/cache/fontconfig --ro-bind-try /var/lib/libreoffice /var/lib/libreoffice \\
              --proc /proc --dev /dev --tmpfs /tmp --bind %1$s %1$s --bind %5$s /sockets --chdir %1$s \\
              --clearenv --setenv HOME %1$s --setenv PATH /usr/bin:/bin --setenv LANG C.UTF-8 --setenv SAL_USE_VCLPLUGIN svp%6$s \\
              /bin/sh -c 'socat UNIX-LISTEN:/sockets/%2$s,fork,unlink-early TCP:127.0.0.1:%3$d,nodelay 2>/dev/null & exec prlimit --as=6000000000 --fsize=1000000000 --nproc=600 --core=0 -- %4$s/program/soffice.bin "$@"' office "$@"
            """;

    private OfficeSandbox() {}

    /** Whether this machine can keep processes by themselves; asked once. */
    static boolean available() {
        return Known.AVAILABLE;
    }

    private static final class Known {
        static final boolean AVAILABLE = tried();

        private static boolean tried() {
            try {
                Process process = new ProcessBuilder(
                                "bwrap",
                                "--ro-bind",
                                "/",
                                "/",
                                "--unshare-net",
                                "--unshare-pid",
                                "--proc",
                                "/proc",
                                "sh",
                                "-c",
                                "command -v socat prlimit")
                        .redirectErrorStream(true)
                        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                        .start();
                boolean works = process.waitFor(10, TimeUnit.SECONDS) && process.exitValue() == 0;
                if (!works)
                    LOG.warn("the word processor runs without its sandbox: bwrap, socat or prlimit can't be used here");
                return works;
            } catch (IOException e) {
                LOG.warn("the word processor runs without its sandbox: bubblewrap is not installed");
                return false;
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return false;
            }
        }
    }

    /**
     * Makes a home for the word processor's stand-in within the lane's folder.
     *
     * @param home where the word processor is installed
     * @param sockets a folder with a short name, since the address of a socket has at most 107 bytes (unix(7))
     */
    static Path prepare(Path lane, int port, Path home, Path sockets) throws IOException {
        Path standIn = lane.resolve("home-" + port);
        Path program = Files.createDirectories(standIn.resolve("program"));
        try (Stream<Path> own = Files.list(home.resolve("program"))) {
            for (Path file : own.toList()) {
                Path link = program.resolve(file.getFileName());
                if (file.getFileName().toString().startsWith("soffice") || Files.exists(link)) continue;
                Files.deleteIfExists(link);
                Files.createSymbolicLink(link, file);
            }
        }
        Path launcher = program.resolve("soffice.bin");
        Files.writeString(
                launcher,
                LAUNCHER.formatted(
                        quoted(lane),
                        socket(port),
                        port,
                        home.toRealPath(),
                        quoted(sockets),
                        OfficeProfile.allocator()
                                .map(one -> " --setenv LD_PRELOAD " + one)
                                .orElse("")));
        Files.setPosixFilePermissions(launcher, PosixFilePermissions.fromString("rwxr-xr-x"));
        return standIn;
    }

    private static String quoted(Path path) {
        return "'" + path.toString().replace("'", "'\\''") + "'";
    }

    /** Forwards the port that the library connects to into the sandbox. The port opens when the process in there listens. */
    static AutoCloseable forward(Path sockets, int port) {
        Forward forward = new Forward(sockets.resolve(socket(port)), port);
        daemon("office-port-" + port, forward);
        return forward;
    }

    private static String socket(int port) {
        return "office-" + port + ".sock";
    }

    private static final class Forward implements Runnable, AutoCloseable {
        private static final long LOOK_MS = 100;

        private final Path socket;
        private final int port;
        private ServerSocket listening;
        private boolean closed;

        Forward(Path socket, int port) {
            this.socket = socket;
            this.port = port;
        }

        @Override
        public void run() {
            try {
                while (!listens()) {
                    if (isClosed()) return;
                    Thread.sleep(LOOK_MS);
                }
                ServerSocket server = open();
                while (!server.isClosed()) {
                    Socket from = server.accept();
                    daemon("office-in-" + port, () -> connect(from, socket));
                }
            } catch (IOException e) {
                LOG.debug("the port {} of the word processor is closed", port);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        /** A connection that stays open has somebody at its end. */
        private boolean listens() throws InterruptedException {
            try (SocketChannel probe = SocketChannel.open(StandardProtocolFamily.UNIX)) {
                probe.connect(UnixDomainSocketAddress.of(socket));
                probe.configureBlocking(false);
                Thread.sleep(LOOK_MS);
                return probe.read(ByteBuffer.allocate(1)) >= 0;
            } catch (IOException e) {
                return false;
            }
        }

        private synchronized ServerSocket open() throws IOException {
            if (closed) throw new IOException("closed");
            listening = new ServerSocket();
            listening.setReuseAddress(true);
            listening.bind(new InetSocketAddress("127.0.0.1", port), 20);
            return listening;
        }

        private synchronized boolean isClosed() {
            return closed;
        }

        @Override
        public synchronized void close() throws IOException {
            closed = true;
            if (listening != null) listening.close();
            Files.deleteIfExists(socket);
            Files.deleteIfExists(socket.getParent());
        }
    }

    private static void connect(Socket from, Path socket) {
        try (from;
                SocketChannel to = SocketChannel.open(StandardProtocolFamily.UNIX)) {
            // questions and answers are small and wait for each other: held back, each would cost 40 ms
            from.setTcpNoDelay(true);
            to.connect(UnixDomainSocketAddress.of(socket));
            Thread back = daemon("office-out", () -> out(to, from));
            byte[] some = new byte[16_384];
            for (int n = from.getInputStream().read(some);
                    n >= 0;
                    n = from.getInputStream().read(some)) {
                ByteBuffer next = ByteBuffer.wrap(some, 0, n);
                while (next.hasRemaining()) to.write(next);
            }
            to.shutdownOutput();
            back.join(TimeUnit.SECONDS.toMillis(5));
        } catch (IOException e) {
            // the process isn't there yet, or not any more; the library tries again
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    // the channel itself and no stream over it: Java 17's streams lock reading against writing
    private static void out(SocketChannel to, Socket from) {
        ByteBuffer some = ByteBuffer.allocate(16_384);
        try {
            while (to.read(some) >= 0) {
                from.getOutputStream().write(some.array(), 0, some.position());
                some.clear();
            }
        } catch (IOException e) {
            LOG.debug("a connection to the word processor broke off");
        } finally {
            close(from); // however it ended: whoever waits for an answer must hear that none comes
        }
    }

    private static void close(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            LOG.debug("a connection to the word processor was closed already");
        }
    }

    private static Thread daemon(String name, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.start();
        return thread;
    }
}
