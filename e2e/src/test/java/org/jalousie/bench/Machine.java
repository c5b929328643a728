package org.jalousie.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** What the machine has done, whoever else of its host took its time meanwhile. */
final class Machine {
    /** Of a second, as {@code /proc/stat} counts: proc(5), USER_HZ, which is 100 wherever Debian runs. */
    private static final double TICKS = 100;

    private Machine() {}

    /** Seconds for which its processors have worked since it began; neither idle nor taken away. */
    static double busy() {
        try {
            String[] all =
                    Files.readAllLines(Path.of("/proc/stat")).get(0).trim().split("\\s+");
            // user, nice, system, idle, iowait, irq, softirq
            double sum = 0;
            for (int i : new int[] {1, 2, 3, 6, 7}) sum += Long.parseLong(all[i]);
            return sum / TICKS;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
