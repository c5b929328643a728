package org.jalousie.server.adapters;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Settings;
import org.jodconverter.core.office.OfficeException;
import org.springframework.stereotype.Component;

/**
 * LibreOffice kept warm in several processes, each with one document at a time. A document has a limit of time that grows
 * with its size; one that went over it is tried once more in a process that is kept for such documents, so that nothing else
 * waits for it.
 */
@Component
class OfficeConverter implements Converter {
    private static final Duration WAIT = Duration.ofMinutes(5);
    private static final Duration START_WAIT = Duration.ofSeconds(25);
    private static final Duration SLOW_WAIT = Duration.ofSeconds(15);
    private static final int REMEMBERED = 200;
    private static final int SLOW_FACTOR = 4;
    private static final Message AWAY = Message.of("conversion.away");

    private final List<OfficeLane> lanes = new ArrayList<>();
    private final BlockingQueue<OfficeLane> free;
    private final BlockingQueue<OfficeLane> slow = new ArrayBlockingQueue<>(1);
    private final Duration least;
    private final Map<Sha256, Boolean> slowOnes = Collections.synchronizedMap(new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Sha256, Boolean> eldest) {
            return size() > REMEMBERED;
        }
    });

    OfficeConverter(Settings settings) throws IOException {
        Settings.Converter wanted = settings.converter();
        Files.createDirectories(wanted.folder());
        this.least = wanted.limit();
        this.free = new ArrayBlockingQueue<>(wanted.processes());
        for (int i = 0; i <= wanted.processes(); i++) {
            OfficeLane lane = new OfficeLane(wanted.port() + i, wanted.folder());
            lanes.add(lane);
            // the last one starts when the first document needs it
            (i < wanted.processes() ? free : slow).add(lane);
        }
    }

    @PostConstruct
    void start() {
        lanes.subList(0, lanes.size() - 1).forEach(OfficeLane::start);
    }

    @PreDestroy
    void stop() {
        lanes.forEach(OfficeLane::stop);
    }

    /** Whether no process is there that could make pages just now. */
    @Override
    public boolean away() {
        return lanes.stream().noneMatch(OfficeLane::up);
    }

    /** A second for every 20 kB of the file beyond the least. */
    private Duration limit(byte[] word) {
        return least.plusSeconds(word.length / 20_000);
    }

    @Override
    public Made convert(byte[] word) {
        return convert(word, "docx");
    }

    @Override
    public byte[] pages(byte[] file, String ending) {
        return convert(file, ending).pdf();
    }

    private Made convert(byte[] word, String ending) {
        Sha256 name = Sha256.of(word);
        boolean wasSlow = slowOnes.containsKey(name);
        Duration limit = wasSlow ? limit(word).multipliedBy(SLOW_FACTOR) : limit(word);
        BlockingQueue<OfficeLane> queue = wasSlow ? slow : free;
        // whoever waits for the slow lane holds a worker that others need
        OfficeLane lane = standing(queue, wasSlow ? SLOW_WAIT : limit.plus(WAIT));
        try {
            return checked(lane.convert(word, ending, limit));
        } catch (OfficeLane.Away e) {
            throw new ServiceAway(ServiceAway.Service.CONVERTER, AWAY, e);
        } catch (OfficeLane.TookTooLong e) {
            slowOnes.put(name, true);
            throw new ConversionFailed(
                    Message.of(wasSlow ? "conversion.too-slow" : "conversion.slow", "seconds", limit.toSeconds()),
                    !wasSlow,
                    e);
        } catch (OfficeException e) {
            throw new ConversionFailed(Message.of("conversion.unfinished"), true, e);
        } finally {
            queue.add(lane);
        }
    }

    /** A lane whose process stands; those that are being started are waited for a little. */
    private static OfficeLane standing(BlockingQueue<OfficeLane> queue, Duration wait) {
        long end = System.nanoTime() + START_WAIT.toNanos();
        while (true) {
            OfficeLane lane = taken(queue, wait);
            if (lane.up()) return lane;
            lane.start();
            queue.add(lane);
            if (System.nanoTime() > end) throw new ServiceAway(ServiceAway.Service.CONVERTER, AWAY, null);
            pause();
        }
    }

    private static void pause() {
        try {
            Thread.sleep(200);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new ServiceAway(ServiceAway.Service.CONVERTER, AWAY, e);
        }
    }

    private static OfficeLane taken(BlockingQueue<OfficeLane> queue, Duration wait) {
        try {
            OfficeLane lane = queue.poll(wait.toMillis(), TimeUnit.MILLISECONDS);
            if (lane != null) return lane;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        throw new ConversionFailed(Message.of("conversion.busy"), true, null);
    }

    private static Made checked(Made made) {
        byte[] pdf = made.pdf();
        if (pdf.length < 5 || pdf[0] != '%' || pdf[1] != 'P')
            throw new ConversionFailed(Message.of("conversion.no-pages"), true, null);
        return made;
    }
}
