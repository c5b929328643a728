package org.jalousie.server.adapters;

import com.sun.star.lang.XComponent;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jodconverter.core.document.DefaultDocumentFormatRegistry;
import org.jodconverter.core.document.DocumentFamily;
import org.jodconverter.core.document.DocumentFormat;
import org.jodconverter.core.office.OfficeContext;
import org.jodconverter.core.office.OfficeException;
import org.jodconverter.local.LocalConverter;
import org.jodconverter.local.filter.Filter;
import org.jodconverter.local.filter.FilterChain;
import org.jodconverter.local.office.LocalOfficeManager;
import org.jodconverter.local.office.LocalOfficeUtils;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** One office process that is kept warm and makes one document at a time; one that takes too long is ended with its process. */
final class OfficeLane {
    private static final Map<String, Object> FILTER =
            Map.of("SelectPdfVersion", 2, "UseTaggedPDF", true, "ExportBookmarks", false);
    // com.sun.star.document.MacroExecMode.NEVER_EXECUTE and UpdateDocMode.NO_UPDATE
    private static final Map<String, Object> LOAD =
            Map.of("Hidden", true, "ReadOnly", true, "MacroExecutionMode", (short) 0, "UpdateDocMode", (short) 0);
    // a file of our own is what its name says: asking each of the filters whether it is theirs takes a tenth of the
    // time
    private static final Map<String, Object> LOAD_WORD = new LinkedHashMap<>(LOAD);

    static {
        LOAD_WORD.put("FilterName", "MS Word 2007 XML");
    }

    private static final DocumentFormat PDF = DocumentFormat.builder()
            .from(DefaultDocumentFormatRegistry.PDF)
            .storeProperty(DocumentFamily.TEXT, "FilterData", FILTER)
            .storeProperty(DocumentFamily.SPREADSHEET, "FilterData", FILTER)
            .storeProperty(DocumentFamily.PRESENTATION, "FilterData", FILTER)
            .build();

    private static final Logger LOG = LoggerFactory.getLogger(OfficeLane.class);

    /** Longer than any document is given: the lane ends what takes too long by itself. */
    private static final long NEVER = Duration.ofMinutes(30).toMillis();

    private static final Duration START_LIMIT = Duration.ofSeconds(90);
    private static final Duration STOP_WAIT = Duration.ofSeconds(5);
    private static final Duration LONGEST_PAUSE = Duration.ofMinutes(1);

    private volatile int port;
    private final Path folder;
    private final ExecutorService worker;
    private final ExecutorService starter;
    private volatile LocalOfficeManager manager;
    private volatile boolean up;
    private volatile boolean closed;
    private boolean starting;
    private volatile AutoCloseable forward;

    OfficeLane(int port, Path folder) throws IOException {
        this.port = port;
        this.folder = Files.createDirectories(folder.resolve("lane-" + port)).toRealPath();
        this.worker = Executors.newSingleThreadExecutor(task -> daemon(task, "office-" + port));
        this.starter = Executors.newSingleThreadExecutor(task -> daemon(task, "office-start-" + port));
    }

