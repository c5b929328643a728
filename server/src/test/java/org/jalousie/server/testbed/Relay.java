package org.jalousie.server.testbed;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Stands between a program and a service, and lets through what is said, keeps silent, or cuts. */
public final class Relay implements AutoCloseable {
    /** What it does with what comes. */
    public enum Way {
        THROUGH,
        /** Connections are taken, and nothing is ever answered. */
        SILENT,
        CUT
    }

    private final ServerSocket door;
    private final int to;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile Way way = Way.THROUGH;

    public Relay(int to) {
        this.to = to;
        try {
            this.door = new ServerSocket(TestPaths.freePort(), 200, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        run(this::takeIn);
    }

    public String address() {
        return "http://127.0.0.1:" + door.getLocalPort();
    }

    /** From now on, also for connections that there are. */
    public void now(Way next) {
        way = next;
        open.forEach(Relay::shut);
        open.clear();
    }

    private void takeIn() throws IOException {
        while (!door.isClosed()) {
            Socket in = door.accept();
            open.add(in);
            switch (way) {
                case CUT -> shut(in);
                case SILENT -> in.setKeepAlive(true);
                case THROUGH -> {
                    Socket out = new Socket(InetAddress.getLoopbackAddress(), to);
                    open.add(out);
                    run(() -> pass(in, out));
                    run(() -> pass(out, in));
                }
            }
        }
    }

    private static void pass(Socket from, Socket to) throws IOException {
        byte[] some = new byte[65_536];
        InputStream in = from.getInputStream();
        OutputStream out = to.getOutputStream();
        for (int read = in.read(some); read >= 0; read = in.read(some)) out.write(some, 0, read);
        shut(to);
    }

    private interface Work {
        void run() throws IOException;
    }

    private static void run(Work work) {
        Thread thread = new Thread(() -> {
            try {
                work.run();
            } catch (IOException e) {
                // one side has gone, which is what it is for
            }
        });
        thread.setDaemon(true);
        thread.start();
    }

    private static void shut(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        now(Way.CUT);
        try {
            door.close();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
