package org.jalousie.server.files;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.server.adapters.ServiceAway;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Tells the folder of the office's files from an empty one that stands where a share should: by a line in a file of it that the
 * database knows. Without it what is asked for there isn't missing but out of reach, and nothing is kept there.
 */
@Component
class FolderMark {
    private static final Logger LOG = LoggerFactory.getLogger(FolderMark.class);
    private static final String NAME = "office.txt";

    private final JdbcClient sql;
    private final TransactionTemplate transaction;
    private volatile Optional<String> known = Optional.empty();

    FolderMark(JdbcClient sql, TransactionTemplate transaction) {
        this.sql = sql;
        this.transaction = transaction;
    }

    /** @throws ServiceAway when this isn't the folder that the database knows */
    void require(Path folder) {
        required(folder);
    }

    /** @return whether the database knows any */
    private boolean required(Path folder) {
        // others may change what is known meanwhile
        if (known.filter(line -> stands(folder, line)).isPresent()) return true;
        // another server may have laid it, or taken it away, since
        Optional<String> now = said();
        known = now;
        if (now.isEmpty()) return false;
        if (stands(folder, now.get())) return true;
        throw new ServiceAway(
                ServiceAway.Service.FILES,
                Message.of("files.another-folder", "folder", folder.toString(), "file", NAME, "line", now.get()),
                null);
    }

    /** As {@link #require}, and lays it where files are kept in the folder from now on. */
    void laid(Path folder) {
        if (required(folder)) return;
        // the file before the end of the transaction: whoever is stopped between the two finds it the next time
        transaction.executeWithoutResult(status -> {
            String own = read(folder.resolve(NAME)).orElse("Files of the office " + UUID.randomUUID());
            sql.sql("update file_place set folder_mark = coalesce(folder_mark, ?) returning folder_mark")
                    .param(own)
                    .query(String.class)
                    .optional()
                    .ifPresent(line -> write(folder, line));
        });
    }

    /** Nothing is left in the folder that could be missed. */
    void away(Path folder) {
        transaction.executeWithoutResult(status -> {
            int changed = sql.sql("update file_place set folder_mark = null"
                            + " where folder_mark is not null and kept_in <> 'FOLDER'")
                    .update();
            if (changed > 0) delete(folder.resolve(NAME));
        });
        known = Optional.empty();
    }

    private static void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.warn("the mark of a folder that holds no files any more can't be taken away");
        }
    }

    private Optional<String> said() {
        return sql.sql("select folder_mark from file_place where folder_mark is not null")
                .query(String.class)
                .optional();
    }

    private static boolean stands(Path folder, String line) {
        return read(folder.resolve(NAME)).filter(line::equals).isPresent();
    }

    private static Optional<String> read(Path file) {
        try {
            return Optional.of(Files.readString(file).strip()).filter(line -> !line.isEmpty());
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    private static void write(Path folder, String line) {
        try {
            Path part = Files.createTempFile(folder, "mark", ".part");
            try {
                Files.writeString(part, line + "\n", StandardOpenOption.WRITE, StandardOpenOption.SYNC);
                Files.move(part, folder.resolve(NAME), StandardCopyOption.ATOMIC_MOVE);
            } finally {
                Files.deleteIfExists(part);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The file store can't write to its folder; it may be full.", e);
        }
    }
}
