package org.jalousie.server.adapters;

import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.jalousie.core.messages.Message;
import software.amazon.awssdk.auth.credentials.AwsBasicCredentials;
import software.amazon.awssdk.auth.credentials.StaticCredentialsProvider;
import software.amazon.awssdk.awscore.exception.AwsServiceException;
import software.amazon.awssdk.core.ResponseBytes;
import software.amazon.awssdk.core.checksums.RequestChecksumCalculation;
import software.amazon.awssdk.core.checksums.ResponseChecksumValidation;
import software.amazon.awssdk.core.exception.SdkException;
import software.amazon.awssdk.core.sync.RequestBody;
import software.amazon.awssdk.profiles.ProfileFile;
import software.amazon.awssdk.regions.Region;
import software.amazon.awssdk.retries.DefaultRetryStrategy;
import software.amazon.awssdk.services.s3.S3Client;
import software.amazon.awssdk.services.s3.model.ListObjectsV2Response;
import software.amazon.awssdk.services.s3.model.MetadataDirective;
import software.amazon.awssdk.services.s3.model.NoSuchKeyException;
import software.amazon.awssdk.services.s3.model.PutObjectRequest;

/**
 * A bucket of storage that speaks S3, with the names in it that begin alike. Requests are signed (AWS Signature Version 4) and name
 * the bucket in their path, which every such storage understands.
 */
public final class Bucket implements AutoCloseable {
    private static final int LARGEST = 1 << 29;

    private final S3Client client;
    private final Place place;

    /**
     * Where it is.
     *
     * @param server the storage's address, without a path
     * @param name the bucket's
     * @param prefix with which all names in it begin; empty, or with a stroke at its end
     * @param region that requests are signed for
     */
    public record Place(URI server, String name, String prefix, String region) {}

    /** By which it is asked. */
    public record Key(String name, String secret) {}

    /** How long is waited for an answer. @param tries how often it is asked before it is away */
    public record Patience(Duration limit, int tries) {}

    /** A file in it, as far as a list tells. @param name without the prefix */
    public record Entry(String name, Instant changedAt) {}

    /** Some of its files. @param more where the list goes on; empty at its end */
    public record Entries(List<Entry> all, Optional<String> more) {}

    public Bucket(OutsideHttp http, Place place, Key key, Patience patience) {
        this.place = place;
        ProfileFile nothing = ProfileFile.aggregator().build();
        this.client = S3Client.builder()
                .httpClient(new BucketHttp(http, patience.limit(), LARGEST))
                .endpointOverride(place.server())
                .region(Region.of(place.region()))
                .credentialsProvider(StaticCredentialsProvider.create(AwsBasicCredentials.create(
                        key.name().isEmpty() ? "none" : key.name(), key.secret().isEmpty() ? "none" : key.secret())))
                // newer ways of sending that not every storage understands
                .requestChecksumCalculation(RequestChecksumCalculation.WHEN_REQUIRED)
                .responseChecksumValidation(ResponseChecksumValidation.WHEN_REQUIRED)
                .serviceConfiguration(s3 -> s3.pathStyleAccessEnabled(true).chunkedEncodingEnabled(false))
                .overrideConfiguration(c -> c.retryStrategy(DefaultRetryStrategy.standardStrategyBuilder()
                                .maxAttempts(patience.tries())
                                .build())
                        // what somebody left in the home of the account it runs under says nothing here
                        .defaultProfileFile(nothing))
                .build();
    }

    /** The bytes of a file; empty for none. @throws BucketProblem when it can't be asked just now */
    public Optional<byte[]> get(String name) {
        return there(() -> client.getObjectAsBytes(of -> of.bucket(place.name()).key(key(name))))
                .map(ResponseBytes::asByteArrayUnsafe);
    }

    /** When a file was written; empty for none. @throws BucketProblem when it can't be asked just now */
    public Optional<Instant> changedAt(String name) {
        try {
            return Optional.of(client.headObject(of -> of.bucket(place.name()).key(key(name)))
                    .lastModified());
        } catch (NoSuchKeyException e) {
            // an answer without a body can't say whether the file is missing or the bucket
            return Optional.empty();
        } catch (SdkException | OutsideProblem e) {
            throw problem(e);
        }
    }

