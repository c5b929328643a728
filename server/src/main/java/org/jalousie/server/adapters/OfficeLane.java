package org.jalousie.server.adapters;

import com.sun.star.lang.XComponent;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import org.jodconverter.core.document.DefaultDocumentFormatRegistry;
import org.jodconverter.core.document.DocumentFormat;
import org.jodconverter.core.office.OfficeContext;
import org.jodconverter.core.office.OfficeException;
import org.jodconverter.local.LocalConverter;
import org.jodconverter.local.filter.Filter;
import org.jodconverter.local.filter.FilterChain;
import org.jodconverter.local.office.LocalOfficeManager;

/** One office process that is kept warm and makes one document at a time; one that takes too long is ended with its process. */
final class OfficeLane {
    private static final Map<String, Object> FILTER =
            Map.of("SelectPdfVersion", 2, "UseTaggedPDF", true, "ExportBookmarks", false);
    // com.sun.star.document.MacroExecMode.NEVER_EXECUTE and UpdateDocMode.NO_UPDATE
    private static final Map<String, Object> LOAD =
            Map.of("Hidden", true, "ReadOnly", true, "MacroExecutionMode", (short) 0, "UpdateDocMode", (short) 0);
    private static final DocumentFormat PDF = DocumentFormat.builder()
            .from(DefaultDocumentFormatRegistry.PDF)
            .storeProperty(org.jodconverter.core.document.DocumentFamily.TEXT, "FilterData", FILTER)
            .build();

    /** Longer than any document is given: the lane ends what takes too long by itself. */
    private static final long NEVER = Duration.ofMinutes(30).toMillis();

    private final int port;
    private final LocalOfficeManager manager;
    private final ExecutorService worker;
    private boolean started;

    OfficeLane(int port, Path folder) {
        this.port = port;
        this.manager = LocalOfficeManager.builder()
                .portNumbers(port)
                .workingDir(folder.toAbsolutePath().toString())
                .maxTasksPerProcess(500)
                .taskExecutionTimeout(NEVER)
                .taskQueueTimeout(NEVER)
                .processTimeout(60_000L)
                .startFailFast(false)
                .existingProcessAction(org.jodconverter.local.office.ExistingProcessAction.KILL)
                .build();
        this.worker = Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, "office-" + port);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** What took longer than it was given. */
    static final class TookTooLong extends Exception {}

    synchronized void start() throws OfficeException {
        if (started) return;
        manager.start();
        started = true;
    }

    synchronized void stop() throws OfficeException {
        worker.shutdownNow();
        if (started) manager.stop();
    }

    /** @throws TookTooLong after the limit; the process is gone then, and a new one is on its way */
    Converter.Made convert(byte[] word, Duration limit) throws OfficeException, TookTooLong {
        start();
        Future<Converter.Made> made = worker.submit(() -> run(word));
        try {
            return made.get(limit.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            endProcess();
            throw new TookTooLong();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof OfficeException failure) throw failure;
            throw new OfficeException("the conversion broke off", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new OfficeException("the conversion was interrupted", e);
        }
    }

    private Converter.Made run(byte[] word) throws OfficeException {
        ByteArrayOutputStream out = new ByteArrayOutputStream(256 * 1024);
        WorkedOut results = new WorkedOut();
        LocalConverter.builder()
                .officeManager(manager)
                .loadProperties(LOAD)
                .filterChain(new ContentsLists(), new Reading(results))
                .build()
                .convert(new ByteArrayInputStream(word))
                .as(DefaultDocumentFormatRegistry.DOCX)
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

    /** The process is known by the port that it was told. */
    private void endProcess() {
        try (Stream<ProcessHandle> all = ProcessHandle.allProcesses()) {
            all.filter(process -> process.info().commandLine().orElse("").contains("port=" + port + ","))
                    .forEach(ProcessHandle::destroyForcibly);
        }
    }
}
