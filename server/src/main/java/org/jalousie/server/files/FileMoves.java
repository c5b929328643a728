package org.jalousie.server.files;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.PreDestroy;
import java.io.UncheckedIOException;
import java.security.SecureRandom;
import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.jobs.Outages;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;

/**
 * Moves the office's files from one place to the other while everybody works on: new files go to the new place at once, and those
 * that were kept before follow one by one. A file is taken from where it was when it has been read back, whole, from where it is.
 */
@Service
public class FileMoves {
    private static final Logger LOG = LoggerFactory.getLogger(FileMoves.class);
    private static final Duration ROUND = Duration.ofSeconds(60);
    private static final Duration LOOKS_AGAIN = Duration.ofHours(1);
    private static final int HANDS = 4;

    /** So many that can't be moved are named. */
    private static final int NAMED = 20;

    private final FilePlaces places;
    private final Outages outages;
    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final ExecutorService hands = Executors.newFixedThreadPool(HANDS, work -> {
        Thread thread = new Thread(work, "file-move");
        thread.setDaemon(true);
        return thread;
    });

    FileMoves(FilePlaces places, Outages outages, JdbcClient sql, Clock clock) {
        this.places = places;
        this.outages = outages;
        this.sql = sql;
        this.clock = clock;
    }

    /** What a place is. @param kind FOLDER or BUCKET, {@code said} where it is */
    public record FilesPlace(String kind, String said) {}

    /**
     * How far it is.
     *
     * @param places those that the operator has set
     * @param toMove how many files were in the other place when it began; null until they have been counted
     * @param moved how many files have come over
     * @param stuck files that aren't what was kept, and stay where they are; the first of them
     * @param fault why it doesn't go on just now; empty when it does
     */
    public record FilesView(
            String keptIn,
            Instant since,
            List<FilesPlace> places,
            boolean moving,
            @Schema(types = {"integer", "null"}) Long toMove,
            long moved,
            List<String> stuck,
            String fault) {}

    /** How far it is now. */
    public FilesView state() {
        List<FilesPlace> set = Arrays.stream(FilePlace.Kind.values())
                .flatMap(kind -> places.of(kind).map(one -> new FilesPlace(kind.name(), one.said())).stream())
                .toList();
        return sql.sql("select * from file_place")
                .query((row, at) -> new FilesView(
                        row.getString("kept_in"),
                        row.getTimestamp("since").toInstant(),
                        set,
                        row.getBoolean("moving"),
                        row.getObject("to_move", Long.class),
                        row.getLong("moved"),
                        stuck(row),
                        row.getString("fault")))
                .single();
    }

    private static List<String> stuck(ResultSet row) throws SQLException {
        Array names = row.getArray("stuck");
        return List.of((String[]) names.getArray());
    }

    /**
     * Tries whether files can be kept in a place: not in a transaction, since it may take a while.
     *
     * @param kind FOLDER or BUCKET
     * @return what {@link #choose} takes
     * @throws Refusal when there is no such place, or it keeps nothing
     */
    public Tried tried(String kind) {
        FilePlace place = Arrays.stream(FilePlace.Kind.values())
                .filter(one -> one.name().equals(kind))
                .findFirst()
                .flatMap(places::of)
                .orElseThrow(() -> Refusal.conflict(Message.of("files.not-set")));
        byte[] bytes = new byte[32];
        random.nextBytes(bytes);
        try {
            Sha256 name = place.keep(bytes);
            boolean whole = FilePlace.isWhole(place.asFound(name), name);
            place.remove(name);
            if (!whole || place.asFound(name).isPresent()) throw Refusal.conflict(Message.of("files.keeps-nothing"));
            return new Tried(FilePlace.Kind.valueOf(kind));
        } catch (ServiceAway | UncheckedIOException e) {
            throw Refusal.conflict(Message.of("files.cant-be-kept", "reason", e.getMessage()));
        }
    }