    /** Writes a file, whatever was there. @throws BucketProblem when that isn't possible just now */
    public void put(String name, byte[] bytes) {
        asked(() -> client.putObject(written(name).build(), RequestBody.fromBytes(bytes)));
    }

    /**
     * Writes a file where none is (RFC 9110 §13.1.2). Storage that doesn't know such a condition writes it in any case.
     *
     * @return whether there was none
     * @throws BucketProblem when that isn't possible just now
     */
    public boolean putNew(String name, byte[] bytes) {
        try {
            client.putObject(written(name).ifNoneMatch("*").build(), RequestBody.fromBytes(bytes));
            return true;
        } catch (AwsServiceException e) {
            // 409 when another one is writing it at this moment
            if (e.statusCode() == 412 || e.statusCode() == 409) return false;
            throw problem(e);
        } catch (SdkException | OutsideProblem e) {
            throw problem(e);
        }
    }

    private PutObjectRequest.Builder written(String name) {
        return PutObjectRequest.builder().bucket(place.name()).key(key(name)).contentType("application/octet-stream");
    }

    /** Writes a copy, which is as new as if it had been written now; returns whether there was anything to copy. */
    public boolean copy(String from, String to) {
        return there(() -> client.copyObject(of -> of.sourceBucket(place.name())
                        .sourceKey(key(from))
                        .destinationBucket(place.name())
                        .destinationKey(key(to))
                        // a copy onto itself has to change something
                        .metadataDirective(MetadataDirective.REPLACE)
                        .contentType("application/octet-stream")))
                .isPresent();
    }

    /** Takes a file away, if there is one. @throws BucketProblem when that isn't possible just now */
    public void delete(String name) {
        asked(() -> client.deleteObject(of -> of.bucket(place.name()).key(key(name))));
    }

    /** Files whose names begin so, by their names. @param most at most 1000, {@code from} where an earlier list ended */
    public Entries list(String beginning, int most, Optional<String> from) {
        ListObjectsV2Response some = asked(() -> client.listObjectsV2(of ->
                of.bucket(place.name()).prefix(key(beginning)).maxKeys(most).continuationToken(from.orElse(null))));
        // an answer that broke off is no empty list
        if (some.name() == null) throw new BucketProblem(Message.of("bucket.unreadable"), null);
        return new Entries(
                some.contents().stream()
                        .map(one -> new Entry(one.key().substring(place.prefix().length()), one.lastModified()))
                        .toList(),
                Optional.ofNullable(some.nextContinuationToken()).filter(more -> some.isTruncated()));
    }

    private String key(String name) {
        return place.prefix() + name;
    }

    private <T> Optional<T> there(Supplier<T> work) {
        try {
            return Optional.ofNullable(work.get());
        } catch (AwsServiceException e) {
            // who knows nothing of files, such as another server at this address, doesn't say that one is missing
            if (e.statusCode() == 404 && code(e).equals("NoSuchKey")) return Optional.empty();
            throw problem(e);
        } catch (SdkException | OutsideProblem e) {
            throw problem(e);
        }
    }

    private <T> T asked(Supplier<T> work) {
        try {
            return work.get();
        } catch (SdkException | OutsideProblem e) {
            throw problem(e);
        }
    }

    private BucketProblem problem(RuntimeException e) {
        for (Throwable one = e; one != null; one = one.getCause())
            if (one instanceof OutsideProblem outside) return new BucketProblem(outside.said(), e);
        if (!(e instanceof AwsServiceException answer))
            return new BucketProblem(
                    Message.of("outside.broken", "kind", e.getClass().getSimpleName()), e);
        return new BucketProblem(
                switch (answer.statusCode()) {
                    case 401, 403 -> Message.of("bucket.not-let-in", "status", answer.statusCode());
                    case 301, 307, 400 ->
                        Message.of("bucket.refuses", "status", answer.statusCode(), "kind", code(answer));
                    case 404 -> Message.of("bucket.none", "name", place.name());
                    case 507 -> Message.of("bucket.full", "status", answer.statusCode());
                    default -> Message.of("bucket.answers", "status", answer.statusCode());
                },
                e);
    }

    private static String code(AwsServiceException answer) {
        String code = answer.awsErrorDetails() == null
                ? null
                : answer.awsErrorDetails().errorCode();
        return code == null ? "" : code;
    }

    @Override
    public void close() {
        client.close();
    }
}
