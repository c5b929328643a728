package org.jalousie.server.archive.filing;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The copies of an agreement that were filed outside, for whoever wants them back. */
@Service
public class FiledCopies {
    private final Filings filings;

    FiledCopies(Filings filings) {
        this.filings = filings;
    }

    /** An agreement stays after all: whatever was or is taken away of it is filed again. */
    @Transactional
    public void bringBack(UUID agreement) {
        filings.stay(agreement);
    }

    /**
     * Takes an agreement's files away from wherever they were filed, and out of the index there; jobs do it.
     *
     * @return the titles of the places where that isn't done yet
     */
    @Transactional
    public List<String> takeBack(UUID agreement) {
        filings.leave(agreement);
        return filings.leaving(agreement);
    }
}
