package org.jalousie.standins.records;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/** Faults to order: what goes wrong with the next requests, or with the next notices. */
final class RecordFaults {
    /** What can go wrong. */
    enum Fault {
        /** It is done a while later than anybody waits. */
        SLOW,
        /** It isn't done; the answer has status 500. */
        FAILS,
        /** It is done, and nobody is told. */
        LOST_ANSWER,
        /** A notice comes twice. */
        TWICE,
        /** A notice comes after the one behind it. */
        OUT_OF_ORDER;

        private boolean ofNotices() {
            return this == TWICE || this == OUT_OF_ORDER;
        }
    }

    private final Deque<Fault> requests = new ArrayDeque<>();
    private final Deque<Fault> notices = new ArrayDeque<>();

    synchronized void order(Fault fault, int times) {
        for (int i = 0; i < times; i++) (fault.ofNotices() ? notices : requests).add(fault);
    }

    synchronized void none() {
        requests.clear();
        notices.clear();
    }

    synchronized Optional<Fault> next() {
        return Optional.ofNullable(requests.poll());
    }

    synchronized Optional<Fault> nextOfNotices() {
        return Optional.ofNullable(notices.poll());
    }
}
