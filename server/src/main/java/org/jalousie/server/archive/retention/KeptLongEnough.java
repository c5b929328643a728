package org.jalousie.server.archive.retention;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How many agreements wait for somebody to confirm that they are destroyed. */
@Service
public class KeptLongEnough {
    private final KeptAgreements kept;
    private final RetentionLists lists;

    KeptLongEnough(KeptAgreements kept, RetentionLists lists) {
        this.kept = kept;
        this.lists = lists;
    }

    /** @param most up to how many are counted */
    @Transactional(readOnly = true)
    public int count(int most) {
        return kept.count(kept.rules(), Optional.empty(), lists.today(), most);
    }
}
