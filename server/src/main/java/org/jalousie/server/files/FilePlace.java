package org.jalousie.server.files;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Sha256;

/** One place that files lie in, with what it takes to move them to another one. */
interface FilePlace extends FileStore {
    /** What a place is. */
    enum Kind {
        FOLDER,
        BUCKET
    }

    /** Whether what was found is what was kept under a name. */
    static boolean isWhole(Optional<byte[]> found, Sha256 name) {
        return found.map(Sha256::of).filter(name::equals).isPresent();
    }

    /** Where it is, for a person. */
    String said();

    /** Some files that are there, those that were put aside among them. @param but those that aren't asked for */
    List<Sha256> some(int most, Set<Sha256> but);

    /** How many files are there, those that were put aside among them. */
    long count();

    /** Takes a file away for good, wherever in the place it lies. */
    void remove(Sha256 name);
}
