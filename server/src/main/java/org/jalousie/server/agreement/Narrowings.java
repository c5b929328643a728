package org.jalousie.server.agreement;

import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.server.account.Sight;
import org.springframework.stereotype.Component;

/** What is looked for, as statements' conditions, with what whoever asks doesn't see left out. */
@Component
class Narrowings {
    private final Sight sight;

    Narrowings(Sight sight) {
        this.sight = sight;
    }

    Narrowing of(AgreementsAsked asked) {
        Set<UUID> hidden = sight.hidden();
        return Narrowing.of(asked, hidden, hidden.isEmpty() ? Optional.empty() : sight.seen());
    }
}
