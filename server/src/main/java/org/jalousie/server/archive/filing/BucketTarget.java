package org.jalousie.server.archive.filing;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.adapters.BucketProblem;

/** A bucket of storage that speaks S3: what is put there is there whole at once, and folders are only parts of names. */
final class BucketTarget implements FilingTarget {
    /** Amazon S3 User Guide, "Naming Amazon S3 objects": in UTF-8. */
    private static final int LONGEST = 1024;

    private final Bucket bucket;
    private final int before;

    /** @param before how long what all names in it begin with is, in bytes */
    BucketTarget(Bucket bucket, int before) {
        this.bucket = bucket;
        this.before = before;
    }

    @Override
    public Put put(String path, byte[] bytes) {
        if (before + path.getBytes(StandardCharsets.UTF_8).length > LONGEST)
            throw new DoesNotFit(Message.of("filing.too-long-there", "path", path, "most", LONGEST - before));
        try {
            Optional<byte[]> there = bucket.get(path);
            if (there.isEmpty() && bucket.putNew(path, bytes)) return Put.WRITTEN;
            // something has come there meanwhile
            if (there.isEmpty()) there = bucket.get(path);
            return there.filter(found -> Arrays.equals(found, bytes)).isPresent() ? Put.SAME : Put.OTHER;
        } catch (BucketProblem e) {
            throw new Away(e.said(), e);
        }
    }

    @Override
    public void takeAway(String path, Set<Sha256> ours) {
        try {
            if (bucket.get(path).map(Sha256::of).filter(ours::contains).isPresent()) bucket.delete(path);
        } catch (BucketProblem e) {
            throw new Away(e.said(), e);
        }
    }

    @Override
    public void replace(String path, byte[] bytes) {
        try {
            bucket.put(path, bytes);
        } catch (BucketProblem e) {
            throw new Away(e.said(), e);
        }
    }

    @Override
    public void close() {
        bucket.close();
    }
}
