package org.jalousie.server.records;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.server.programs.Reached;
import org.springframework.stereotype.Component;

/** Of which form's records a record system is. */
@Component
class RecordReach implements Reached {
    private final RecordSystems systems;

    RecordReach(RecordSystems systems) {
        this.systems = systems;
    }

    @Override
    public Optional<About> about(List<String> segments) {
        if (segments.size() < 2 || !segments.get(0).equals("record-systems")) return Optional.empty();
        try {
            return systems.findById(UUID.fromString(segments.get(1)))
                    .map(one -> About.forms(Set.of(one.terms().form())));
        } catch (IllegalArgumentException e) {
            // what isn't there is of no form
            return Optional.empty();
        }
    }
}
