package org.jalousie.server.programs;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.programs.Scope;

/** What an address is about, for programs that may reach only so far. Rooms answer for their own addresses. */
public interface Reached {
    /**
     * @param area whose it is, where the address doesn't say
     * @param forms templates of which it is
     */
    record About(Optional<Scope.Area> area, Set<UUID> forms) {
        /** Of some templates. */
        public static About forms(Set<UUID> forms) {
            return new About(Optional.empty(), forms);
        }
    }

    /**
     * @param segments of the address after {@code /api/v1/}
     * @return empty for addresses of others, and for what isn't there
     */
    Optional<About> about(List<String> segments);
}
