package org.jalousie.server.archive.filing;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.filing.BucketAddress;
import org.jalousie.core.filing.FilingTerms;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.adapters.OutsideHttp;
import org.jalousie.server.adapters.OutsideProblem;
import org.springframework.stereotype.Component;

/** Opens a target by what is spoken there. Folders have to lie in one of those that the operator has set. */
@Component
class FilingDoors {
    private static final Duration LIMIT = Duration.ofSeconds(60);

    private final OutsideHttp http;
    private final List<Path> folders;

    FilingDoors(OutsideHttp http, Settings settings) {
        this.http = http;
        this.folders = settings.filing() == null
                ? List.of()
                : settings.filing().stream()
                        .filter(one -> !one.toString().isEmpty())
                        .map(one -> one.toAbsolutePath().normalize())
                        .toList();
    }

    /** The folders that targets may lie in. */
    List<String> folders() {
        return folders.stream().map(Path::toString).toList();
    }

    FilingTarget to(FilingTerms terms, String credential) {
        refusal(terms).ifPresent(said -> {
            throw new FilingTarget.Away(said, null);
        });
        return switch (terms.kind()) {
            case FOLDER -> new FolderTarget(terms.folder().orElseThrow(), LIMIT);
            case WEBDAV -> new WebdavTarget(http, terms.collection().orElseThrow(), terms.user(), credential);
            case BUCKET -> bucket(terms, credential);
        };
    }

    private FilingTarget bucket(FilingTerms terms, String credential) {
        BucketAddress address = terms.bucket().orElseThrow();
        Bucket bucket = new Bucket(
                http,
                new Bucket.Place(address.server(), address.bucket(), address.prefix(), terms.region()),
                new Bucket.Key(terms.user(), credential),
                // who files tries again by itself, and says so
                new Bucket.Patience(LIMIT, 1));
        return new BucketTarget(bucket, address.prefix().length());
    }

    /** Why this address may not be filed to; empty when it may. */
    Optional<Message> refusal(FilingTerms terms) {
        if (terms.kind() == FilingTerms.Kind.FOLDER)
            return terms.folder().filter(this::isOurs).isPresent()
                    ? Optional.empty()
                    : Optional.of(Message.of(
                            folders.isEmpty() ? "filing.no-folders-set" : "filing.folder-elsewhere",
                            "folders",
                            String.join(", ", folders())));
        try {
            http.check(
                    terms.kind() == FilingTerms.Kind.BUCKET
                            ? terms.bucket().orElseThrow().server()
                            : terms.collection().orElseThrow());
            return Optional.empty();
        } catch (OutsideProblem e) {
            return Optional.of(e.said());
        }
    }

    private boolean isOurs(Path folder) {
        return folders.stream().anyMatch(folder::startsWith);
    }
}