    private static Thread daemon(Runnable task, String name) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        return thread;
    }

    /** What took longer than it was given. */
    static final class TookTooLong extends Exception {}

    /** The process is not there; it is being started, again and again if need be. */
    static final class Away extends Exception {}

    boolean up() {
        return up;
    }

    /** Starts the process in the background, and starts it again with growing pauses until it stands. */
    synchronized void start() {
        if (up || starting || closed) return;
        starting = true;
        starter.execute(this::startUntilItStands);
    }

    private void startUntilItStands() {
        Duration pause = Duration.ofSeconds(1);
        while (!closed) {
            try {
                OfficeProcess.end(port);
                LocalOfficeManager fresh = built();
                startWithinLimit(fresh);
                manager = fresh;
                up = true;
                break;
            } catch (OfficeException | IOException | RuntimeException e) {
                LOG.warn("the word processor at port {} did not start; again in {} s", port, pause.toSeconds());
                OfficeProcess.end(port);
                port = OfficeProcess.otherPort(port);
            }
            try {
                Thread.sleep(pause.toMillis());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                break;
            }
            pause = pause.multipliedBy(2).compareTo(LONGEST_PAUSE) > 0 ? LONGEST_PAUSE : pause.multipliedBy(2);
        }
        synchronized (this) {
            starting = false;
        }
    }

    /** The library waits without end for a process that takes the connection and says nothing. */
    private void startWithinLimit(LocalOfficeManager fresh) throws OfficeException {
        Thread watch = daemon(
                () -> {
                    try {
                        Thread.sleep(START_LIMIT.toMillis());
                        closeForward();
                        OfficeProcess.end(port);
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt(); // it stands
                    }
                },
                "office-watch-" + port);
        watch.start();
        try {
            fresh.start();
        } finally {
            watch.interrupt();
        }
    }

    private LocalOfficeManager built() throws IOException {
        LocalOfficeManager.Builder builder = LocalOfficeManager.builder()
                .portNumbers(port)
                .workingDir(folder.toString())
                .maxTasksPerProcess(500)
                .taskExecutionTimeout(NEVER)
                .taskQueueTimeout(NEVER)
                .processTimeout(30_000L)
                .startFailFast(true)
                .templateProfileDir(OfficeProfile.in(folder).toString())
                .existingProcessAction(org.jodconverter.local.office.ExistingProcessAction.KILL);
        if (OfficeSandbox.available()) {
            closeForward();
            Path home = LocalOfficeUtils.getDefaultOfficeHome().toPath();
            Path sockets = Files.createTempDirectory("jal").toRealPath();
            builder.officeHome(
                    OfficeSandbox.prepare(folder, port, home, sockets).toFile());
            forward = OfficeSandbox.forward(sockets, port);
        }
        return builder.build();
    }

    private void closeForward() {
        try {
            if (forward != null) forward.close();
        } catch (Exception e) {
            LOG.debug("the port of the word processor was closed already");
        }
    }

    synchronized void stop() {
        closed = true;
        up = false;
        worker.shutdownNow();
        starter.shutdownNow();
        LocalOfficeManager last = manager;
        if (last != null) {
            Thread ending = daemon(() -> quietly(last), "office-end-" + port);
            ending.start();
            try {
                ending.join(STOP_WAIT.toMillis());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
        closeForward();
        OfficeProcess.end(port);
    }

    /** The process is gone, or does nothing any more: it is started anew by nobody but this lane. */
    private synchronized void renew() {
        up = false;
        LocalOfficeManager last = manager;
        manager = null;
        int old = port;
        OfficeProcess.end(old);
        // the library's own manager may start the old one again, or wait for it for ever: the new one has a port of its
        // own
        port = OfficeProcess.otherPort(old);
        if (last != null)
            daemon(
                            () -> {
                                quietly(last);
                                OfficeProcess.end(old);
                            },
                            "office-end-" + old)
                    .start();
        start();
    }

    private static void quietly(LocalOfficeManager last) {
        try {
            last.stop();
        } catch (OfficeException e) {
            LOG.debug("the word processor had stopped already");
        }
    }

    /**
     * @throws TookTooLong after the limit; the process is gone then, and a new one is on its way
     * @throws Away when there is no process just now
     */
    Converter.Made convert(byte[] word, String ending, Duration limit) throws OfficeException, TookTooLong, Away {
        LocalOfficeManager current = manager;
        if (up && !OfficeProcess.isThere(port)) renew();
        if (!up || current == null) {
            start();
            throw new Away();
        }
        Future<Converter.Made> made = worker.submit(() -> run(current, word, ending));
        try {
            return made.get(limit.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            made.cancel(true);
            boolean wasThere = OfficeProcess.isThere(port);
            renew();
            if (!wasThere) throw new Away();
            throw new TookTooLong();
        } catch (ExecutionException e) {
            if (!OfficeProcess.isThere(port)) {
                renew();
                throw new Away();
            }
            if (e.getCause() instanceof OfficeException failure) throw failure;
            throw new OfficeException("the conversion broke off", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new OfficeException("the conversion was interrupted", e);
        }
    }

    private Converter.Made run(LocalOfficeManager current, byte[] word, String ending) throws OfficeException {
        ByteArrayOutputStream out = new ByteArrayOutputStream(256 * 1024);
        WorkedOut results = new WorkedOut();
        DocumentFormat format = DefaultDocumentFormatRegistry.getFormatByExtension(ending);
        LocalConverter.Builder converter = LocalConverter.builder()
                .officeManager(current)
                .loadProperties(ending.equals("docx") ? LOAD_WORD : LOAD);
        if (format.getInputFamily() == DocumentFamily.TEXT)
            converter.filterChain(new ContentsLists(), new Reading(results));
        converter
                .build()
                .convert(new ByteArrayInputStream(word))
                .as(format)
                .to(out)
                .as(PDF)
                .execute();
        return new Converter.Made(out.toByteArray(), results.results(), results.lists());
    }

    private record Reading(WorkedOut results) implements Filter {
        @Override
        public void doFilter(OfficeContext context, XComponent document, FilterChain chain) throws Exception {
            results.read(document);
            chain.doFilter(context, document);
        }
    }
}
