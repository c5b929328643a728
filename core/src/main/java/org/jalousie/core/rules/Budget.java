package org.jalousie.core.rules;

import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.messages.Told;

/**
 * What working out one rule may take in time and memory. The expression language has no end of its own: a range of a thousand
 * million numbers, a text doubled forty times or a pattern that tries everything are short to write. So rules are worked out on
 * threads of their own, which are looked at while they work and are ended when they go over.
 */
final class Budget {
    /** Long for a rule, which takes microseconds, and short for who waits. */
    static final Duration TIME = Duration.ofSeconds(2);

    static final long MEMORY = 300L * 1024 * 1024;
    private static final long LOOK_MS = 20;

    private static final com.sun.management.ThreadMXBean THREADS =
            (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
    private static final ExecutorService WORKERS =
            Executors.newCachedThreadPool(work -> daemon(new Thread(null, work, "rule", 4L << 20)));
    private static final ScheduledExecutorService WATCH =
            Executors.newSingleThreadScheduledExecutor(work -> daemon(new Thread(work, "rules-watch")));
    private static final Set<Run> RUNNING = ConcurrentHashMap.newKeySet();
    private static final ThreadLocal<Run> CURRENT = new ThreadLocal<>();

    static {
        WATCH.scheduleWithFixedDelay(() -> RUNNING.forEach(Run::look), LOOK_MS, LOOK_MS, TimeUnit.MILLISECONDS);
    }

    private Budget() {}

    /** It took more than a rule may take. */
    static final class Exceeded extends Told {
        Exceeded() {
            super(Message.of("rule.too-costly"));
        }
    }

    private static Thread daemon(Thread thread) {
        thread.setDaemon(true);
        return thread;
    }

    /**
     * Works something out within the budget. Within another run it goes on in the same thread with a budget of its own.
     *
     * @throws Exceeded when it goes over
     */
    static <T> T within(Callable<T> work) {
        Run current = CURRENT.get();
        if (current != null) {
            current.begin();
            return called(work);
        }
        Run run = new Run();
        Future<T> result = WORKERS.submit(() -> run.carriedOut(work));
        try {
            return result.get();
        } catch (ExecutionException e) {
            if (run.exceeded) throw new Exceeded();
            if (e.getCause() instanceof RuntimeException failure) throw failure;
            if (e.getCause() instanceof StackOverflowError) throw new NotPossible(Message.of("rule.too-deep"));
            throw new IllegalStateException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted", e);
        } finally {
            RUNNING.remove(run);
        }
    }

    private static <T> T called(Callable<T> work) {
        try {
            return work.call();
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private static final class Run {
        private Thread thread;
        private long startNanos;
        private long startBytes;
        private boolean done;
        private volatile boolean exceeded;

        <T> T carriedOut(Callable<T> work) throws Exception {
            synchronized (this) {
                thread = Thread.currentThread();
            }
            begin();
            CURRENT.set(this);
            RUNNING.add(this);
            try {
                return work.call();
            } finally {
                CURRENT.remove();
                synchronized (this) {
                    done = true;
                }
            }
        }

        /** Each rule has the whole budget, however many are worked out one after the other. */
        synchronized void begin() {
            startNanos = System.nanoTime();
            startBytes = THREADS.getThreadAllocatedBytes(thread.getId());
        }

        // nothing else ends a thread that computes: the engine looks at no flag
        @SuppressWarnings({"deprecation", "removal"})
        synchronized void look() {
            if (done || thread == null || exceeded) return;
            boolean late = System.nanoTime() - startNanos > TIME.toNanos();
            boolean large = THREADS.getThreadAllocatedBytes(thread.getId()) - startBytes > MEMORY;
            if (!late && !large) return;
            exceeded = true;
            thread.stop();
        }
    }
}