    /** A place that keeps files. */
    public static final class Tried {
        private final FilePlace.Kind kind;

        private Tried(FilePlace.Kind kind) {
            this.kind = kind;
        }
    }

    /** Keeps all files there from now on; returns whether they were kept elsewhere. */
    public boolean choose(Tried tried) {
        int changed = sql.sql("update file_place set kept_in = ?, since = ?, moving = true, to_move = null, moved = 0,"
                        + " stuck = '{}', fault = '' where kept_in <> ?")
                .params(tried.kind.name(), Timestamp.from(clock.instant()), tried.kind.name())
                .update();
        return changed > 0;
    }

    /** What was chosen is known here from now on, and not some seconds later. */
    public void chosen() {
        places.forget();
    }

    /** Moves some; now and then also looks whether something was left behind. */
    void round() {
        outageOver();
        places.forget();
        FilePlaces.Both both = places.both();
        if (both.other().isEmpty() || !isDue()) return;
        MoveRound round = new MoveRound(both.other().get(), both.now(), hands);
        String fault = "";
        boolean finished = false;
        try {
            counted(both);
            long until = System.nanoTime() + ROUND.toNanos();
            finished = round.run(() -> {
                noted(both, round);
                return System.nanoTime() < until && places.kind() == both.kind();
            });
        } catch (ServiceAway | UncheckedIOException e) {
            LOG.warn("files can't be moved just now: {}", e.getClass().getSimpleName());
            fault = e.getMessage();
        }
        noted(both, round);
        if (finished && round.stuck().isEmpty() && both.kind() == FilePlace.Kind.BUCKET) places.folderIsEmpty();
        if (!round.stuck().isEmpty())
            LOG.error(
                    "{} files can't be moved, they aren't whole", round.stuck().size());
        sql.sql("update file_place set moving = ?, stuck = ?, fault = ?, looked_at = ?"
                        // what was chosen meanwhile begins by itself
                        + " where kept_in = ?")
                .params(
                        !finished,
                        round.stuck().stream().limit(NAMED).map(Sha256::hex).toArray(String[]::new),
                        fault,
                        Timestamp.from(clock.instant()),
                        both.kind().name())
                .update();
    }

    /** So that whoever watches it sees it go on. */
    private void noted(FilePlaces.Both both, MoveRound round) {
        int moved = round.movedSince();
        if (moved == 0) return;
        LOG.info("{} files were moved", moved);
        sql.sql("update file_place set moved = moved + ? where kept_in = ?")
                .params(moved, both.kind().name())
                .update();
    }

    /** Counts once what has to be moved, which may take a while where there is much. */
    private void counted(FilePlaces.Both both) {
        boolean known = sql.sql("select to_move is not null from file_place")
                .query(Boolean.class)
                .single();
        if (known) return;
        sql.sql("update file_place set to_move = ? where to_move is null and kept_in = ?")
                .params(both.other().orElseThrow().count(), both.kind().name())
                .update();
    }

    private boolean isDue() {
        return sql.sql("select moving or looked_at is null or looked_at < ? from file_place")
                .param(Timestamp.from(clock.instant().minus(LOOKS_AGAIN)))
                .query(Boolean.class)
                .single();
    }

    /** Nobody's job waits for the files alone, so nobody else finds out that they are back. */
    private void outageOver() {
        if (!outages.isAway(ServiceAway.Service.FILES)) return;
        try {
            places.both().now().some(1, Set.of());
            outages.over(ServiceAway.Service.FILES);
        } catch (ServiceAway | UncheckedIOException e) {
            LOG.debug("the files are still away");
        }
    }

    @PreDestroy
    void close() {
        hands.shutdownNow();
    }

    @Configuration
    static class Setup {
        @Bean
        Task<Void> moveFilesTask(ObjectProvider<FileMoves> moves) {
            return Tasks.recurring("move-files", FixedDelay.of(Duration.ofSeconds(10)))
                    .execute((instance, context) -> moves.getObject().round());
        }
    }
}
