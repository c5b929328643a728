package org.jalousie.server.testbed;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Several who do something at the same moment. */
public final class Together {
    private Together() {}

    /** What came of each, in the order given. */
    public static <T> List<T> all(List<Callable<T>> all) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(all.size());
        try {
            List<T> answers = new ArrayList<>();
            for (Future<T> one : threads.invokeAll(all)) answers.add(one.get());
            return answers;
        } finally {
            threads.shutdown();
        }
    }
}
