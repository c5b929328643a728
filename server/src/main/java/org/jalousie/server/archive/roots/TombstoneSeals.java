package org.jalousie.server.archive.roots;

import java.security.cert.X509Certificate;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.evidence.OfficeStatement;
import org.jalousie.core.filing.retention.Tombstone;
import org.jalousie.core.messages.Message;

/** Checks what stays of agreements that are gone: only who has the office's key could have let them go. */
final class TombstoneSeals {
    private final RootStore store;
    private final List<X509Certificate> anchors;

    TombstoneSeals(RootStore store, List<X509Certificate> anchors) {
        this.store = store;
        this.anchors = anchors;
    }

    List<Message> findings() {
        return store.stones().stream()
                .filter(one -> !holds(one))
                .map(one -> Message.of("archive.roots.tombstone-bad", "number", one.number()))
                .toList();
    }

    private boolean holds(RootStore.Stone one) {
        try {
            Tombstone stone = Tombstone.read(one.statement());
            Optional<String> sealed = OfficeStatement.read(one.seal(), stone.destroyedAt(), anchors);
            return stone.number().equals(one.number())
                    && sealed.filter(one.statement()::equals).isPresent();
        } catch (RuntimeException e) {
            // it can't be read any more
            return false;
        }
    }
}
