package org.jalousie.server.files;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.filing.BucketAddress;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.adapters.OutsideHttp;
import org.jalousie.server.adapters.ServiceAway;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * The places that the operator has set for files, and in which of them they are kept. That is said by the database, so that all
 * servers know; where one of them learns of a change some seconds later, what it keeps meanwhile is moved afterwards.
 */
@Component
class FilePlaces {
    private static final Logger LOG = LoggerFactory.getLogger(FilePlaces.class);
    private static final Duration HOLDS = Duration.ofSeconds(5);
    private static final Duration LIMIT = Duration.ofSeconds(15);
    private static final int TRIES = 2;

    private final Map<FilePlace.Kind, FilePlace> places = new EnumMap<>(FilePlace.Kind.class);
    private final FolderStore folder;
    private final JdbcClient sql;
    private final Clock clock;
    private final FilePlace.Kind first;
    private final Runnable closing;
    private volatile Seen seen = new Seen(FilePlace.Kind.FOLDER, Optional.empty());

    /** @param until of {@code nanoTime}, which nobody sets back; empty for never */
    private record Seen(FilePlace.Kind kind, Optional<Long> until) {}

    @Autowired
    FilePlaces(Settings settings, FolderStore folder, JdbcClient sql, Clock clock) {
        this.folder = folder;
        this.sql = sql;
        this.clock = clock;
        Settings.FileBucket bucket = settings.bucket();
        this.first = first(bucket.filesIn().strip());
        places.put(FilePlace.Kind.FOLDER, folder);
        if (bucket.address().isBlank()) {
            closing = () -> {};
            return;
        }
        BucketAddress address = BucketAddress.read(bucket.address())
                .orElseThrow(() -> new IllegalStateException("JALOUSIE_BUCKET isn't the address of a bucket: "
                        + bucket.address() + ". Write it as https://storage.example.org/bucket/"));
        // whoever runs the server says where it is, so it may be inside
        OutsideHttp http = OutsideHttp.toOnly(address.server().getHost());
        Bucket opened = new Bucket(
                http,
                new Bucket.Place(address.server(), address.bucket(), address.prefix(), bucket.region()),
                new Bucket.Key(bucket.key(), bucket.secret()),
                new Bucket.Patience(LIMIT, TRIES));
        places.put(FilePlace.Kind.BUCKET, new BucketStore(opened, bucket.address()));
        closing = () -> {
            opened.close();
            try {
                http.close();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        };
    }

    private static FilePlace.Kind first(String said) {
        return switch (said) {
            case "folder" -> FilePlace.Kind.FOLDER;
            case "bucket" -> FilePlace.Kind.BUCKET;
            default -> throw new IllegalStateException("JALOUSIE_FILES_IN is folder or bucket, not " + said + ".");
        };
    }

    @PostConstruct
    void begin() {
        // where nothing can be kept nothing is begun
        if (of(first).isPresent()) first();
        if (both().kind() != FilePlace.Kind.FOLDER) return;
        try {
            folder.mark();
        } catch (ServiceAway | UncheckedIOException e) {
            LOG.error("the office's files are out of reach: {}", e.getMessage());
        }
    }

    /** All that were in the folder are in the bucket. */
    void folderIsEmpty() {
        folder.unmark();
    }

    private void first() {
        sql.sql("insert into file_place (kept_in, since) values (?, ?) on conflict do nothing")
                .params(first.name(), Timestamp.from(clock.instant()))
                .update();
    }

    @PreDestroy
    void close() {
        closing.run();
    }

    /** Where files are kept now. */
    FilePlace.Kind kind() {
        Seen last = seen;
        if (last.until().filter(until -> System.nanoTime() - until < 0).isPresent()) return last.kind();
        FilePlace.Kind kind = sql.sql("select kept_in from file_place")
                .query(String.class)
                .optional()
                .map(FilePlace.Kind::valueOf)
                .orElse(first);
        seen = new Seen(kind, Optional.of(System.nanoTime() + HOLDS.toNanos()));
        return kind;
    }

    /** Asks the database anew the next time. */
    void forget() {
        seen = new Seen(seen.kind(), Optional.empty());
    }

    /**
     * Both at one moment.
     *
     * @param now where files are kept, {@code other} where they may still lie, or have begun to
     */
    record Both(FilePlace.Kind kind, FilePlace now, Optional<FilePlace> other) {}

    /** @throws IllegalStateException when the files lie where this server can't reach */
    Both both() {
        FilePlace.Kind kind = kind();
        FilePlace now = of(kind).orElseThrow(() ->
                new IllegalStateException("The files of this office lie in a bucket, and this server"
                        + " knows of none. Set JALOUSIE_BUCKET, JALOUSIE_BUCKET_KEY and JALOUSIE_BUCKET_SECRET."));
        return new Both(kind, now, of(kind == FilePlace.Kind.FOLDER ? FilePlace.Kind.BUCKET : FilePlace.Kind.FOLDER));
    }

    /** A place; empty for one that isn't set. */
    Optional<FilePlace> of(FilePlace.Kind kind) {
        return Optional.ofNullable(places.get(kind));
    }
}
