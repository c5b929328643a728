package org.jalousie.core.evidence;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;

/** Which files of a completed agreement prove it: they are kept under archive time stamps. */
public final class ArchivedFiles {
    private ArchivedFiles() {}

    /** Its documents, what was printed of them when it was signed on paper, its signing record and what participants attached. */
    public static List<Sha256> of(Agreement agreement) {
        Set<Sha256> files = new LinkedHashSet<>();
        for (Document one : agreement.documents()) {
            files.add(one.pdf());
            agreement.paper().flatMap(paper -> paper.printedAs(one.id())).ifPresent(files::add);
        }
        Optional<Sha256> record = agreement.record();
        record.ifPresent(files::add);
        agreement.attached().forEach(one -> files.add(one.file().file()));
        return List.copyOf(files);
    }
}
