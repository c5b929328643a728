package org.jalousie.server.archive.stamps;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.HashTree;

/** What stands under archive time stamps. */
sealed interface Stamped {
    /** A file of an agreement. */
    record File(UUID agreement, Sha256 file) implements Stamped {}

    /** Which part of a daily root. */
    enum Part {
        STATEMENT,
        TOKEN
    }

    record Root(long root, Part part) implements Stamped {}

    /** A time stamp that is renewed. @param token its token, with the revocation lists of that day */
    record Stamp(long stamp, byte[] token) implements Stamped {}

    /** A thing with what is hashed of it. */
    record Leaf(Stamped what, byte[] hash) {}

    /**
     * A time stamp as it is kept.
     *
     * @param imprint what it is over: the root of a hash tree
     * @param until when the certificate of the service ends
     */
    record Made(
            long number,
            HashAlgorithm algorithm,
            byte[] imprint,
            byte[] token,
            Instant at,
            String by,
            Instant until,
            List<Leaf> leaves) {
        HashTree tree() {
            return new HashTree(algorithm, leaves.stream().map(Leaf::hash).toList());
        }

        int files() {
            return count(File.class);
        }

        /** Daily roots, whatever part of them. */
        int roots() {
            return (int) leaves.stream()
                    .filter(one -> one.what() instanceof Root)
                    .map(one -> ((Root) one.what()).root())
                    .distinct()
                    .count();
        }

        int stamps() {
            return count(Stamp.class);
        }

        private int count(Class<? extends Stamped> kind) {
            return (int)
                    leaves.stream().filter(one -> kind.isInstance(one.what())).count();
        }
    }
}
